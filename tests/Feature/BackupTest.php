<?php

declare(strict_types=1);

namespace Tests\Feature;

use PDO;
use PHPUnit\Framework\TestCase as PlainTestCase;
use Symfony\Component\Process\Process;
use Tests\Support\ArtisanProcess;
use Tests\Support\SeededDemo;
use ZipArchive;

/**
 * An installation of its own, from the command line as its keeper sees it: backed up while it is written to, restored elsewhere
 * and over itself.
 */
final class BackupTest extends PlainTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/hyalin-backup-'.uniqid();
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function test_a_backup_is_all_there_is_and_comes_back_over_a_working_database(): void
    {
        SeededDemo::copyTo("{$this->folder}/one.sqlite", "{$this->folder}/one-files");
        // A photo of a swatch sheet, and its flattened picture.
        $database = new PDO("sqlite:{$this->folder}/one.sqlite");
        // As every installation has it from its first connection on: the copy may not, and changing it does not wait for who writes.
        $database->exec('pragma journal_mode = wal');
        $database->exec("insert into swatch_sheets (painter_id) values (1); insert into sheet_photos (sheet_id, path) values (1, 'pictures/SHEET.photo')");
        // One that failed, and one that a worker was at.
        $database->exec("insert into tasks (id, painter_id, kind, state, problem) values (901, 1, 'sheet', 'failed', 'No sheet.'), (902, 1, 'light', 'running', null); update sheet_photos set task_id = 901; update light_studies set task_id = 902 where id = 1");
        foreach (['SHEET.photo', 'SHEET.photo.flat.jpg'] as $file) {
            file_put_contents("{$this->folder}/one-files/pictures/{$file}", $file);
        }
        // Somebody works all the while.
        $busy = new Process(['php', '-r', '$d = new PDO("sqlite:".$argv[1]); $d->exec("pragma busy_timeout = 20000"); for ($n = 0; ; $n++) { $d->exec("update figures set about = \"$n\""); usleep(500); }', '--', "{$this->folder}/one.sqlite"]);
        $busy->start();
        $said = $this->artisan('one', 'hyalin:backup', "{$this->folder}/all.zip");
        self::assertStringContainsString('1 painters, 4 figures, 100 pots', $said);

        // Elsewhere, from nothing.
        touch("{$this->folder}/two.sqlite");
        $this->artisan('two', 'hyalin:restore', "{$this->folder}/all.zip");
        $this->artisan('two', 'hyalin:backup', "{$this->folder}/again.zip");
        [$first, $second] = [self::held("{$this->folder}/all.zip"), self::held("{$this->folder}/again.zip")];
        self::assertGreaterThan(40, count($first));
        self::assertArrayHasKey('files/pictures/SHEET.photo.flat.jpg', $second);
        self::assertSame(['tables/light_studies.jsonl', 'tables/tasks.jsonl'], array_keys(array_diff_assoc($first, $second)));
        self::assertSame(array_keys($first), array_keys($second));
        self::assertSame(['No sheet.'], array_column(self::rows("{$this->folder}/again.zip", 'tables/tasks.jsonl'), 'problem'));

        // Over itself, while it is written to: what was there is kept, no log of the old one is read into the new one.
        $said = $this->artisan('one', 'hyalin:restore', "{$this->folder}/all.zip", '--force');
        self::assertStringContainsString('Here now, and replaced by it: 1 painters', $said);
        $busy->stop(0);
        $database = new PDO("sqlite:{$this->folder}/one.sqlite");
        self::assertSame('ok', self::value($database, 'pragma integrity_check'));
        self::assertSame(100, self::value($database, 'select count(*) from paints'));
        self::assertCount(1, glob("{$this->folder}/one-backups/before-restore-*.zip") ?: []);

        // Every night one, and the oldest go.
        foreach ([1, 2, 3] as $n) {
            copy("{$this->folder}/all.zip", "{$this->folder}/one-backups/hyalin-2026-01-0{$n}-033000.zip");
        }
        $this->artisan('one', 'hyalin:backup', '--keep=2');
        $left = array_map(basename(...), glob("{$this->folder}/one-backups/hyalin-*.zip") ?: []);
        self::assertCount(2, $left);
        self::assertSame('hyalin-2026-01-03-033000.zip', $left[0]);

        // One byte of a pot is another: nothing is restored.
        $whole = (string) file_get_contents("{$this->folder}/all.zip");
        $at = intdiv(strlen($whole), 2);
        file_put_contents("{$this->folder}/bad.zip", substr_replace($whole, chr(ord($whole[$at]) ^ 1), $at, 1));
        file_put_contents("{$this->folder}/cut.zip", substr($whole, 0, $at));
        $later = new ZipArchive;
        copy("{$this->folder}/all.zip", "{$this->folder}/later.zip");
        $later->open("{$this->folder}/later.zip");
        $later->addFromString('backup.json', str_replace('"2026_11_25_000001_create_painters_and_queue"', '"2099_01_01_000001_later"', (string) $later->getFromName('backup.json')));
        $later->close();
        foreach (['bad.zip' => 'damaged', 'cut.zip' => 'no backup', 'none.zip' => 'no backup', 'later.zip' => 'newer Hyalin'] as $file => $words) {
            self::assertStringContainsString($words, $this->artisan('two', 'hyalin:restore', "{$this->folder}/{$file}", '--force', fails: true));
        }
        $this->artisan('two', 'hyalin:backup', "{$this->folder}/third.zip");
        self::assertSame($second, self::held("{$this->folder}/third.zip"));
        self::assertStringContainsString('cannot be written', $this->artisan('two', 'hyalin:backup', '/nowhere/x.zip', fails: true));
    }

    /** What an installation of the release of 2026-11-29 held is all there in this one, record by record and field by field. */
    public function test_the_installation_of_an_earlier_release_is_brought_up_to_this_one(): void
    {
        $before = dirname(__DIR__).'/data/installation-2026-11-29.zip';
        touch("{$this->folder}/old.sqlite");
        $this->artisan('old', 'hyalin:restore', $before);
        $this->artisan('old', 'hyalin:backup', "{$this->folder}/now.zip");
        $records = 0;
        $taken = [];
        foreach (array_filter(array_keys(self::held($before)), static fn (string $name): bool => str_starts_with($name, 'tables/')) as $table) {
            $now = self::rows("{$this->folder}/now.zip", $table);
            foreach (self::rows($before, $table) as $n => $row) {
                // What a step took is rows of their own now.
                if ($table === 'tables/run_steps.jsonl') {
                    foreach (is_string($row['taken_ml']) ? (array) json_decode($row['taken_ml'], true) : [] as $pot => $millilitres) {
                        $taken[] = [$row['id'], $pot, $millilitres];
                    }
                    unset($row['taken_ml']);
                }
                // Light is computed anew.
                if ($table !== 'tables/light_studies.jsonl') {
                    self::assertSame([], array_diff_key($row, $now[$n]), "{$table}, record {$n}");
                    self::assertSame($row, array_intersect_key($now[$n], $row), "{$table}, record {$n}");
                }
                $records++;
            }
        }
        self::assertSame($taken, array_map(static fn (array $row): array => [$row['run_step_id'] ?? null, $row['paint_id'] ?? null, $row['millilitres'] ?? null], self::rows("{$this->folder}/now.zip", 'tables/run_step_paints.jsonl')));
        self::assertGreaterThan(500, $records);
    }

    /** @return list<array<string, mixed>> */
    private static function rows(string $path, string $table): array
    {
        $zip = new ZipArchive;
        $zip->open($path);
        $rows = [];
        foreach (array_filter(explode("\n", (string) $zip->getFromName($table))) as $line) {
            $row = json_decode($line, true);
            assert(is_array($row));
            ksort($row);
            $rows[] = $row;
        }

        /** @var list<array<string, mixed>> $rows */
        return $rows;
    }

    private function artisan(string $installation, string $command, string|bool ...$arguments): string
    {
        $fails = ($arguments['fails'] ?? false) === true;
        [$code, $out, $error] = ArtisanProcess::run([$command, ...array_values(array_filter($arguments, is_string(...)))], '', [
            'APP_ENV' => 'production', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$this->folder}/{$installation}.sqlite", 'HYALIN_FILES' => "{$this->folder}/{$installation}-files",
            'HYALIN_BACKUPS' => "{$this->folder}/{$installation}-backups", 'LOG_CHANNEL' => 'null', 'HYALIN_DEMO' => 'true', 'HYALIN_DEMO_COARSER' => '4',
        ]);
        self::assertSame($fails ? 1 : 0, $code, "{$command}: {$out}{$error}");

        return $out.$error;
    }

    private static function value(PDO $database, string $query): mixed
    {
        $found = $database->query($query);

        return $found === false ? null : $found->fetchColumn();
    }

    /** @return array<string, string> hash of everything in a backup but its list, by name */
    private static function held(string $path): array
    {
        $zip = new ZipArchive;
        $zip->open($path);
        $held = [];
        for ($n = 0; $n < $zip->numFiles; $n++) {
            $name = (string) $zip->getNameIndex($n);
            $held[$name] = sha1((string) $zip->getFromIndex($n));
        }
        unset($held['backup.json']);
        ksort($held);

        return $held;
    }
}
