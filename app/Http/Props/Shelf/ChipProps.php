<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\ColourProps;
use App\Http\Props\PotProps;
use App\Models\Shelf\ChipRecord;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;

final readonly class ChipProps
{
    public function __construct(public int $id, public PotProps $pot, public int $coats, public float $thinner, public bool $onBlack, public ColourProps $colour)
    {
    }

    public static function of(ChipRecord $chip): self
    {
        return new self(
            $chip->id,
            PotProps::of($chip->paint),
            $chip->coats,
            $chip->thinner,
            $chip->card < 0.5,
            ColourProps::of(SpectralSum::under(Illuminant::D65)->xyz(Reflectance::of($chip->read))->toLab()),
        );
    }
}
