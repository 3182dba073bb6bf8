<?php

declare(strict_types=1);

namespace App\Adapters\Backup;

use RuntimeException;

/**
 * A backup that could not be made, or is none, or is damaged; nothing was changed.
 */
final class UnusableBackup extends RuntimeException
{
    public static function noBackup(string $path): self
    {
        return new self("{$path} is no backup of Hyalin, or it is cut off.");
    }

    public static function damaged(string $name): self
    {
        return new self("{$name} in it is damaged or missing: its checksum differs. Use another backup.");
    }

    public static function newer(string $migration): self
    {
        return new self("It was written by a newer Hyalin (its database knows \"{$migration}\"). Update this Hyalin first.");
    }

    public static function changes(string $file): self
    {
        return new self("{$file} went away each time it was to be copied. Try again.");
    }

    public static function cannotWrite(string $path): self
    {
        return new self("{$path} cannot be written: is there such a folder, and room on the disk?");
    }

    public static function pointsNowhere(string $table): self
    {
        return new self("The records of {$table} point to others that are not there. Nothing was restored.");
    }
}
