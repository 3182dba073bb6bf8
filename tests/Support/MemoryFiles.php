<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Filesystem\FilesystemAdapter as Disk;
use League\Flysystem\Config;
use League\Flysystem\FileAttributes;
use League\Flysystem\Filesystem;
use League\Flysystem\FilesystemAdapter;
use League\Flysystem\UnableToReadFile;

/**
 * Files that are in no folder, as on a disk elsewhere: there is no name to open them by.
 */
final class MemoryFiles implements FilesystemAdapter
{
    /** @var array<string, string> */
    private array $files = [];

    public static function disk(): Disk
    {
        $files = new self;

        return new Disk(new Filesystem($files), $files, ['throw' => true]);
    }

    public function fileExists(string $path): bool
    {
        return isset($this->files[$path]);
    }

    public function directoryExists(string $path): bool
    {
        return array_filter(array_keys($this->files), static fn (string $file): bool => str_starts_with($file, "{$path}/")) !== [];
    }

    public function write(string $path, string $contents, Config $config): void
    {
        $this->files[$path] = $contents;
    }

    public function writeStream(string $path, $contents, Config $config): void
    {
        $this->files[$path] = (string) stream_get_contents($contents);
    }

    public function read(string $path): string
    {
        return $this->files[$path] ?? throw UnableToReadFile::fromLocation($path);
    }

    public function readStream(string $path)
    {
        $stream = fopen('php://memory', 'r+b') ?: throw UnableToReadFile::fromLocation($path);
        fwrite($stream, $this->read($path));
        rewind($stream);

        return $stream;
    }

    public function delete(string $path): void
    {
        unset($this->files[$path]);
    }

    public function deleteDirectory(string $path): void
    {
        $this->files = array_filter($this->files, static fn (string $file): bool => ! str_starts_with($file, "{$path}/"), ARRAY_FILTER_USE_KEY);
    }

    public function createDirectory(string $path, Config $config): void
    {
    }

    public function setVisibility(string $path, string $visibility): void
    {
    }

    public function visibility(string $path): FileAttributes
    {
        return new FileAttributes($path, visibility: 'private');
    }

    public function mimeType(string $path): FileAttributes
    {
        return new FileAttributes($path, mimeType: 'application/octet-stream');
    }

    public function lastModified(string $path): FileAttributes
    {
        return new FileAttributes($path, lastModified: 0);
    }

    public function fileSize(string $path): FileAttributes
    {
        return new FileAttributes($path, strlen($this->read($path)));
    }

    public function listContents(string $path, bool $deep): iterable
    {
        foreach ($this->files as $file => $_) {
            if ($path === '' || str_starts_with($file, "{$path}/")) {
                $rest = $path === '' ? $file : substr($file, strlen($path) + 1);
                if ($deep || ! str_contains($rest, '/')) {
                    yield new FileAttributes($file);
                }
            }
        }
    }

    public function move(string $source, string $destination, Config $config): void
    {
        $this->copy($source, $destination, $config);
        $this->delete($source);
    }

    public function copy(string $source, string $destination, Config $config): void
    {
        $this->files[$destination] = $this->read($source);
    }
}
