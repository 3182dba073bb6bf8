<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Facades\Storage;
use PDO;
use RuntimeException;
use Symfony\Component\Finder\Finder;
use Symfony\Component\Process\Process;

/**
 * The demo as bin/demo seeds it: its database and its files. Suites share one that is kept for an hour, or until something it is made of
 * changes; each process works from a copy of its own.
 */
final class SeededDemo
{
    /** Folders and files that decide what is seeded; phpunit.xml says how finely. */
    private const FROM = ['app', 'config', 'core', 'database/demo', 'database/factories', 'database/migrations', 'database/seeders', 'bin/php'];

    /** Days and drying times of the demo count from the moment of seeding. */
    private const SECONDS_KEPT = 3600;

    private static ?string $folder = null;

    /** Into a database file and a folder of files that are not there yet. */
    public static function copyTo(string $database, string $files): void
    {
        $folder = self::$folder ??= self::seeded();
        copy("{$folder}/database.sqlite", $database);
        (new Process(['cp', '-r', "{$folder}/storage/app/private", $files]))->mustRun();
    }

    /** In place of what is in the database in memory that a test works on, whose transaction is under way, and on its disk. */
    public static function open(): void
    {
        $folder = self::$folder ??= self::seeded();
        $demo = new PDO("sqlite:{$folder}/database.sqlite");
        DB::statement('pragma defer_foreign_keys = on');
        $tables = array_diff(Schema::getTableListing('main', false), ['migrations']);
        foreach ($tables as $table) {
            DB::table($table)->delete();
        }
        foreach ($tables as $table) {
            $all = $demo->query("select * from \"{$table}\"", PDO::FETCH_ASSOC) ?: throw new RuntimeException("{$table} cannot be read");
            foreach (array_chunk($all->fetchAll(), 100) as $rows) {
                DB::table($table)->insert($rows);
            }
        }
        (new Process(['cp', '-r', "{$folder}/storage/app/private/.", Storage::disk('local')->path('')]))->mustRun();
    }

    /** @return string a folder of this process; the first process that asks seeds, the others wait for it */
    private static function seeded(): string
    {
        $root = dirname(__DIR__, 2);
        $all = "{$root}/storage/framework/testing/seeded";
        if (! is_dir($all)) {
            mkdir($all, 0o700, true);
        }
        $lock = fopen("{$all}/lock", 'c') ?: throw new RuntimeException("{$all} cannot be written");
        flock($lock, LOCK_EX);
        $kept = "{$all}/".self::key($root);
        if (! is_dir($kept) || filemtime($kept) < time() - self::SECONDS_KEPT) {
            (new Process(['find', $all, '-mindepth', '1', '-maxdepth', '1', '-type', 'd', '-exec', 'rm', '-rf', '{}', '+']))->mustRun();
            self::seed($root, "{$kept}.part");
            rename("{$kept}.part", $kept);
        }
        $own = sys_get_temp_dir().'/hyalin-seeded-'.bin2hex(random_bytes(6));
        register_shutdown_function(static fn () => (new Process(['rm', '-rf', $own]))->run());
        (new Process(['cp', '-r', $kept, $own]))->mustRun();
        fclose($lock);

        return $own;
    }

    private static function key(string $root): string
    {
        $hash = hash_init('xxh3');
        $files = Finder::create()->files()->in(array_map(static fn (string $from): string => "{$root}/{$from}", self::FROM))->append(["{$root}/phpunit.xml", "{$root}/bootstrap/app.php"])->sortByName();
        foreach ($files as $file) {
            hash_update($hash, $file->getPathname());
            hash_update_file($hash, $file->getPathname());
        }

        return hash_final($hash);
    }

    private static function seed(string $root, string $folder): void
    {
        foreach (['app/private', 'framework/cache/data', 'framework/views', 'logs'] as $part) {
            mkdir("{$folder}/storage/{$part}", 0o700, true);
        }
        touch("{$folder}/database.sqlite");
        // The queue works at once: figures are sculpted and lit here, not by the worker of each test.
        $env = ['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$folder}/database.sqlite", 'LARAVEL_STORAGE_PATH' => "{$folder}/storage", 'QUEUE_CONNECTION' => 'sync'];
        (new Process([PHP_BINARY, 'artisan', 'migrate', '--force', '--seed', '--no-interaction'], $root, $env, null, 600))->mustRun();
        // Without a write-ahead log beside it, the file alone is the database.
        (new PDO("sqlite:{$folder}/database.sqlite"))->exec('pragma journal_mode = delete');
    }
}
