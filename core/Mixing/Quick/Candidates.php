<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Mixing\Found\FoundMix;
use Hyalin\Mixing\Found\MixScore;

/**
 * The best mixes found so far, one for each set of paints. Ties go to fewer drops, then to shelf order.
 */
final class Candidates
{
    /** @var array<string, array{float, int, list<int>, list<int>, array{float, float, float}, float}> by paint set */
    private array $kept = [];

    private float $worst = INF;

    private float $best = INF;

    /** @param  int  $top  how many are kept, 1 or more */
    public function __construct(private readonly int $top, private readonly Illuminant $white)
    {
    }

    /** @return float no score above this can still enter */
    public function limit(): float
    {
        return $this->worst;
    }

    /** @return float score of the best so far */
    public function best(): float
    {
        return $this->best;
    }

    /**
     * @param  list<int>  $paints  places on the shelf, ascending
     * @param  list<int>  $drops
     * @param  array{float, float, float}  $lab
     */
    public function offer(array $paints, array $drops, array $lab, float $difference): void
    {
        $total = array_sum($drops);
        $score = MixScore::of($difference, count($paints), $total);
        if ($score > $this->worst) {
            return;
        }
        $key = implode(',', $paints);
        $row = [$score, $total, $paints, $drops, $lab, $difference];
        if (isset($this->kept[$key]) && self::compare($this->kept[$key], $row) <= 0) {
            return;
        }
        $this->kept[$key] = $row;
        $this->best = min($this->best, $score);
        if (count($this->kept) > $this->top) {
            uasort($this->kept, self::compare(...));
            array_pop($this->kept);
        }
        if (count($this->kept) === $this->top) {
            $this->worst = max(0.0, ...array_map(static fn (array $r): float => $r[0], array_values($this->kept)));
        }
    }

    /** @return list<list<int>> the paint sets kept, best first */
    public function sets(): array
    {
        uasort($this->kept, self::compare(...));

        return array_values(array_map(static fn (array $r): array => $r[2], $this->kept));
    }

    /** @return list<FoundMix> best first */
    public function mixes(): array
    {
        uasort($this->kept, self::compare(...));

        return array_values(array_map(fn (array $r): FoundMix => new FoundMix(
            array_combine($r[2], $r[3]) ?: throw new \LogicException('a mix has at least one paint'),
            Lab::of(...$r[4], white: $this->white),
            $r[5],
            $r[0],
        ), $this->kept));
    }

    /**
     * @param  array{float, int, list<int>, list<int>, array{float, float, float}, float}  $p
     * @param  array{float, int, list<int>, list<int>, array{float, float, float}, float}  $q
     */
    private static function compare(array $p, array $q): int
    {
        return [$p[0], $p[1], $p[2]] <=> [$q[0], $q[1], $q[2]];
    }
}
