<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Pot\DropCount;
use Hyalin\Pot\Volume;

/**
 * How much of a mix one layer takes: volume = area x wet film / transfer efficiency, and what the cup keeps.
 */
final readonly class Quantity
{
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

        return new self($learned * $laid / $efficiency, $keptDrops * Volume::DROP, $thinner);
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
     * Whole drops to put into the cup, each pot from its own dropper.
     *
     * @param  non-empty-list<int|float>  $recipe  parts of each pot by volume
     * @param  list<float>  $droppers  mL of one drop of each; a usual one where it is missing
     * @return non-empty-list<int>
     */
    public function drops(array $recipe, array $droppers = []): array
    {
        return DropCount::of($recipe, $droppers, $this->paintMillilitres());
    }
}
