<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use GdImage;
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

    /** @return string JPEG of the sheet as if it lay flat under the camera, in the light it lay in */
    public static function flat(Photo $photo, Homography $map): string
    {
        [$width, $height] = [(int) (self::FLAT * SheetLayout::WIDTH), (int) (self::FLAT * SheetLayout::HEIGHT)];
        $image = imagecreatetruecolor($width, $height);
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                imagesetpixel($image, $x, $y, max(0, $photo->packed(...$map->at(($x + 0.5) / self::FLAT, ($y + 0.5) / self::FLAT))));
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
