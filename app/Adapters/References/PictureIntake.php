<?php

declare(strict_types=1);

namespace App\Adapters\References;

use ErrorException;
use GdImage;
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

    /** Passes of a progressive JPEG: ten are usual. With more, as many pixels drawn in all as that would be for a large one. */
    private const SCANS = 16;

    private const DRAWN = 200_000_000;

    /**
     * @param  bool  $blockGrid  it was JPEG and its pixels still lie on the grid of blocks they were compressed in
     * @param  list<string>  $remarks  what the painter should know of the file
     */
    private function __construct(
        public string $png,
        public int $width,
        public int $height,
        public bool $blockGrid,
        public array $remarks,
    ) {
    }

    /**
     * @param  string  $bytes  the file
     * @param  int|null  $keptSide  longer side of what is kept, in pixels; null for that of the configuration
     * @param  int  $times  so many times the usual size is allowed
     *
     * @throws UnreadablePicture naming what is wrong and what is allowed
     */
    public static function of(string $bytes, ?int $keptSide = null, int $times = 1): self
    {
        [$bytes, $type, $bits] = self::checked($bytes, $times);

        return self::encode($bytes, $keptSide ?? config()->integer('hyalin.uploads.kept_side'), $type, $bits);
    }

    /**
     * A picture that was read before and kept, with its findings.
     *
     * @param  array<mixed>  $known  width, height, blockGrid, remarks
     */
    public static function restored(string $png, array $known): self
    {
        $size = static fn (mixed $v): int => is_int($v) ? $v : 0;
        $remarks = is_array($known['remarks'] ?? null) ? $known['remarks'] : [];

        return new self($png, $size($known['width'] ?? 0), $size($known['height'] ?? 0), ($known['blockGrid'] ?? false) === true, array_values(array_filter($remarks, is_string(...))));
    }

    /**
     * The picture at its full size, upright, for what is read once and not kept.
     *
     * @throws UnreadablePicture naming what is wrong and what is allowed
     */
    public static function whole(string $bytes): GdImage
    {
        [$bytes] = self::checked($bytes);
        try {
            $native = self::strictly(static fn () => self::manager()->read($bytes)->blendTransparency('ffffff')->core()->native());
        } catch (Throwable $e) {
            throw UnreadablePicture::damaged($e);
        }

        return $native instanceof GdImage ? $native : throw UnreadablePicture::notAPicture();
    }

    /**
     * The bytes of a picture that may be kept to be read later, in the queue: nothing of it is decoded.
     *
     * @return string without what follows the picture
     *
     * @throws UnreadablePicture naming what is wrong and what is allowed
     */
    public static function looked(string $bytes): string
    {
        return self::checked($bytes)[0];
    }

    /**
     * @return array{string, int, int} without what follows the picture, its type and its bits per channel
     *
     * @throws UnreadablePicture
     */
    private static function checked(string $bytes, int $times = 1): array
    {
        $maxBytes = config()->integer('hyalin.uploads.max_bytes') * $times;
        $maxPixels = config()->integer('hyalin.uploads.max_pixels');
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
        $bytes = self::uncut($bytes, $type, $width * $height);
        self::refuseOtherKinds($bytes, $type, $size['channels'] ?? 3);

        return [$bytes, $type, $size['bits'] ?? 8];
    }

    private static function manager(): ImageManager
    {
        return new ImageManager(new Driver(), autoOrientation: true);
    }

    /** Inks instead of lights, or several pictures in one: neither is a colour to be matched. */
    private static function refuseOtherKinds(string $bytes, int $type, int $channels): void
    {
        if ($type === IMAGETYPE_JPEG && $channels === 4) {
            throw UnreadablePicture::inks();
        }
        $moves = match ($type) {
            IMAGETYPE_PNG => str_contains(substr($bytes, 0, 4096), 'acTL'),
            IMAGETYPE_WEBP => str_contains(substr($bytes, 0, 64), 'ANIM'),
            default => false,
        };
        if ($moves) {
            throw UnreadablePicture::moves();
        }
    }

    /** @return list<string> */
    private static function remarks(string $bytes, int $bits): array
    {
        $remarks = [];
        if ($bits > 8) {
            $remarks[] = "It had {$bits} bits per channel and is kept with 8.";
        }
        $head = substr($bytes, 0, 65_536);
        foreach (['Display P3' => 'Display P3', 'Adobe RGB' => 'Adobe RGB', 'ProPhoto' => 'ProPhoto RGB'] as $mark => $name) {
            if (str_contains($head, $mark) || str_contains($head, implode("\0", str_split($mark)))) {
                $remarks[] = "Its colour space is {$name}, but it is read as sRGB: strong colours come out duller.";
            }
        }

        return $remarks;
    }

    private static function encode(string $bytes, int $keptSide, int $type, int $bits): self
    {
        try {
            $image = self::strictly(static fn () => self::manager()->read($bytes));
            [$width, $height] = [$image->width(), $image->height()];
            $image->scaleDown($keptSide, $keptSide);
            // Transparent pixels have no colour of their own: they are laid over white, as a viewer shows them.
            $image->blendTransparency('ffffff');

            return new self(
                (string) $image->toPng(),
                $image->width(),
                $image->height(),
                $type === IMAGETYPE_JPEG && [$width, $height] === [$image->width(), $image->height()],
                self::remarks($bytes, $bits),
            );
        } catch (Throwable $e) {
            throw UnreadablePicture::damaged($e);
        }
    }

    /**
     * A decoder fills what is missing of a cut-off file with grey: that would be sampled as if it were paint.
     *
     * @return string without what follows the picture
     */
    private static function uncut(string $bytes, int $type, int $pixels): string
    {
        if ($type === IMAGETYPE_JPEG) {
            $jpeg = JpegFile::of($bytes) ?? throw UnreadablePicture::truncated('JPEG');

            return $jpeg->scans <= self::SCANS || $jpeg->scans * $pixels <= self::DRAWN ? $jpeg->bytes : throw UnreadablePicture::tooManyScans($jpeg->scans);
        }
        $whole = match ($type) {
            IMAGETYPE_PNG => str_contains(substr($bytes, -64), 'IEND'),
            default => strlen($bytes) >= 8 + self::littleEndian(substr($bytes, 4, 4)),
        };
        if (! $whole) {
            throw UnreadablePicture::truncated(self::TYPES[$type] ?? '');
        }

        return $bytes;
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
