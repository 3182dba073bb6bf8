<?php

declare(strict_types=1);

namespace Tests\Siege;

use App\Adapters\BenchFile\BenchWriter;
use App\Http\Controllers\SignInController;
use App\Models\Painter;
use Illuminate\Http\UploadedFile;
use stdClass;
use ZipArchive;

/**
 * Bench files with one thing wrong: refused, or taken in so that every page stands.
 */
final class BenchFilesTest extends Siege
{
    public function test_no_bench_file_brings_a_page_down(): void
    {
        $this->openDemo();
        $ines = Painter::query()->where('email', SignInController::DEMO_EMAIL)->sole();
        $path = (string) tempnam(sys_get_temp_dir(), 'siege');
        BenchWriter::write($path, $ines, $ines->figures()->firstOrFail());
        [$json, $entries] = self::slim($path);
        self::zipped($path, $json, $entries);
        $this->post('/bench', ['bench' => new UploadedFile($path, 'bench.zip', 'application/zip', null, true)], ['Accept' => 'application/json'])->assertCreated();
        $this->assertPagesStand($this->painter, 'a whole bench file');
        $this->painter->figures()->get()->each->delete();
        for ($n = $this->times(20); $n > 0; $n--) {
            $document = json_decode($json);
            $what = $this->spoil($document);
            $this->throwIn($path, (string) json_encode($document, JSON_PRESERVE_ZERO_FRACTION | JSON_PARTIAL_OUTPUT_ON_ERROR), $entries, $what);
        }
        for ($n = $this->times(10); $n > 0; $n--) {
            $this->throwIn($path, $this->mutated($json), $entries, 'a document with other bytes');
        }
        self::zipped($path, $json, $entries);
        $whole = (string) file_get_contents($path);
        for ($n = $this->times(10); $n > 0; $n--) {
            file_put_contents($path, $this->mutated($whole));
            $this->send($path, 'a zip with other bytes');
        }
        unlink($path);
    }

    /** @param  array<string, string>  $entries */
    private function throwIn(string $path, string $json, array $entries, string $what): void
    {
        self::zipped($path, $json, $entries);
        $this->send($path, $what);
    }

    private function send(string $path, string $what): void
    {
        $this->survives(
            $what,
            fn () => $this->post('/bench', ['bench' => new UploadedFile($path, 'bench.zip', 'application/zip', null, true)], ['Accept' => 'application/json']),
            fn () => $this->assertPagesStand($this->painter, $what),
        );
    }

    /**
     * Small pictures and no print files, so that each try takes moments.
     *
     * @return array{string, array<string, string>}
     */
    private static function slim(string $path): array
    {
        $zip = new ZipArchive;
        $zip->open($path);
        $json = (string) $zip->getFromName('bench.json');
        $image = imagecreatetruecolor(24, 24);
        imagefilledrectangle($image, 0, 0, 11, 23, 0xA07840);
        ob_start();
        imagepng($image);
        $png = (string) ob_get_clean();
        $entries = [];
        for ($n = 0; $n < $zip->numFiles; $n++) {
            $name = (string) $zip->getNameIndex($n);
            if (str_ends_with($name, '.png')) {
                $entries[$name] = $png;
            }
        }
        $zip->close();
        $document = json_decode($json);
        assert($document instanceof stdClass && $document->records instanceof stdClass);
        $document->records->meshes = [];

        return [(string) json_encode($document, JSON_PRESERVE_ZERO_FRACTION), $entries];
    }

    /** @param  array<string, string>  $entries */
    private static function zipped(string $path, string $json, array $entries): void
    {
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        $zip->addFromString('bench.json', $json);
        foreach ($entries as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();
    }

    /** @return string what was done */
    private function spoil(mixed &$node, string $where = ''): string
    {
        if ((is_array($node) || $node instanceof stdClass) && (array) $node !== [] && ($where === '' || $this->dice->getInt(0, 9) > 0)) {
            $key = $this->pick(array_keys((array) $node));
            if (is_array($node)) {
                return $this->spoil($node[$key], "{$where}/{$key}");
            }

            return $this->spoil($node->{$key}, "{$where}/{$key}");
        }
        $old = $node;
        $node = match (true) {
            is_string($old) && preg_match('/^\d{4}-/', $old) === 1 => $this->pick(['9999-99-99T99:99:99Z', '0000-00-00T00:00:00Z', '9999-12-31T23:59:59Z', '1969-01-01', 'soon', $old]),
            is_string($old) => $this->pick(['', ' ', str_repeat('x', 255), str_repeat('x', 4000), "\u{202E}\u{0}", "O'Brien \"x\" <b>", '0', '-1', '#zzzzzz', 'null']),
            is_int($old) => $this->pick([0, -1, 1, 2, $old + 1, $old * 1000, PHP_INT_MAX, PHP_INT_MIN, 0.5, null, '1']),
            is_float($old) => $this->pick([0.0, -1.0, 1e-12, 1e12, 1e308, $old * 1000, null, -0.0]),
            is_bool($old) => $this->pick([! $old, null, 0]),
            $old === null => $this->pick([0, 1, 1.5, '', 'x', [], new stdClass]),
            is_array($old) => $this->pick([[], [null], [...$old, ...$old], array_slice($old, 1), array_reverse($old), null]),
            default => $this->pick([new stdClass, [], null]),
        };

        return "{$where}: ".substr((string) json_encode($old), 0, 60).' became '.substr((string) json_encode($node), 0, 60);
    }
}
