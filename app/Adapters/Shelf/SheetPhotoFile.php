<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use GdImage;
use Hyalin\Colour\Srgb;
use Hyalin\Numeric\Homography;
use Hyalin\Sheet\Photo;
use Hyalin\Sheet\SheetLayout;

/**
 * The file of a photo, decoded at its full size: a field of a sheet is a few dozen pixels across.
 */
final class SheetPhotoFile
{
    /** Longer side of the copy that a sheet is looked for in. */
    private const SMALL = 1600;

    /** Pixels to a millimetre of the flattened sheet. */
    public const FLAT = 4;

    private const QUALITY = 85;

    /**
     * @param  string  $bytes  JPEG, PNG or WebP
     *
     * @throws UnreadablePicture naming what is wrong and what is allowed
     */
    public static function decode(string $bytes): GdImage
    {
        return PictureIntake::whole($bytes, config()->integer('hyalin.uploads.max_bytes'), config()->integer('hyalin.uploads.max_pixels'));
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

    /**
     * @param  array{float, float, float}  $gains  of the channels, on linear light
     * @return string JPEG of the sheet as if it lay flat under the camera, its lamp made about white: to be looked at, not read
     */
    public static function flat(Photo $photo, Homography $map, array $gains): string
    {
        $codes = array_map(static fn (float $gain): array => array_map(static fn (float $light): int => max(0, min(255, (int) round(255 * Srgb::encode($gain * $light)))), Photo::decoded()), $gains);
        [$width, $height] = [(int) (self::FLAT * SheetLayout::WIDTH), (int) (self::FLAT * SheetLayout::HEIGHT)];
        $image = imagecreatetruecolor($width, $height);
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $p = max(0, $photo->packed(...$map->at(($x + 0.5) / self::FLAT, ($y + 0.5) / self::FLAT)));
                imagesetpixel($image, $x, $y, $codes[0][$p >> 16] << 16 | $codes[1][$p >> 8 & 255] << 8 | $codes[2][$p & 255]);
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
