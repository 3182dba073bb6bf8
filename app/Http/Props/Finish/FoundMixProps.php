<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\MixRequest;
use App\Http\Props\ColourProps;
use App\Http\Props\DropsProps;
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
        public SpreadProps $spread,
    ) {
    }

    public static function of(FoundMix $mix, MixRequest $request): self
    {
        $counts = $mix->drops;
        arsort($counts);
        $drops = [];
        foreach ($counts as $place => $count) {
            $drops[] = DropsProps::of($request->pots[$place], $count);
        }

        return new self($drops, ColourProps::of($mix->lab), $mix->difference, Likeness::of($mix->difference), $mix->score, SpreadProps::of($request->spread($mix)));
    }
}
