<?php

declare(strict_types=1);

namespace App\Adapters\Backup;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use SQLite3;

/**
 * An installation as a backup has it. A database is built beside the one there is, brought up to this version and checked; only
 * then it takes its place, through the database itself and never by moving files about: a log of the old one would be read
 * into the new one.
 */
final class Restoration
{
    private const CONNECTION = 'restored';

    private const AT_ONCE = 200;

    /** @throws UnusableBackup and everything is as it was */
    public static function of(BackupReader $backup): void
    {
        $default = config()->string('database.default');
        $config = config()->array("database.connections.{$default}");
        $backup->putFiles();
        if (DB::connection()->getDriverName() === 'pgsql') {
            DB::transaction(static function () use ($backup, $default): void {
                DB::connection()->getSchemaBuilder()->dropAllTables();
                self::fill($backup, $default);
            });

            return;
        }
        $path = is_string($config['database'] ?? null) ? $config['database'] : '';
        $beside = "{$path}.restored";
        self::clear($beside);
        touch($beside);
        config(['database.connections.'.self::CONNECTION => [...$config, 'database' => $beside, 'journal_mode' => 'delete']]);
        try {
            self::fill($backup, self::CONNECTION);
            DB::purge(self::CONNECTION);
            DB::purge($default);
            $from = new SQLite3($beside);
            $to = new SQLite3($path);
            $to->busyTimeout(60_000);
            if (! $from->backup($to)) {
                throw UnusableBackup::cannotWrite($path);
            }
            $from->close();
            $to->close();
        } finally {
            DB::purge(self::CONNECTION);
            self::clear($beside);
        }
    }

    private static function fill(BackupReader $backup, string $connection): void
    {
        // First as the version that wrote it knew the tables, then what came since: a migration may move what is in them.
        self::migrate($connection, array_map(static fn (string $name): string => database_path("migrations/{$name}.php"), $backup->migrations()));
        $database = DB::connection($connection);
        $database->transaction(static function () use ($backup, $database): void {
            foreach (Tables::of($database) as $table => $later) {
                self::table($backup, $database, $table, $later);
            }
            self::references($backup, $database);
            // Light is computed where it is looked at.
            $database->table('light_studies')->update(['path' => null, 'result' => null, 'of' => null]);
            $database->table('mesh_uploads')->delete();
            self::dropUnfinished($database);
        });
        self::migrate($connection, []);
        if ($database->getDriverName() === 'sqlite') {
            foreach ($database->select('PRAGMA foreign_key_check') as $wrong) {
                throw UnusableBackup::pointsNowhere(is_object($wrong) && isset($wrong->table) && is_string($wrong->table) ? $wrong->table : '?');
            }
        }
    }

    /** A waiting task has no job here, and files sent ahead are in no backup. Results of tasks and reasons of failure stay. */
    private static function dropUnfinished(Connection $database): void
    {
        $schema = $database->getSchemaBuilder();
        if ($schema->hasTable('incoming_files')) {
            $database->table('incoming_files')->delete();
        }
        if (! $schema->hasTable('tasks')) {
            return;
        }
        $gone = $database->table('tasks')->whereIn('state', ['waiting', 'running'])->orWhereIn('kind', ['bench', 'picture'])->pluck('id')->all();
        foreach (['light_studies', 'mesh_uploads', 'sheet_photos', 'shelf_imports'] as $record) {
            if ($schema->hasColumn($record, 'task_id')) {
                $database->table($record)->whereIn('task_id', $gone)->update(['task_id' => null]);
            }
        }
        $database->table('tasks')->whereIn('id', $gone)->delete();
    }

    /** @param  list<string>  $later  columns that refer to what is not there yet */
    private static function table(BackupReader $backup, Connection $database, string $table, array $later): void
    {
        $rows = [];
        foreach (isset($backup->rows()[$table]) ? $backup->records($table) : [] as $row) {
            $rows[] = [...$row, ...array_intersect_key(array_fill_keys($later, null), $row)];
            if (count($rows) === self::AT_ONCE) {
                $database->table($table)->insert($rows);
                $rows = [];
            }
        }
        $database->table($table)->insert($rows);
        if ($database->getDriverName() === 'pgsql' && $database->getSchemaBuilder()->hasColumn($table, 'id')) {
            $database->statement("select setval(pg_get_serial_sequence('{$table}', 'id'), (select coalesce(max(id), 1) from {$table}))");
        }
    }

    private static function references(BackupReader $backup, Connection $database): void
    {
        foreach (Tables::of($database) as $table => $later) {
            foreach ($later === [] || ! isset($backup->rows()[$table]) ? [] : $backup->records($table) as $row) {
                $values = array_filter(array_intersect_key($row, array_flip($later)), static fn (mixed $to): bool => $to !== null);
                if ($values !== []) {
                    $database->table($table)->where('id', $row['id'])->update($values);
                }
            }
        }
    }

    /** @param  list<string>  $files  none for all */
    private static function migrate(string $connection, array $files): void
    {
        Artisan::call('migrate', ['--database' => $connection, '--force' => true, ...$files === [] ? [] : ['--path' => $files, '--realpath' => true]]);
    }

    private static function clear(string $path): void
    {
        foreach (['', '-wal', '-shm', '-journal'] as $end) {
            if (is_file($path.$end)) {
                unlink($path.$end);
            }
        }
    }
}
