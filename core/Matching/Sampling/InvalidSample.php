<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

use Hyalin\InvalidInput;

final class InvalidSample extends InvalidInput
{
    public static function noPixels(): self
    {
        return new self('the sample contains no pixel of the picture: draw it larger, or inside the picture');
    }

    /** @param  int  $found  pieces read */
    public static function tooFewPieces(int $found): self
    {
        return new self("{$found} pieces were read; consistency needs two or more");
    }

    /** @param  int  $pixels  covered by the stroke */
    public static function strokeTooShort(int $pixels): self
    {
        return new self("this stroke covers {$pixels} pixels; a ramp needs at least 40: draw it longer or wider");
    }

    /** @param  float  $range  of L* along the stroke */
    public static function strokeOfOneTone(float $range): self
    {
        return new self(sprintf('this stroke covers one tone only (lightness differs by %.1f): draw it from shade to light', $range));
    }
}
