<?php

declare(strict_types=1);

namespace App\Adapters\Backup;

use App\Adapters\BenchFile\Catalogue;
use App\Adapters\BenchFile\FieldKind;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use ZipArchive;

/**
 * Everything of an installation in one zip, while it works: every table as it was at one moment, a line of JSON a record, and
 * the pictures and print files that they name. It is read again and checked before it is called done.
 */
final class BackupWriter
{
    public const FORMAT = 'hyalin-backup';

    public const VERSION = 1;

    /** Pictures and print files; what was computed of them is computed again. */
    private const FOLDERS = ['pictures', 'meshes'];

    private const TRIES = 3;

    /** @var list<string> files that the zip is made of */
    private array $scratch = [];

    private function __construct(private readonly Connection $database, private readonly Filesystem $disk)
    {
    }

    /**
     * @return array{tables: array<string, int>, files: int, bytes: int} what is in it
     *
     * @throws UnusableBackup
     */
    public static function write(string $path): array
    {
        $part = "{$path}.part";
        for ($try = 1; ; $try++) {
            $writer = new self(self::snapshot(), Storage::disk('local'));
            try {
                $writer->into($part);
                break;
            } catch (UnusableBackup $e) {
                // A figure was deleted meanwhile: the next moment is one without it.
                if ($try === self::TRIES) {
                    throw $e;
                }
            } finally {
                $writer->end();
            }
        }
        $checked = BackupReader::open($part);
        rename($part, $path);

        return ['tables' => $checked->rows(), 'files' => count($checked->files()), 'bytes' => (int) filesize($path)];
    }

    private function into(string $part): void
    {
        $zip = new ZipArchive;
        if ($zip->open($part, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw UnusableBackup::cannotWrite($part);
        }
        $tables = $files = [];
        foreach (array_keys(Tables::of($this->database)) as $table) {
            $tables[$table] = $this->table($zip, $table);
        }
        foreach ($this->kept() as $file) {
            $scratch = $this->scratch();
            $in = $this->disk->exists($file) ? $this->disk->readStream($file) : null;
            if ($in === null) {
                throw UnusableBackup::changes($file);
            }
            file_put_contents($scratch, $in);
            $zip->addFile($scratch, "files/{$file}");
            // They are packed already.
            $zip->setCompressionName("files/{$file}", ZipArchive::CM_STORE);
            $files[$file] = ['sha256' => hash_file('sha256', $scratch), 'bytes' => filesize($scratch)];
        }
        $zip->addFromString('backup.json', json_encode([
            'format' => self::FORMAT, 'version' => self::VERSION, 'written' => gmdate('Y-m-d\TH:i:s\Z'),
            'migrations' => $this->database->table('migrations')->orderBy('migration')->pluck('migration'), 'tables' => $tables, 'files' => (object) $files,
        ], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
        if (! @$zip->close()) {
            throw UnusableBackup::cannotWrite($part);
        }
    }

    /** @return array{rows: int, sha256: string|false} */
    private function table(ZipArchive $zip, string $table): array
    {
        $scratch = $this->scratch();
        $out = fopen($scratch, 'w') ?: throw UnusableBackup::cannotWrite($scratch);
        $rows = 0;
        $first = $this->database->getSchemaBuilder()->getColumnListing($table)[0];
        foreach ($this->database->table($table)->orderBy($first)->cursor() as $row) {
            fwrite($out, json_encode(array_map(self::value(...), (array) $row), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR)."\n");
            $rows++;
        }
        fclose($out);
        $zip->addFile($scratch, "tables/{$table}.jsonl");

        return ['rows' => $rows, 'sha256' => hash_file('sha256', $scratch)];
    }

    private static function value(mixed $value): mixed
    {
        return is_string($value) && ! mb_check_encoding($value, 'UTF-8') ? ['base64' => base64_encode($value)] : $value;
    }

    /** @return list<string> files that the records name, with those that belong to them */
    private function kept(): array
    {
        $named = [];
        foreach (Catalogue::all() as $type) {
            foreach ($type->fields as $field) {
                if ($field->kind === FieldKind::File || $field->kind === FieldKind::Print) {
                    $named = [...$named, ...$this->database->table($type->table)->whereNotNull($field->column)->pluck($field->column)->all()];
                }
            }
        }
        // What a bench file leaves out: the print files as they came of which something is left out or that were pulled apart, and photos of swatch sheets.
        foreach ([['meshes', 'whole_path'], ['meshes', 'apart_path'], ['meshes', 'apart_whole_path'], ['sheet_photos', 'path']] as [$table, $column]) {
            $named = [...$named, ...$this->database->table($table)->whereNotNull($column)->pluck($column)->all()];
        }
        $named = array_filter($named, is_string(...));
        $all = [];
        foreach (self::FOLDERS as $folder) {
            foreach ($this->disk->allFiles($folder) as $file) {
                $all[explode('.', $file)[0]][] = $file;
            }
        }
        $kept = [];
        foreach (array_unique($named) as $path) {
            array_push($kept, ...$all[explode('.', $path)[0]] ?? throw UnusableBackup::changes($path));
        }

        return $kept;
    }

    private function scratch(): string
    {
        return $this->scratch[] = (string) tempnam(sys_get_temp_dir(), 'backup');
    }

    /** One moment of the database, while others write. */
    private static function snapshot(): Connection
    {
        $default = config()->string('database.default');
        $config = config()->array("database.connections.{$default}");
        // What lies in memory has one connection only, and nobody else writes there.
        if (($config['database'] ?? '') === ':memory:') {
            return DB::connection();
        }
        config(['database.connections.snapshot' => [...$config, 'transaction_mode' => 'DEFERRED']]);
        $database = DB::connection('snapshot');
        $database->beginTransaction();
        if ($database->getDriverName() === 'pgsql') {
            $database->statement('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
        }

        return $database;
    }

    private function end(): void
    {
        array_map(unlink(...), $this->scratch);
        if ($this->database->getName() === 'snapshot') {
            $this->database->rollBack();
            DB::purge('snapshot');
        }
    }
}
