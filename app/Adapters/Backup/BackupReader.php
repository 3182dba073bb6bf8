<?php

declare(strict_types=1);

namespace App\Adapters\Backup;

use Generator;
use Illuminate\Support\Facades\Storage;
use RuntimeException;
use ZipArchive;

/**
 * A backup, every byte of it checked when it is opened.
 */
final readonly class BackupReader
{
    /**
     * @param  array{written: string, migrations: list<string>, tables: array<string, array{rows: int, sha256: string}>, files: array<string, array{sha256: string, bytes: int}>}  $manifest
     */
    private function __construct(private ZipArchive $zip, private array $manifest)
    {
    }

    /** @throws UnusableBackup saying what is wrong with it */
    public static function open(string $path): self
    {
        $zip = new ZipArchive;
        if (! is_file($path) || $zip->open($path, ZipArchive::RDONLY) !== true) {
            throw UnusableBackup::noBackup($path);
        }
        $manifest = json_decode((string) $zip->getFromName('backup.json'), true);
        if (! is_array($manifest) || ($manifest['format'] ?? null) !== BackupWriter::FORMAT || ($manifest['version'] ?? null) !== BackupWriter::VERSION
            || ! is_array($manifest['tables'] ?? null) || ! is_array($manifest['files'] ?? null) || ! is_array($manifest['migrations'] ?? null)) {
            throw UnusableBackup::noBackup($path);
        }
        $known = array_map(static fn (string $file): string => basename($file, '.php'), glob(database_path('migrations/*.php')) ?: []);
        foreach ($manifest['migrations'] as $migration) {
            if (! in_array($migration, $known, true)) {
                throw UnusableBackup::newer(is_string($migration) ? $migration : '?');
            }
        }
        /** @var array{written: string, migrations: list<string>, tables: array<string, array{rows: int, sha256: string}>, files: array<string, array{sha256: string, bytes: int}>} $manifest written by us, its contents checked below */
        $reader = new self($zip, $manifest);
        foreach ($manifest['tables'] as $table => $of) {
            $reader->check("tables/{$table}.jsonl", $of['sha256']);
        }
        foreach ($manifest['files'] as $file => $of) {
            if (preg_match('~^(pictures|meshes)/[\w. -]+\z~', $file) !== 1) {
                throw UnusableBackup::damaged($file);
            }
            $reader->check("files/{$file}", $of['sha256']);
        }

        return $reader;
    }

    /** @return string UTC */
    public function written(): string
    {
        return $this->manifest['written'];
    }

    /** @return list<string> that its database had seen */
    public function migrations(): array
    {
        return $this->manifest['migrations'];
    }

    /** @return array<string, int> by table */
    public function rows(): array
    {
        return array_map(static fn (array $table): int => $table['rows'], $this->manifest['tables']);
    }

    /** @return list<string> */
    public function files(): array
    {
        return array_keys($this->manifest['files']);
    }

    /** @return Generator<int, array<string, mixed>> */
    public function records(string $table): Generator
    {
        $stream = $this->stream("tables/{$table}.jsonl");
        while (($line = fgets($stream)) !== false) {
            /** @var array<string, mixed> $row written by us */
            $row = json_decode($line, true, 8, JSON_THROW_ON_ERROR);
            yield array_map(static fn (mixed $value): mixed => is_array($value) ? base64_decode(is_string($value['base64'] ?? null) ? $value['base64'] : '', true) : $value, $row);
        }
        fclose($stream);
    }

    /** Writes its pictures and print files where they belong; what is there already under the same name is the same. */
    public function putFiles(): void
    {
        $disk = Storage::disk('local');
        foreach ($this->manifest['files'] as $file => $of) {
            if (! $disk->exists($file) || $disk->size($file) !== $of['bytes']) {
                $disk->writeStream("{$file}.part", $this->stream("files/{$file}"));
                $disk->move("{$file}.part", $file);
            }
        }
    }

    private function check(string $name, string $sha256): void
    {
        $hash = hash_init('sha256');
        $stream = $this->zip->getStream($name);
        if ($stream === false) {
            throw UnusableBackup::damaged($name);
        }
        while (! feof($stream)) {
            $part = @fread($stream, 1_048_576);
            if ($part === false) {
                throw UnusableBackup::damaged($name);
            }
            hash_update($hash, $part);
        }
        fclose($stream);
        if (! hash_equals($sha256, hash_final($hash))) {
            throw UnusableBackup::damaged($name);
        }
    }

    /** @return resource */
    private function stream(string $name)
    {
        return $this->zip->getStream($name) ?: throw new RuntimeException("{$name} was there when it was checked");
    }
}
