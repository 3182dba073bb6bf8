<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * One finish for several figures: each step on all of them before the next, or one figure after the other.
 */
final readonly class Batch
{
    /**
     * @param  float  $stepByStep  minutes from the first stroke to the last, waiting included
     * @param  float  $setUpSaved  minutes of mixing and cleaning that step by step saves
     * @param  float  $waitSaved  minutes of drying that pass while the others are painted
     */
    private function __construct(public float $stepByStep, public float $figureByFigure, public float $setUpSaved, public float $waitSaved)
    {
    }

    /**
     * @param  list<array{float, float, float}>  $steps  set-up, hands-on and drying minutes of each step for one figure
     *
     * @throws InvalidQuantity when there is no figure
     */
    public static function of(array $steps, int $figures): self
    {
        if ($figures < 1) {
            throw InvalidQuantity::count(1, $figures);
        }
        $together = $apart = $setUps = $waits = 0.0;
        foreach ($steps as $n => [$setUp, $hands, $dry]) {
            $wait = $n === count($steps) - 1 ? 0.0 : $dry;
            // The first figure dries while the others are painted.
            $left = max(0.0, $wait - ($figures - 1) * $hands);
            $together += $setUp + $figures * $hands + $left;
            $apart += $figures * ($setUp + $hands + $wait);
            $setUps += ($figures - 1) * $setUp;
            $waits += $figures * $wait - $left;
        }

        return new self($together, $apart, $setUps, $waits);
    }

    public function quicker(): BatchMode
    {
        return $this->stepByStep < $this->figureByFigure ? BatchMode::StepByStep : BatchMode::FigureByFigure;
    }
}
