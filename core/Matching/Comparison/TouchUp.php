<?php

declare(strict_types=1);

namespace Hyalin\Matching\Comparison;

use Hyalin\Colour\Lab;
use Hyalin\Finish\Practice;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Proposals\PotRole;
use Hyalin\Matching\Proposals\ProposalBench;
use Hyalin\Matching\Proposals\ProposedLayer;
use Hyalin\Matching\Proposals\ShelfPot;

/**
 * The smallest remedy for a painted area that is off: the one layer that brings it within its tolerance with the least
 * work, found by the same search as any mix; where none does, the one that brings it nearest.
 */
final readonly class TouchUp
{
    /** A remedy that gains less than this is none. */
    private const WORTHWHILE = 0.7;

    /** A minute more is worth this much CIEDE2000 between remedies that all do. */
    private const PER_MINUTE = 0.03;

    /**
     * @param  ProposedLayer|null  $layer  null when there is nothing to do, or nothing that helps
     * @param  float  $before  mean CIEDE2000 over the zones
     * @param  float  $after  the same as predicted
     * @param  array<string, Lab>  $colours  predicted by zone
     * @param  bool  $startOver  the remedy is a new base: what is painted is covered
     */
    private function __construct(
        public ?ProposedLayer $layer,
        public float $before,
        public float $after,
        public array $colours,
        public bool $startOver,
        public bool $isWithin,
    ) {
    }

    /**
     * @param  SectionRow  $painted  what is there, zone by zone
     * @param  list<ShelfPot>  $shelf
     * @param  non-empty-array<string, Lab>  $targets  by zone
     * @param  float  $tolerance  CIEDE2000 in the mean
     */
    public static function find(SectionPrediction $prediction, SectionRow $painted, array $shelf, array $targets, float $tolerance, Practice $practice = new Practice): self
    {
        $bench = new ProposalBench($prediction, $painted, $shelf, $targets, $practice);
        $before = $bench->missed([]);
        if ($before <= $tolerance) {
            return new self(null, $before, $before, self::colours($painted, $targets), false, true);
        }
        $best = null;
        $least = INF;
        foreach (self::remedies($bench) as $layer) {
            $after = $bench->missed([$layer]);
            // Within the tolerance only the work counts.
            $worth = max($after, $tolerance) + self::PER_MINUTE * $layer->technique->spec()->minutes->usual($layer->coats);
            if ($after < $before - self::WORTHWHILE && $worth < $least) {
                $least = $worth;
                $best = $layer;
            }
        }
        if ($best === null) {
            return new self(null, $before, $before, self::colours($painted, $targets), false, false);
        }
        $after = $bench->missed([$best]);

        return new self($best, $before, $after, self::colours($bench->section([$best])->top(), $targets), $best->technique === Technique::BaseCoat, $after <= $tolerance);
    }

    /** @return iterable<ProposedLayer> least work first */
    private static function remedies(ProposalBench $bench): iterable
    {
        $covering = $bench->shortlisted($bench->pots(PotRole::Covering));
        $glazing = $bench->shortlisted($bench->pots(PotRole::Translucent, PotRole::Covering));
        $zones = Zone::cases();
        $shade = [Zone::Recess, Zone::Shade];
        $light = [Zone::Light, Zone::Edge];
        $all = ['recess' => 0.15, 'shade' => 0.2, 'mid' => 0.3, 'light' => 0.2, 'edge' => 0.15];
        foreach ([
            [Technique::Filter, 4.0, 1, $zones, $all, $glazing],
            [Technique::Glaze, 2.0, 1, $zones, $all, $glazing],
            [Technique::Glaze, 2.0, 2, $zones, $all, $glazing],
            [Technique::Glaze, 1.0, 3, $zones, $all, $glazing],
            [Technique::Glaze, 2.0, 2, [...$shade, Zone::Mid], $all, $glazing],
            [Technique::RecessShade, 1.0, 1, $shade, $all, $glazing],
            [Technique::Wash, 2.0, 1, $zones, $all, $glazing],
            [Technique::EdgeHighlight, 0.0, 1, [Zone::Edge], $all, $covering],
            [Technique::DryBrush, 0.0, 1, $zones, $all, $covering],
            [Technique::Layer, 0.5, 1, $light, $all, $covering],
            [Technique::Layer, 0.5, 2, $light, $all, $covering],
            [Technique::Layer, 0.5, 2, $shade, $all, $covering],
            [Technique::BaseCoat, 0.0, 2, $zones, $all, $covering],
        ] as [$technique, $thinner, $coats, $on, $weights, $pots]) {
            $found = $bench->found([new ProposedLayer($technique, [$pots[0] ?? 0 => 1], $thinner, $coats, $on)], 0, $weights, $pots, 2);
            if ($found !== null) {
                yield $found;
            }
        }
    }

    /**
     * @param  non-empty-array<string, Lab>  $targets
     * @return array<string, Lab>
     */
    private static function colours(SectionRow $row, array $targets): array
    {
        $colours = [];
        foreach (array_keys($targets) as $zone) {
            $colours[$zone] = $row->cell(Zone::from($zone))->seen;
        }

        return $colours;
    }
}
