<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Facades\Storage;
use PDO;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use RuntimeException;
use SplFileInfo;
use Symfony\Component\Process\Process;

/**
 * The demo as bin/demo seeds it: its database and its files, seeded once for all suites, until something it is made of has changed or an hour is over.
 */
final class SeededDemo
{
    /** What a seeded demo is made of, and what tests have it made with (phpunit.xml). */
    private const FROM = ['app', 'bootstrap/app.php', 'config', 'core', 'database/demo', 'database/factories', 'database/migrations', 'database/seeders', 'phpunit.xml', 'bin/php'];

    /** Its days and drying times count from the moment of seeding. */
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

    /** Seeded by the first that asks; who asks meanwhile waits. */
    private static function seeded(): string
    {
        $root = dirname(__DIR__, 2);
        $all = "{$root}/storage/framework/testing/seeded";
        if (! is_dir($all)) {
            mkdir($all, 0o700, true);
        }
        $lock = fopen("{$all}/lock", 'c') ?: throw new RuntimeException("{$all} cannot be written");
        flock($lock, LOCK_EX);
        $folder = "{$all}/".self::key($root);
        if (! is_dir($folder) || filemtime($folder) < time() - self::SECONDS_KEPT) {
            (new Process(['find', $all, '-mindepth', '1', '-maxdepth', '1', '-type', 'd', '-exec', 'rm', '-rf', '{}', '+']))->mustRun();
            self::seed($root, "{$folder}.part");
            rename("{$folder}.part", $folder);
        }
        fclose($lock);

        return $folder;
    }

    private static function key(string $root): string
    {
        $hash = hash_init('xxh3');
        foreach (self::FROM as $from) {
            $files = is_dir("{$root}/{$from}") ? iterator_to_array(new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$from}", RecursiveDirectoryIterator::SKIP_DOTS)), false) : [new SplFileInfo("{$root}/{$from}")];
            $paths = array_map(static fn (SplFileInfo $file): string => $file->getPathname(), array_filter($files, static fn (mixed $file): bool => $file instanceof SplFileInfo && $file->isFile()));
            sort($paths);
            foreach ($paths as $path) {
                hash_update($hash, $path);
                hash_update_file($hash, $path);
            }
        }

        return hash_final($hash);
    }

    private static function seed(string $root, string $folder): void
    {
        foreach (['app/private', 'framework/cache/data', 'framework/views', 'logs'] as $part) {
            mkdir("{$folder}/storage/{$part}", 0o700, true);
        }
        touch("{$folder}/database.sqlite");
        // Sculpted and lit with it: no worker of a test has to.
        $env = ['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$folder}/database.sqlite", 'LARAVEL_STORAGE_PATH' => "{$folder}/storage", 'QUEUE_CONNECTION' => 'sync'];
        (new Process([PHP_BINARY, 'artisan', 'migrate', '--force', '--seed', '--no-interaction'], $root, $env, null, 600))->mustRun();
        // All of it in one file.
        (new PDO("sqlite:{$folder}/database.sqlite"))->exec('pragma journal_mode = delete');
    }
}
