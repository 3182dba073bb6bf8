<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Colour\Srgb;
use Hyalin\InvalidInput;
use Hyalin\Optics\PaintOptics;
use Hyalin\Pot\PotEstimate;
use Illuminate\Validation\ValidationException;

final class EstimatePaint
{
    /**
     * Optical properties of a pot, as far as its description tells.
     *
     * @throws ValidationException when no paint can have this colour
     */
    public function __invoke(Paint $paint): PaintOptics
    {
        try {
            return PotEstimate::of(
                $paint->kind,
                $paint->sheen,
                Srgb::hex($paint->thick_hex),
                $paint->opacity,
                $paint->strength,
                $paint->tint_hex === null ? null : Srgb::hex($paint->tint_hex),
            );
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages([$paint->kind->isClear() ? 'tintHex' : 'thickHex' => ucfirst($e->getMessage()).'.']);
        }
    }
}
