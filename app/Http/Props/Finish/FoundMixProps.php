<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\MixRequest;
use App\Http\Props\ColourProps;
use App\Http\Props\DropsProps;
use Hyalin\Colour\Likeness;
use Hyalin\Mixing\Found\FoundMix;

final readonly class FoundMixProps
{
    /**
     * @param  list<DropsProps>  $drops most drops first
     * @param  list<string>  $runningOut  pots of it that are nearly empty, in words
     */
    public function __construct(
        public array $drops,
        public ColourProps $colour,
        public float $difference,
        public Likeness $likeness,
        public float $score,
        public SpreadProps $spread,
        public array $runningOut,
    ) {
    }

    public static function of(FoundMix $mix, MixRequest $request): self
    {
        $counts = $mix->drops;
        arsort($counts);
        $drops = $low = [];
        foreach ($counts as $place => $count) {
            $drops[] = DropsProps::of($request->pots[$place], $count);
            if ($request->pots[$place]->isNearlyEmpty()) {
                $low[] = $request->pots[$place]->leftWords();
            }
        }

        return new self($drops, ColourProps::of($mix->lab), $mix->difference, Likeness::of($mix->difference), $mix->score, SpreadProps::of($request->spread($mix)), $low);
    }
}
