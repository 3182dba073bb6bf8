<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use JsonException;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use stdClass;
use ZipArchive;

/**
 * A bench file from outside, judged before anything of it is used: its size before it is unpacked, its document by the
 * published schema.
 */
final class BenchReader
{
    private const MOST_FILES = 5000;

    private const MOST_DOCUMENT = 48 * 1024 * 1024;

    /** Of a document: it is read into memory as a whole, and each of them takes more there than in the file. */
    private const MOST_RECORDS = 250_000;

    private const MOST_LISTS = 500_000;

    private const MOST_PICTURE = 24 * 1024 * 1024;

    private const MOST_PRINT = 160 * 1024 * 1024;

    private const DEEP = 24;

    /** @param  array<string, mixed>  $document */
    private function __construct(private readonly ZipArchive $zip, public readonly array $document)
    {
    }

    /** @throws UnreadableBench saying what is wrong and where */
    public static function open(string $path): self
    {
        $zip = self::zip($path);

        return new self($zip, self::judged(self::unpacked($zip, 'bench.json', self::MOST_DOCUMENT) ?? throw UnreadableBench::noDocument()));
    }

    /**
     * Checks that need nothing of it unpacked.
     *
     * @throws UnreadableBench
     */
    public static function look(string $path): void
    {
        if (self::zip($path)->locateName('bench.json') === false) {
            throw UnreadableBench::noDocument();
        }
    }

    /** @throws UnreadableBench */
    private static function zip(string $path): ZipArchive
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw UnreadableBench::noZip();
        }
        if ($zip->numFiles > self::MOST_FILES) {
            throw UnreadableBench::tooMany($zip->numFiles, self::MOST_FILES);
        }
        for ($n = 0; $n < $zip->numFiles; $n++) {
            $name = (string) $zip->getNameIndex($n);
            if ($name !== 'bench.json' && preg_match('~^((pictures|stills)/\d{1,6}\.png|meshes/\d{1,6}\.(stl|areas\.json))\z~', $name) !== 1) {
                throw UnreadableBench::strange($name);
            }
        }

        return $zip;
    }

    /** @throws UnreadableBench */
    public function picture(string $name): string
    {
        return self::unpacked($this->zip, $name, self::MOST_PICTURE) ?? throw UnreadableBench::missingPicture($name);
    }

    /**
     * A print file, out of the zip.
     *
     * @param  string  $to  path it is written to
     *
     * @throws UnreadableBench
     */
    public function print(string $name, string $to): void
    {
        $in = $this->zip->getStream($name);
        $out = fopen($to, 'w');
        if ($in === false || $out === false) {
            throw UnreadableBench::missingPicture($name);
        }
        $left = self::MOST_PRINT;
        while (! feof($in)) {
            $part = self::part($in, $name);
            $left -= strlen($part);
            if ($left < 0) {
                throw UnreadableBench::tooLarge($name, self::MOST_PRINT);
            }
            fwrite($out, $part);
        }
        fclose($in);
        fclose($out);
    }

    /**
     * The painter's choices on a print file: runs of triangles, each with the areas of its pieces.
     *
     * @return list<array{int, list<int|null>}>
     *
     * @throws UnreadableBench
     */
    public function chosen(string $name): array
    {
        $json = self::unpacked($this->zip, $name, self::MOST_DOCUMENT);
        if ($json === null) {
            return [];
        }
        $runs = [];
        $found = json_decode($json, true, 4);
        foreach (is_array($found) ? $found : throw UnreadableBench::noChoice($name) as $run) {
            if (! is_array($run) || ! is_int($run[0] ?? null) || ! is_array($run[1] ?? null) || $run[0] < 1 || array_filter(
                $run[1],
                static fn (mixed $v): bool => $v !== null && ! is_int($v),
            ) !== []) {
                throw UnreadableBench::noChoice($name);
            }
            /** @var list<int|null> $areas */
            $areas = array_values($run[1]);
            $runs[] = [$run[0], $areas];
        }

        return $runs;
    }

    /** @return list<array<string, mixed>> */
    public function records(string $name): array
    {
        $records = $this->document['records'] ?? [];
        $found = is_array($records) ? $records[$name] ?? [] : [];

        /** @var list<array<string, mixed>> $found judged by the schema */
        return $found;
    }

    /**
     * @param  resource  $stream
     *
     * @throws UnreadableBench when it is damaged there
     */
    private static function part($stream, string $name): string
    {
        // PHP warns of bytes that do not unpack; what they would have been is of no use.
        $part = @fread($stream, 65_536);

        return $part === false ? throw UnreadableBench::damaged($name) : $part;
    }

    /** The size a zip states can lie: what is read is counted. */
    private static function unpacked(ZipArchive $zip, string $name, int $most): ?string
    {
        $stream = $zip->getStream($name);
        if ($stream === false) {
            return null;
        }
        $bytes = '';
        while (! feof($stream)) {
            $part = self::part($stream, $name);
            $bytes .= $part;
            if (strlen($bytes) > $most) {
                throw UnreadableBench::tooLarge($name, $most);
            }
        }
        fclose($stream);

        return $bytes;
    }

    /** @return array<string, mixed> */
    private static function judged(string $json): array
    {
        if (substr_count($json, '{') > self::MOST_RECORDS || substr_count($json, '[') > self::MOST_LISTS) {
            throw UnreadableBench::tooManyRecords(self::MOST_RECORDS, self::MOST_LISTS);
        }
        try {
            $document = json_decode($json, false, self::DEEP, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw UnreadableBench::noJson(lcfirst($e->getMessage()));
        }
        if (! $document instanceof stdClass || ($document->format ?? null) !== Catalogue::FORMAT) {
            throw UnreadableBench::otherFormat();
        }
        if (is_int($document->version ?? null) && $document->version > Catalogue::VERSION) {
            throw UnreadableBench::newer($document->version);
        }
        $endless = self::endless($document);
        if ($endless !== null) {
            throw UnreadableBench::invalid("bench.json, {$endless}", 'this number is too large to be kept; put a smaller one there');
        }
        $version = is_int($document->version ?? null) ? $document->version : 0;
        self::judge($document, Schema::version($version));
        if ($version !== Catalogue::VERSION) {
            Upgrade::bring($document);
            self::judge($document, Schema::json());
            $json = json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
        }
        unset($document);
        /** @var array<string, mixed> $plain */
        $plain = json_decode($json, true, self::DEEP, JSON_THROW_ON_ERROR);
        self::judgeLayers($plain['records'] ?? null);

        return $plain;
    }

    /** @return string|null where a number stands that no computer can hold, as 1e999: it is read as infinite; null for nowhere */
    private static function endless(mixed $node): ?string
    {
        if (is_float($node)) {
            return is_finite($node) ? null : '';
        }
        foreach (is_array($node) || $node instanceof stdClass ? (array) $node : [] as $key => $inner) {
            $found = self::endless($inner);
            if ($found !== null) {
                return "/{$key}{$found}";
            }
        }

        return null;
    }

    /** @throws UnreadableBench when one has no paint: the schema judges each record by itself */
    private static function judgeLayers(mixed $records): void
    {
        $of = static fn (string $name): array => is_array($records) && is_array($records[$name] ?? null) ? $records[$name] : [];
        $painted = array_flip(array_filter(array_column($of('layerPaints'), 'layer'), is_int(...)));
        foreach ($of('layers') as $n => $layer) {
            $id = is_array($layer) ? $layer['id'] ?? null : null;
            if (is_int($id) && ! isset($painted[$id])) {
                throw UnreadableBench::invalid('bench.json, layers '.(1 + (int) $n), 'it has no paint: a layer needs at least one');
            }
        }
    }

    /** @throws UnreadableBench when it is not as the schema has it, naming where */
    private static function judge(mixed $document, string $schema): void
    {
        $error = (new Validator)->validate($document, $schema)->error();
        if ($error !== null) {
            $found = (new ErrorFormatter)->formatKeyed($error);
            $where = (string) array_key_first($found);
            $why = $found[$where] ?? [];
            throw UnreadableBench::invalid('bench.json, '.($where === '' ? 'at the top' : $where), is_array($why) && is_string($why[0] ?? null) ? $why[0] : 'not as the schema has it');
        }
    }
}
