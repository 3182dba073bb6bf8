<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use Hyalin\Colour\Srgb;
use Hyalin\InvalidInput;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\TintingStrength;
use Illuminate\Validation\ValidationException;

final class EstimatePaint
{
    /** @throws ValidationException when no paint can have this colour */
    public function __invoke(string $hex, Opacity $opacity, TintingStrength $strength): PaintOptics
    {
        try {
            return PaintEstimate::fromColour(Srgb::hex($hex), $opacity, $strength);
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['thickHex' => ucfirst($e->getMessage()).'.']);
        }
    }
}
