<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Finish\Section;
use Hyalin\Finish\Zone;

/**
 * A complete finish for one area, with what it gives and what it asks for.
 */
final readonly class Proposal
{
    /** Stirring a cup together: own estimate. */
    private const MINUTES_A_CUP = 2;

    /**
     * @param  non-empty-list<ProposedLayer>  $layers
     * @param  array<string, float>  $differences  CIEDE2000 by zone that has a target
     * @param  float  $total  weighted mean of them
     * @param  array<string, non-empty-list<string>>  $lacks  what the shelf would need, by zone out of reach
     * @param  float  $minutesShare  of what an area of a few square centimetres takes
     */
    public function __construct(
        public ProposalKind $kind,
        public array $layers,
        public Section $section,
        public array $differences,
        public float $total,
        public array $lacks,
        public float $minutesShare = 1.0,
    ) {
    }

    /** @return float the largest difference */
    public function worst(): float
    {
        return max(0.0, ...array_values($this->differences));
    }

    /** @return int cups to be mixed: a pot used as it is needs none, drops added to a cup make no new one */
    public function cups(): int
    {
        $cups = [];
        foreach ($this->layers as $layer) {
            $isMixed = count($layer->drops) > 1 || $layer->thinner > 0;
            if ($isMixed && ! ($layer->grown && self::growsFrom($cups, $layer))) {
                $cups[json_encode($layer->drops)."/{$layer->thinner}"] = $layer->drops;
            }
        }

        return count($cups);
    }

    /**
     * Whether a cup is there already that drops were added to; grown from a pot used as it is, it is a cup of its own.
     *
     * @param  array<string, array<int, int>>  $cups
     */
    private static function growsFrom(array $cups, ProposedLayer $layer): bool
    {
        foreach ($cups as $drops) {
            if (array_diff_key($drops, $layer->drops) === []) {
                return true;
            }
        }

        return false;
    }

    /** @return list<int> places on the shelf, each once */
    public function pots(): array
    {
        $pots = [];
        foreach ($this->layers as $layer) {
            $pots += $layer->drops;
        }
        $places = array_keys($pots);
        sort($places);

        return $places;
    }

    /** @return int at the bench, without drying: an estimate */
    public function minutes(): int
    {
        $minutes = 0;
        foreach ($this->layers as $layer) {
            $minutes += $layer->technique->spec()->minutes->usual($layer->coats);
        }

        return self::MINUTES_A_CUP * $this->cups() + (int) ceil($this->minutesShare * $minutes);
    }

    /** @return float its difference with what it asks of the painter: a cup is worth 0.15, ten minutes 0.06 CIEDE2000 */
    public function worth(): float
    {
        return $this->total + 0.15 * $this->cups() + 0.006 * $this->minutes();
    }
}
