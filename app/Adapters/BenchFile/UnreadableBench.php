<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use RuntimeException;

/**
 * A bench file that cannot be taken in: where and why, in plain words. Nothing of it was kept.
 */
final class UnreadableBench extends RuntimeException
{
    public static function noZip(): self
    {
        return new self('This is not a zip file, or it is damaged.');
    }

    public static function damaged(string $name): self
    {
        return new self("{$name} is damaged: its bytes do not unpack. Export the file again.");
    }

    public static function noDocument(): self
    {
        return new self('The zip holds no bench.json: it was not written by Hyalin, or it was repacked inside a folder.');
    }

    public static function tooMany(int $found, int $most): self
    {
        return new self("The zip holds {$found} files; at most {$most} are allowed.");
    }

    public static function tooManyRecords(int $records, int $lists): self
    {
        return new self("bench.json holds more than {$records} records or {$lists} lists: export figures one by one instead.");
    }

    public static function tooLarge(string $name, int $most): self
    {
        return new self(sprintf('%s is larger than %d MB when unpacked.', $name, intdiv($most, 1024 * 1024)));
    }

    public static function strange(string $name): self
    {
        return new self("The zip holds \"{$name}\"; only bench.json, pictures/1.png, stills/1.png, meshes/1.stl and so on are allowed in it.");
    }

    public static function noChoice(string $name): self
    {
        return new self("{$name} does not hold runs of triangles with their areas.");
    }

    public static function badPrint(string $name, string $why): self
    {
        return new self("{$name}: {$why}.");
    }

    public static function noJson(string $why): self
    {
        return new self("bench.json is not JSON: {$why}.");
    }

    public static function otherFormat(): self
    {
        return new self('bench.json does not say that it is a Hyalin bench ("format": "'.Catalogue::FORMAT.'").');
    }

    public static function newer(int $version): self
    {
        return new self("This file was written by a newer Hyalin (format version {$version}; this one reads up to ".Catalogue::VERSION.'). Update this Hyalin first.');
    }

    public static function invalid(string $where, string $why): self
    {
        return new self("{$where}: {$why}");
    }

    public static function pointsNowhere(string $where, int $number, string $to): self
    {
        return new self("{$where} points to number {$number} of {$to}, and there is none.");
    }

    public static function contradicts(string $where): self
    {
        return new self("{$where} contradicts another record of the file: there are two where only one is allowed.");
    }

    public static function missingPicture(string $name): self
    {
        return new self("{$name} is named in bench.json but missing from the zip.");
    }

    public static function badPicture(string $name, string $why): self
    {
        return new self("{$name}: {$why}");
    }
}
