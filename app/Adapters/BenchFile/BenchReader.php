<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use JsonException;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use ZipArchive;

/**
 * A bench file from outside, judged before anything of it is used: its size before it is unpacked, its document by the
 * published schema.
 */
final class BenchReader
{
    private const MOST_FILES = 5000;

    private const MOST_DOCUMENT = 64 * 1024 * 1024;

    private const MOST_PICTURE = 24 * 1024 * 1024;

    private const DEEP = 24;

    /** @param  array<string, mixed>  $document */
    private function __construct(private readonly ZipArchive $zip, public readonly array $document)
    {
    }

    /** @throws UnreadableBench saying what is wrong and where */
    public static function open(string $path): self
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
            if ($name !== 'bench.json' && preg_match('~^pictures/\d{1,6}\.png\z~', $name) !== 1) {
                throw UnreadableBench::strange($name);
            }
        }

        return new self($zip, self::judged(self::unpacked($zip, 'bench.json', self::MOST_DOCUMENT) ?? throw UnreadableBench::noDocument()));
    }

    /** @throws UnreadableBench */
    public function picture(string $name): string
    {
        return self::unpacked($this->zip, $name, self::MOST_PICTURE) ?? throw UnreadableBench::missingPicture($name);
    }

    /** @return list<array<string, mixed>> */
    public function records(string $name): array
    {
        $records = $this->document['records'] ?? [];
        $found = is_array($records) ? $records[$name] ?? [] : [];

        /** @var list<array<string, mixed>> $found judged by the schema */
        return $found;
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
            $part = fread($stream, 65_536);
            if ($part === false) {
                throw UnreadableBench::noZip();
            }
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
        try {
            $document = json_decode($json, false, self::DEEP, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw UnreadableBench::noJson(lcfirst($e->getMessage()));
        }
        if (! is_object($document) || ($document->format ?? null) !== Catalogue::FORMAT) {
            throw UnreadableBench::otherFormat();
        }
        if (is_int($document->version ?? null) && $document->version > Catalogue::VERSION) {
            throw UnreadableBench::newer($document->version);
        }
        $result = (new Validator)->validate($document, Schema::json());
        $error = $result->error();
        if ($error !== null) {
            $found = (new ErrorFormatter)->formatKeyed($error);
            $where = (string) array_key_first($found);
            $why = $found[$where] ?? [];
            throw UnreadableBench::invalid('bench.json, '.($where === '' ? 'at the top' : $where), is_array($why) && is_string($why[0] ?? null) ? $why[0] : 'not as the schema has it');
        }
        /** @var array<string, mixed> $plain */
        $plain = json_decode($json, true, self::DEEP, JSON_THROW_ON_ERROR);

        return $plain;
    }
}
