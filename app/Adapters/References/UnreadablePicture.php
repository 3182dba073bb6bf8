<?php

declare(strict_types=1);

namespace App\Adapters\References;

use RuntimeException;
use Throwable;

final class UnreadablePicture extends RuntimeException
{
    public static function notAPicture(): self
    {
        return new self('This file is not a JPEG, PNG or WebP picture. Nothing was added.');
    }

    public static function tooManyBytes(int $found, int $allowed): self
    {
        return new self(sprintf(
            'This picture has %.1f MB; up to %.0f MB are allowed. Nothing was added. Save it smaller and try again.',
            $found / 1048576,
            $allowed / 1048576,
        ));
    }

    public static function tooManyPixels(int $width, int $height, int $allowed): self
    {
        return new self(sprintf(
            'This picture has %d x %d pixels; up to %.0f million are allowed. Nothing was added. Scale it down and try again.',
            $width,
            $height,
            $allowed / 1e6,
        ));
    }

    public static function truncated(string $type): self
    {
        return new self("This {$type} file is incomplete: it was cut off during the transfer. Nothing was added. Copy it again.");
    }

    public static function tooManyScans(int $found): self
    {
        return new self("This JPEG draws itself in {$found} passes; about ten are usual. Nothing was added. Save it anew and try again.");
    }

    public static function inks(): self
    {
        return new self('This JPEG is in CMYK (printing inks), not RGB. Nothing was added. Save it as sRGB and try again.');
    }

    public static function moves(): self
    {
        return new self('This file holds several frames. Nothing was added. Save the frame you need as a single picture.');
    }

    public static function damaged(Throwable $cause): self
    {
        return new self('This picture is damaged and cannot be decoded. Nothing was added.', 0, $cause);
    }
}
