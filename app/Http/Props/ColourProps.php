<?php

declare(strict_types=1);

namespace App\Http\Props;

use Hyalin\Colour\GamutMapping;
use Hyalin\Colour\HueName;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;

/**
 * A colour to be shown: what a display shows of it, its numbers, and its name for those who cannot see it.
 */
final readonly class ColourProps
{
    /**
     * @param  string  $hex  #rrggbb, adapted to the display's white and mapped into its gamut
     * @param  list<float>  $lab  L*, a*, b* relative to the white of the chosen light
     * @param  bool  $outOfGamut  the display cannot show it
     */
    public function __construct(
        public string $hex,
        public array $lab,
        public string $name,
        public bool $outOfGamut,
    ) {
    }

    public static function of(Lab $lab): self
    {
        $adapted = $lab->white === Illuminant::D65 ? $lab : $lab->toXyz()->adaptedTo(Illuminant::D65)->toLab();
        $shown = GamutMapping::displayed($lab);

        return new self($shown->shown->toHex(), $lab->toArray(), HueName::describe($adapted), $shown->wasOutside);
    }
}
