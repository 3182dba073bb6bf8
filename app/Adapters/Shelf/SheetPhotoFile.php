<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use GdImage;
use Hyalin\Colour\Srgb;
use Hyalin\Sheet\Box;
use Hyalin\Sheet\Photo;
use Hyalin\Sheet\SheetLayout;
use Hyalin\Sheet\SheetReading;

/**
 * The file of a photo, decoded at its full size: a field of a sheet is a few dozen pixels across.
 */
final class SheetPhotoFile
{
    /** Longer side of the copy that a sheet is looked for in. */
    private const SMALL = 1600;

    /** Pixels to a millimetre of the flattened sheet, at most. */
    private const FLAT = 4;

    /** The light is followed from tile to tile, mm. */
    private const TILE = 12.0;

    private const LIGHTS = 4095;

    private const QUALITY = 85;

    /**
     * @param  string  $bytes  JPEG, PNG or WebP
     *
     * @throws UnreadablePicture naming what is wrong and what is allowed
     */
    public static function decode(string $bytes): GdImage
    {
        return PictureIntake::whole($bytes);
    }

    /** @return array{Photo, Photo} the picture, and a small copy of it */
    public static function photos(GdImage $image): array
    {
        [$width, $height] = [imagesx($image), imagesy($image)];
        $scale = min(1.0, self::SMALL / max($width, $height));
        [$smallWidth, $smallHeight] = [max(1, (int) round($scale * $width)), max(1, (int) round($scale * $height))];
        $small = imagecreatetruecolor($smallWidth, $smallHeight);
        imagecopyresampled($small, $image, 0, 0, 0, 0, $smallWidth, $smallHeight, $width, $height);

        return [self::photo($image), self::photo($small)];
    }

    /** @return string JPEG of the sheet as if it lay flat in even light, its lamp made about white: to be looked at, not read */
    public static function flat(SheetReading $reading): string
    {
        $scales = array_map(static fn (Box $mark): float => $reading->even->scale($mark), SheetLayout::marks());
        $step = max(1 / self::FLAT, 1.001 / min([self::FLAT, ...$scales]));
        [$columns, $rows, $side] = [(int) (SheetLayout::WIDTH / $step), (int) (SheetLayout::HEIGHT / $step), (int) (self::TILE / $step)];
        $image = imagecreatetruecolor(max(1, $columns), max(1, $rows));
        $codes = array_map(static fn (int $light): int => (int) round(255 * Srgb::encode($light / self::LIGHTS)), range(0, self::LIGHTS));
        $code = static fn (float $light): int => $codes[(int) max(0, min(self::LIGHTS, self::LIGHTS * $light))];
        [$red, $green, $blue] = $reading->gains();
        for ($row = 0; $row < $rows; $row += $side) {
            for ($column = 0; $column < $columns; $column += $side) {
                [$wide, $tall] = [min($side, $columns - $column), min($side, $rows - $row)];
                $pixels = $reading->even->pixels(new Box($column * $step, $row * $step, $wide * $step, $tall * $step), $step);
                // A corner of the sheet may lie outside of the picture: then its tile stays black.
                foreach (count($pixels) === $wide * $tall ? $pixels : [] as $n => [$r, $g, $b]) {
                    imagesetpixel($image, $column + $n % $wide, $row + intdiv($n, $wide), $code($red * $r) << 16 | $code($green * $g) << 8 | $code($blue * $b));
                }
            }
        }
        ob_start();
        imagejpeg($image, null, self::QUALITY);

        return (string) ob_get_clean();
    }

    private static function photo(GdImage $image): Photo
    {
        ob_start();
        imagebmp($image, null, false);

        return Photo::ofBitmap((string) ob_get_clean());
    }
}
