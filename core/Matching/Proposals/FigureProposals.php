<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Colour\Lab;
use Hyalin\Finish\Practice;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SectionRow;
use Hyalin\Progress;

/**
 * Finishes for all areas of a figure that share pots. First each area gets its own best; then pots that few areas need
 * are taken away again, one after the other, where the areas that lose them find something nearly as near among the
 * pots that are left, and as long as there are more than asked for.
 */
final class FigureProposals
{
    /** A pot is given up where the areas that used it lose no more than this CIEDE2000 in the mean. */
    private const WORTH_A_POT = 0.4;

    /** Pots whose loss is tried before one is given up under a limit. */
    private const CANDIDATES = 3;

    /** @var array<string, array<string, Proposal>> by area and the pots left */
    private array $known = [];

    /**
     * @param  list<ShelfPot>  $shelf
     * @param  array<string, array{SectionRow, non-empty-array<string, Lab>, Practice}>  $areas  start, targets and how it is painted, by area
     * @param  list<ProposalKind>  $kinds
     */
    private function __construct(
        private readonly SectionPrediction $prediction,
        private readonly array $shelf,
        private readonly array $areas,
        private readonly array $kinds,
    ) {
    }

    /**
     * @param  list<ShelfPot>  $shelf
     * @param  array<string, array{SectionRow, non-empty-array<string, Lab>, Practice}>  $areas  start, targets and how it is painted, by area
     * @param  list<ProposalKind>  $kinds
     * @param  int|null  $mostPots  null for as few as cost little
     * @return array<string, Proposal> by area; an area nothing can be proposed for is left out. Places are those of the
     *                                 whole shelf
     */
    public static function find(SectionPrediction $prediction, array $shelf, array $areas, array $kinds, ?int $mostPots, ?Progress $progress = null): array
    {
        $search = new self($prediction, $shelf, $areas, $kinds);

        return $search->run($mostPots, $progress);
    }

    /** @return array<string, Proposal> */
    private function run(?int $mostPots, ?Progress $progress): array
    {
        $all = array_keys($this->shelf);
        $chosen = [];
        foreach (array_keys($this->areas) as $n => $area) {
            $best = $this->best((string) $area, $all, $this->kinds);
            if ($best !== null) {
                $chosen[(string) $area] = $best;
            }
            if ($progress?->at(0.6 * ($n + 1) / count($this->areas)) === false) {
                return $chosen;
            }
        }
        $kept = self::union($chosen);
        $fixed = [];
        $first = max(1, count($kept));
        // First what costs little, then, under a limit, what costs least.
        while (count($kept) > count($fixed)) {
            [$pot, $next, $cost] = $this->leastMissed($chosen, $kept, $fixed, 1);
            if ($next !== null && $cost <= self::WORTH_A_POT) {
                $chosen = $next;
                $kept = self::union($chosen);
            } elseif ($pot !== null) {
                $fixed[] = $pot;
            }
            if ($progress?->at(0.6 + 0.3 * (1 - (count($kept) - count($fixed)) / $first)) === false) {
                return $chosen;
            }
        }
        while ($mostPots !== null && count($kept) > $mostPots) {
            [, $next] = $this->leastMissed($chosen, $kept, [], self::CANDIDATES);
            if ($next === null || $progress?->at(0.95) === false) {
                break;
            }
            $chosen = $next;
            $kept = self::union($chosen);
        }

        return $chosen;
    }

    /**
     * The pot, of those used by the fewest areas, whose loss costs least.
     *
     * @param  array<string, Proposal>  $chosen
     * @param  list<int>  $kept
     * @param  list<int>  $fixed  known to be needed
     * @return array{int|null, array<string, Proposal>|null, float} pot, the proposals without it, what it costs
     */
    private function leastMissed(array $chosen, array $kept, array $fixed, int $tries): array
    {
        $uses = array_fill_keys(array_diff($kept, $fixed), 0);
        foreach ($chosen as $proposal) {
            foreach ($proposal->pots() as $pot) {
                if (isset($uses[$pot])) {
                    $uses[$pot]++;
                }
            }
        }
        asort($uses);
        $best = [array_key_first($uses), null, INF];
        foreach (array_slice(array_keys($uses), 0, $tries) as $pot) {
            [$next, $cost] = $this->without($chosen, $kept, $pot);
            if ($next !== null && $cost < $best[2]) {
                $best = [$pot, $next, $cost];
            }
        }

        return $best;
    }

    /**
     * @param  array<string, Proposal>  $chosen
     * @param  list<int>  $kept
     * @return array{array<string, Proposal>|null, float} null when an area can do nothing without it
     */
    private function without(array $chosen, array $kept, int $pot): array
    {
        $left = array_values(array_diff($kept, [$pot]));
        $cost = 0.0;
        $touched = 0;
        foreach ($chosen as $area => $proposal) {
            if (! in_array($pot, $proposal->pots(), true)) {
                continue;
            }
            // A finish of the same kind first: another kind is looked for only where that cannot be.
            $other = $this->best($area, $left, [$proposal->kind]) ?? $this->best($area, $left, $this->kinds);
            if ($other === null) {
                return [null, INF];
            }
            $cost += max(0.0, $other->total - $proposal->total);
            $touched++;
            $chosen[$area] = $other;
        }

        return [$chosen, $cost / max(1, $touched)];
    }

    /**
     * @param  list<int>  $places
     * @param  list<ProposalKind>  $kinds
     */
    private function best(string $area, array $places, array $kinds): ?Proposal
    {
        $key = implode(',', $places).'/'.implode(',', array_map(static fn (ProposalKind $kind): string => $kind->value, $kinds));
        if (! isset($this->known[$area][$key])) {
            [$start, $targets, $practice] = $this->areas[$area];
            $shelf = array_map(fn (int $place): ShelfPot => $this->shelf[$place], $places);
            $found = (new ProposalSearch($this->prediction, $start, $shelf, $targets, $practice))->find($kinds);
            if ($found === []) {
                return null;
            }
            $this->known[$area][$key] = self::onWholeShelf($found[0], $places);
        }

        return $this->known[$area][$key];
    }

    /** @param  list<int>  $places */
    private static function onWholeShelf(Proposal $found, array $places): Proposal
    {
        return new Proposal($found->kind, array_map(static function (ProposedLayer $layer) use ($places): ProposedLayer {
            $drops = [];
            foreach ($layer->drops as $place => $count) {
                $drops[$places[$place]] = $count;
            }

            return $layer->mixed($drops, $layer->grown);
        }, $found->layers), $found->section, $found->differences, $found->total, $found->lacks, $found->minutesShare);
    }

    /**
     * @param  array<string, Proposal>  $chosen
     * @return list<int>
     */
    private static function union(array $chosen): array
    {
        $pots = [];
        foreach ($chosen as $proposal) {
            foreach ($proposal->pots() as $pot) {
                $pots[$pot] = true;
            }
        }
        $places = array_keys($pots);
        sort($places);

        return $places;
    }
}
