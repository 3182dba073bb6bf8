<?php

declare(strict_types=1);

namespace App\Adapters;

use Illuminate\Support\Facades\Storage;

/**
 * A file that a record names, with all that was drawn or computed from it: those begin with its path.
 */
final class StoredFile
{
    public static function forget(string $path): void
    {
        $disk = Storage::disk('local');
        $disk->delete(array_values(array_filter($disk->files(dirname($path)), static fn (mixed $file): bool => is_string($file) && str_starts_with($file, $path))));
    }
}
