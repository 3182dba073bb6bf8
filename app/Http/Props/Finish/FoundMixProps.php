<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Http\Props\ColourProps;
use App\Http\Props\DropsProps;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Likeness;
use Hyalin\Mixing\FoundMix;

final readonly class FoundMixProps
{
    /** @param  list<DropsProps>  $drops most drops first */
    public function __construct(
        public array $drops,
        public ColourProps $colour,
        public float $difference,
        public Likeness $likeness,
        public float $score,
    ) {
    }

    /** @param  list<Paint>  $pots in shelf order */
    public static function of(FoundMix $mix, array $pots): self
    {
        $counts = $mix->drops;
        arsort($counts);
        $drops = [];
        foreach ($counts as $place => $count) {
            $drops[] = DropsProps::of($pots[$place], $count);
        }

        return new self($drops, ColourProps::of($mix->lab), $mix->difference, Likeness::of($mix->difference), $mix->score);
    }
}
