<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

/**
 * How widely the quick search looks: chosen by the size of the shelf, tuned against exhaustive search. Of the shelves
 * on which `bin/bench --full` counts the best mixes, two were used for $content only.
 */
final readonly class SearchEffort
{
    /**
     * @param  float  $margin  how far, in score, a set may look worse than the best by the shelf's linear model
     * @param  float  $closer  and how far after one exact colour of it
     * @param  float  $reach  how near the target, as a share of the best score, a triangle must pass
     * @param  int  $mostSets  sets tried in one round
     * @param  int  $passes  passes with a base of its own for every paint
     * @param  int  $rounds  rounds, 0 or more, over the whole shelf after that, the best mixes as bases
     * @param  float  $worthwhile  paints whose best mix is farther behind than this are not joined any further
     * @param  int  $ratios  ratios of a promising set computed exactly
     * @param  float  $content  with a best score below this no further pass is made: of 1500 reachable colours such a
     *                          best was improved on in one
     * @param  bool  $far  whether colours out of reach are looked for in another way as well
     */
    private function __construct(
        public float $margin,
        public float $closer,
        public float $reach,
        public int $mostSets,
        public int $passes,
        public int $rounds,
        public float $worthwhile,
        public int $ratios,
        public float $content,
        public bool $far = true,
    ) {
    }

    /** For mixes that are only a part of a larger plan: a little nearer is not worth waiting for there. */
    public static function light(): self
    {
        return new self(1.0, 0.4, 0.6, mostSets: 60, passes: 1, rounds: 1, worthwhile: 1.0, ratios: 2, content: 0.0, far: false);
    }

    /** The same without looking for colours out of reach in another way: where several zones have to agree none is reached anyway. */
    public function near(): self
    {
        return new self(
            $this->margin,
            $this->closer,
            $this->reach,
            mostSets: $this->mostSets,
            passes: $this->passes,
            rounds: $this->rounds,
            worthwhile: $this->worthwhile,
            ratios: $this->ratios,
            content: $this->content,
            far: false,
        );
    }

    /** @param  int  $paints  on the shelf; the settings were measured by bin/bench */
    public static function forShelf(int $paints): self
    {
        return match (true) {
            $paints <= 45 => new self(1.5, 1.0, 1.0, mostSets: 400, passes: 2, rounds: 8, worthwhile: 6.0, ratios: 8, content: 0.0),
            $paints <= 120 => new self(1.6, 0.5, 0.8, mostSets: 150, passes: 2, rounds: 0, worthwhile: 1.0, ratios: 3, content: 0.8),
            default => new self(1.0, 0.4, 0.6, mostSets: 100, passes: 1, rounds: 2, worthwhile: 1.0, ratios: 3, content: 0.0),
        };
    }
}
