<?php

declare(strict_types=1);

namespace App\Adapters;

use Illuminate\Support\Facades\Storage;
use RuntimeException;

/**
 * A file that a record names, with all that was drawn or computed from it: those begin with its path.
 */
final class StoredFile
{
    /** Written beside and renamed: whoever reads it meanwhile reads the one there was, and a kill leaves that one. */
    public static function put(string $path, string $bytes): void
    {
        $disk = Storage::disk('local');
        $disk->put("{$path}.part", $bytes);
        $disk->move("{$path}.part", $path);
    }

    /** @param  string  $from  of a file on this machine, which may be large: it is not read into memory */
    public static function take(string $path, string $from): void
    {
        $in = fopen($from, 'r');
        $disk = Storage::disk('local');
        if ($in === false || ! $disk->put("{$path}.part", $in)) {
            throw new RuntimeException("{$path} cannot be written");
        }
        fclose($in);
        $disk->move("{$path}.part", $path);
    }

    public static function forget(string $path): void
    {
        $disk = Storage::disk('local');
        $disk->delete(array_values(array_filter($disk->files(dirname($path)), static fn (mixed $file): bool => is_string($file) && str_starts_with($file, $path))));
    }
}
