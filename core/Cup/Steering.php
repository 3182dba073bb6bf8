<?php

declare(strict_types=1);

namespace Hyalin\Cup;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use Hyalin\Pot\Volume;

/**
 * Brings a cup to a target by drops: of one pot, or of two. Adding is all one can do to a cup; where that asks for more
 * than $mostDrops, some has to be taken out first, and the answer says how much.
 */
final readonly class Steering
{
    /** A drop more is worth this much CIEDE2000: the same as in the mix search. */
    private const PER_DROP = 0.02;

    private const PER_POT = 0.30;

    /** Second pots are tried beside the best few first ones only. */
    private const PARTNERS = 8;

    private SpectralSum $sum;

    /**
     * @param  array<string, PaintOptics>  $shelf  by ingredient: what may be added, and all that is in the cup
     * @param  int  $mostDrops  1..60
     * @param  array<string, float>  $droppers  mL of one drop by ingredient; a usual one where it is missing
     */
    public function __construct(
        private array $shelf,
        private Lab $target,
        private Surface $surface,
        private int $mostDrops = 12,
        private array $droppers = [],
    ) {
        $this->sum = SpectralSum::under($target->white);
    }

    /**
     * @return Addition the best that at most $mostDrops drops do
     *
     * @throws InvalidCup on an empty cup
     */
    public function of(Cup $cup): Addition
    {
        $lab = $this->seen($cup);
        $best = new Addition([], 0.0, $lab, $this->differenceOf($lab));
        $score = $best->difference;
        $firsts = [];
        foreach (array_keys($this->shelf) as $key) {
            $key = (string) $key;
            if ($key === Cup::THINNER) {
                continue;
            }
            $own = INF;
            foreach ($this->steps() as $drops) {
                [$found, $worth] = $this->tried($cup, [$key => $drops]);
                $own = min($own, $worth);
                if ($worth < $score - 1e-9) {
                    [$best, $score] = [$found, $worth];
                }
            }
            $firsts[$key] = $own;
        }
        asort($firsts);
        $firsts = array_slice(array_keys($firsts), 0, self::PARTNERS);
        foreach ($firsts as $n => $first) {
            foreach (array_slice($firsts, $n + 1) as $second) {
                foreach ($this->steps() as $a) {
                    foreach ($this->steps() as $b) {
                        if ($a + $b > $this->mostDrops) {
                            break;
                        }
                        [$found, $worth] = $this->tried($cup, [(string) $first => $a, (string) $second => $b]);
                        if ($worth < $score - 1e-9) {
                            [$best, $score] = [$found, $worth];
                        }
                    }
                }
            }
        }

        return $best;
    }

    /**
     * As of(), and where the target stays out of reach, with half or three quarters of the cup taken out first.
     *
     * @param  float  $near  CIEDE2000 that counts as reached
     */
    public function withRoom(Cup $cup, float $near = 1.0): Addition
    {
        $best = $this->of($cup);
        foreach ([0.5, 0.75] as $share) {
            if ($best->difference <= $near) {
                break;
            }
            $removed = $share * $cup->total();
            $smaller = $this->of($cup->using($removed));
            if ($smaller->difference < $best->difference - 0.3) {
                $best = new Addition($smaller->drops, $removed, $smaller->lab, $smaller->difference);
            }
        }

        return $best;
    }

    /** @return list<int> every count up to six, then wider */
    private function steps(): array
    {
        return array_values(array_filter(
            [1, 2, 3, 4, 5, 6, 8, 10, 12, 16, 20, 30, 40, 60],
            fn (int $drops): bool => $drops <= $this->mostDrops,
        ));
    }

    /**
     * @param  non-empty-array<string, int>  $drops
     * @return array{Addition, float} and its score
     */
    private function tried(Cup $cup, array $drops): array
    {
        foreach ($drops as $key => $count) {
            $cup = $cup->adding($key, $count * ($this->droppers[$key] ?? Volume::DROP));
        }
        $lab = $this->seen($cup);
        $difference = $this->differenceOf($lab);

        return [
            new Addition($drops, 0.0, $lab, $difference),
            $difference + self::PER_DROP * array_sum($drops) + self::PER_POT * (count($drops) - 1),
        ];
    }

    private function seen(Cup $cup): Lab
    {
        return $this->sum->xyz($this->surface->seen($cup->optics($this->shelf)->masstone()))->toLab();
    }

    private function differenceOf(Lab $lab): float
    {
        return DifferenceFormula::Ciede2000->between($this->target, $lab);
    }
}
