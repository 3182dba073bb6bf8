<?php

declare(strict_types=1);

namespace App\Adapters;

use ErrorException;
use Intervention\Image\Drivers\Gd\Driver;
use Intervention\Image\ImageManager;
use Throwable;

/**
 * A picture from outside, hostile until decoded: limited in bytes and pixels, judged by its content and not its name,
 * turned upright by its EXIF orientation, and encoded anew, so that nothing but pixels is kept.
 */
final readonly class PictureIntake
{
    private const TYPES = [IMAGETYPE_JPEG => 'JPEG', IMAGETYPE_PNG => 'PNG', IMAGETYPE_WEBP => 'WebP'];

    private function __construct(public string $png, public int $width, public int $height)
    {
    }

    /**
     * @param  string  $bytes  the file
     *
     * @throws UnreadablePicture naming what is wrong and what is allowed
     */
    public static function of(string $bytes, int $maxBytes, int $maxPixels, int $keptSide): self
    {
        if (strlen($bytes) > $maxBytes) {
            throw UnreadablePicture::tooManyBytes(strlen($bytes), $maxBytes);
        }
        $size = @getimagesizefromstring($bytes);
        if ($size === false || ! isset(self::TYPES[$size[2]])) {
            throw UnreadablePicture::notAPicture();
        }
        [$width, $height, $type] = $size;
        if ($width < 1 || $height < 1 || $width * $height > $maxPixels) {
            throw UnreadablePicture::tooManyPixels($width, $height, $maxPixels);
        }
        self::refuseTruncated($bytes, $type);

        return self::encode($bytes, $keptSide);
    }

    private static function encode(string $bytes, int $keptSide): self
    {
        try {
            $image = self::strictly(static fn () => (new ImageManager(new Driver(), autoOrientation: true))->read($bytes));
            $image->scaleDown($keptSide, $keptSide);
            // Transparent pixels have no colour of their own: they are laid over white, as a viewer shows them.
            $image->blendTransparency('ffffff');

            return new self((string) $image->toPng(), $image->width(), $image->height());
        } catch (Throwable $e) {
            throw UnreadablePicture::damaged($e);
        }
    }

    /** A decoder fills what is missing of a cut-off file with grey: that would be sampled as if it were paint. */
    private static function refuseTruncated(string $bytes, int $type): void
    {
        $whole = match ($type) {
            IMAGETYPE_JPEG => str_contains(substr($bytes, -512), "\xFF\xD9"),
            IMAGETYPE_PNG => str_contains(substr($bytes, -64), 'IEND'),
            default => strlen($bytes) >= 8 + self::littleEndian(substr($bytes, 4, 4)),
        };
        if (! $whole) {
            throw UnreadablePicture::truncated(self::TYPES[$type]);
        }
    }

    private static function littleEndian(string $four): int
    {
        $read = strlen($four) === 4 ? unpack('V', $four) : false;

        return is_array($read) && is_int($read[1] ?? null) ? $read[1] : PHP_INT_MAX;
    }

    /**
     * Warnings of the decoder become exceptions.
     *
     * @template T
     *
     * @param  callable(): T  $decode
     * @return T
     */
    private static function strictly(callable $decode): mixed
    {
        set_error_handler(static function (int $level, string $message): never {
            throw new ErrorException($message, 0, $level);
        });
        try {
            return $decode();
        } finally {
            restore_error_handler();
        }
    }
}
