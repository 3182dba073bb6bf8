<?php

declare(strict_types=1);

namespace App\Adapters;

use Illuminate\Support\Facades\Storage;
use League\Flysystem\UnableToWriteFile;
use RuntimeException;

/**
 * A file that a record names, with all that was drawn or computed from it: those begin with its path.
 */
final class StoredFile
{
    /** Writes the file beside the old one and renames it. Readers meanwhile, and a kill, find the old file whole. */
    public static function put(string $path, string $bytes): void
    {
        self::beside($path, static fn (string $part): bool => Storage::disk('local')->put($part, $bytes) !== false);
    }

    /** @param  string  $from  of a file on this machine, which may be large: it is not read into memory */
    public static function take(string $path, string $from): void
    {
        $in = fopen($from, 'r');
        if ($in === false) {
            throw new RuntimeException("{$from} cannot be read");
        }
        try {
            self::beside($path, static fn (string $part): bool => Storage::disk('local')->put($part, $in) !== false);
        } finally {
            fclose($in);
        }
    }

    /** @param  callable(string): bool  $write  to that path; what it has begun is gone when it fails */
    private static function beside(string $path, callable $write): void
    {
        $disk = Storage::disk('local');
        $isWhole = false;
        try {
            $isWhole = $write("{$path}.part");
        } finally {
            if (! $isWhole) {
                $disk->delete("{$path}.part");
            }
        }
        if (! $isWhole) {
            throw UnableToWriteFile::atLocation($path);
        }
        $disk->move("{$path}.part", $path);
    }

    public static function forget(string $path): void
    {
        $disk = Storage::disk('local');
        $disk->delete(array_values(array_filter($disk->files(dirname($path)), static fn (mixed $file): bool => is_string($file) && str_starts_with($file, $path))));
    }
}
