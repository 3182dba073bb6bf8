<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Facades\Storage;
use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * The demo as bin/demo seeds it, seeded once for all tests of a process: its database and its files.
 */
final class SeededDemo
{
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

    private static function seeded(): string
    {
        $folder = sys_get_temp_dir().'/hyalin-seeded-'.bin2hex(random_bytes(6));
        foreach (['app/private', 'framework/cache/data', 'framework/views', 'logs'] as $part) {
            mkdir("{$folder}/storage/{$part}", 0o700, true);
        }
        register_shutdown_function(static fn () => (new Process(['rm', '-rf', $folder]))->run());
        touch("{$folder}/database.sqlite");
        $env = ['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$folder}/database.sqlite", 'LARAVEL_STORAGE_PATH' => "{$folder}/storage"];
        (new Process([PHP_BINARY, 'artisan', 'migrate', '--force', '--seed', '--no-interaction'], dirname(__DIR__, 2), $env, null, 600))->mustRun();

        return $folder;
    }
}
