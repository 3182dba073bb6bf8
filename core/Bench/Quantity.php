<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * How much of a mix one layer takes: volume = area x wet film / transfer efficiency, and what the cup keeps.
 */
final readonly class Quantity
{
    public const DROP_MILLILITRES = 0.05;

    /** Of its share, that a pot may have more or less without the eye telling: own estimate. */
    private const SHARE = 0.1;

    private function __construct(
        /** millilitres of thinned mix that reach the piece or are lost on the way */
        public float $millilitres,
        /** millilitres of thinned mix that stay in cup, nozzle or palette */
        public float $keptMillilitres,
        /** parts of thinner to one part of paint */
        private float $thinner,
    ) {
    }

    /**
     * @param  float  $squareCm  of one figure, greater than 0
     * @param  float  $wetMicrometres  of one coat, averaged over the area
     * @param  float  $efficiency  0..1, what reaches the piece
     * @param  float  $thinner  parts to one part of paint
     * @param  float  $learned  factor from what past runs used
     *
     * @throws InvalidQuantity
     */
    public static function of(float $squareCm, float $wetMicrometres, float $efficiency, int $coats, int $figures, float $keptDrops = 0.0, float $thinner = 0.0, float $learned = 1.0): self
    {
        if (! ($squareCm > 0.0) || ! is_finite($squareCm)) {
            throw InvalidQuantity::area($squareCm);
        }
        if (! ($efficiency > 0.0) || $efficiency > 1.0) {
            throw InvalidQuantity::efficiency($efficiency);
        }
        if ($coats < 1 || $figures < 1) {
            throw InvalidQuantity::count($coats, $figures);
        }
        // 1 cm2 x 1 micrometre = 0.0001 mL.
        $laid = $squareCm * $wetMicrometres * 1e-4 * $coats * $figures;

        return new self($learned * $laid / $efficiency, $keptDrops * self::DROP_MILLILITRES, $thinner);
    }

    /** Another layer out of the same cup, of the same mix and thinning: what the cup keeps, it keeps once. */
    public function and(self $next): self
    {
        return new self($this->millilitres + $next->millilitres, max($this->keptMillilitres, $next->keptMillilitres), $this->thinner);
    }

    /** @return float of paint and thinner together */
    public function mixedMillilitres(): float
    {
        return $this->millilitres + $this->keptMillilitres;
    }

    /** @return float of paint alone, what leaves the pots */
    public function paintMillilitres(): float
    {
        return $this->mixedMillilitres() / (1.0 + $this->thinner);
    }

    /**
     * Whole drops to put into the cup: the smallest cup that is large enough and has each pot's share within a tenth of what the
     * recipe says.
     *
     * @param  non-empty-list<int>  $recipe  drops of each pot
     * @return non-empty-list<int>
     */
    public function drops(array $recipe): array
    {
        $all = array_sum($recipe);
        for ($total = max(count($recipe), (int) ceil($this->paintMillilitres() / self::DROP_MILLILITRES - 1e-9)); ; $total++) {
            $cup = self::shared($recipe, $total);
            $isRight = true;
            foreach ($recipe as $n => $drops) {
                $isRight = $isRight && abs($cup[$n] * $all - $drops * $total) <= self::SHARE * $drops * $total + 1e-9;
            }
            if ($isRight) {
                return $cup;
            }
        }
    }

    /**
     * @param  non-empty-list<int>  $recipe
     * @return non-empty-list<int> so many drops, at least one of each pot
     */
    private static function shared(array $recipe, int $total): array
    {
        $all = array_sum($recipe);
        $exact = array_map(static fn (int $drops): float => $drops * $total / $all, $recipe);
        $cup = array_map(static fn (float $share): int => max(1, (int) floor($share + 1e-9)), $exact);
        $left = array_map(static fn (float $share, int $drops): float => $share - $drops, $exact, $cup);
        arsort($left);
        foreach (array_keys($left) as $n) {
            $cup[$n] += array_sum($cup) < $total ? 1 : 0;
        }
        ksort($cup);

        return array_values($cup);
    }
}
