<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\OneMorePot;
use App\Http\Props\ColourProps;
use Hyalin\Finish\Zone;

/**
 * The gain of one more pot: an opaque paint of the colour that is missed most. An estimate, as the pot is not known.
 */
final readonly class OneMorePotProps
{
    public function __construct(public ColourProps $colour, public Zone $zone, public float $before, public float $after)
    {
    }

    public static function of(OneMorePot $of): self
    {
        return new self(ColourProps::of($of->colour), $of->zone, $of->before, $of->after);
    }
}
