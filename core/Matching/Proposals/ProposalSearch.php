<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Practice;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Technique;
use Hyalin\Finish\WillItShow;
use Hyalin\Finish\Zone;
use Hyalin\Mixing\MissingPaint;

/**
 * Front door: complete finishes of different kinds from an area's ramp and a shelf. Each is built the way a painter
 * would, and predicted in their hand: the lowest layer first, later ones over what then lies there, the base solved again under what follows; then
 * coats that show nothing are left out and the ratios settle once more.
 */
final readonly class ProposalSearch
{
    /** L* up to which a primer counts as dark, and from which as light. */
    private const DARK = 50.0;

    private const LIGHT = 60.0;

    /** CIEDE2000 that one more layer must gain. */
    private const WORTH_A_LAYER = 0.3;

    private ProposalBench $bench;

    private AreaForm $form;

    /** @var non-empty-array<string, Lab> those that were really wanted */
    private array $wanted;

    /**
     * @param  list<ShelfPot>  $shelf
     * @param  non-empty-array<string, Lab>  $targets  by zone, as seen
     */
    public function __construct(SectionPrediction $prediction, SectionRow $start, array $shelf, array $targets, Practice $practice = new Practice)
    {
        $this->form = $practice->form;
        $this->wanted = $targets;
        $this->bench = new ProposalBench($prediction, $start, $shelf, RampTargets::complete($targets, $practice->form !== AreaForm::Gradient), $practice);
    }

    /**
     * @param  list<ProposalKind>  $kinds
     * @return list<Proposal> best first, by nearness and work; a kind that the form does not suit, or the shelf has no pots for,
     *                        is left out
     */
    public function find(array $kinds): array
    {
        $found = [];
        foreach ($kinds as $kind) {
            if (! $kind->suits($this->form)) {
                continue;
            }
            $stack = match ($kind) {
                ProposalKind::Translucent => $this->translucent(),
                ProposalKind::BaseWash => $this->baseWash(),
                ProposalKind::Opaque => $this->opaque(),
                ProposalKind::Glazes => $this->glazes(),
                ProposalKind::DryBrushed => $this->dryBrushed(),
                ProposalKind::Metals => $this->metals(),
                ProposalKind::Flat, ProposalKind::Bands => $this->sideBySide(Technique::Layer, PotRole::Covering, [false, true]),
                ProposalKind::OneCoat => $this->sideBySide(Technique::OneCoat, PotRole::Translucent, [true]),
            };
            if ($stack !== null) {
                $found[] = $this->settled($kind, $stack);
            }
        }
        usort($found, static fn (Proposal $p, Proposal $q): int => $p->worth() <=> $q->worth());

        return $found;
    }

    /** @return non-empty-list<ProposedLayer>|null */
    private function translucent(): ?array
    {
        $black = $this->primer(dark: true);
        $white = $this->primer(dark: false);
        $pots = $this->bench->shortlisted($this->bench->pots(PotRole::Translucent, PotRole::Covering));
        if ($black === null || $white === null) {
            return null;
        }
        $best = null;
        $least = INF;
        $weights = ['mid' => 2.0, 'light' => 1.5, 'shade' => 1.0];
        foreach ([[Technique::Airbrush, 0.5, 2], [Technique::OneCoat, 0.0, 1], [Technique::Glaze, 2.0, 3]] as [$technique, $thinner, $coats]) {
            $stack = [
                self::layer(Technique::SprayCan, [$black => 1]),
                self::layer(Technique::ZenithalSpray, [$white => 1], coats: 2),
                self::layer($technique, [$white => 1], $thinner, $coats),
            ];
            $found = $this->bench->found($stack, 2, $weights, $pots, 2);
            if ($found === null) {
                return null;
            }
            $stack = self::with($stack, 2, $this->bestCoats($stack, 2, $found, $weights));
            if ($this->bench->missed($stack) < $least) {
                $least = $this->bench->missed($stack);
                $best = $stack;
            }
        }

        return $best === null ? null : $this->withEnds($best, $pots);
    }

    /** @return non-empty-list<ProposedLayer>|null */
    private function baseWash(): ?array
    {
        $covering = $this->bench->shortlisted($this->bench->pots(PotRole::Covering));
        $washes = $this->bench->shortlisted($this->bench->pots(PotRole::Translucent, PotRole::Covering));
        $stack = $this->primed($covering, self::layer(Technique::BaseCoat, [0 => 1], coats: 2), ['mid' => 2.0, 'light' => 0.5]);
        if ($stack === null) {
            return null;
        }
        $best = null;
        $least = INF;
        // Flowed over everything, or led into the shade only.
        foreach ([[Zone::cases(), ['recess' => 1.5, 'shade' => 2.0, 'mid' => 1.0]], [[Zone::Recess, Zone::Shade], ['recess' => 1.0, 'shade' => 1.5]]] as [$zones, $weights]) {
            $washed = [...$stack, self::layer(Technique::Wash, [$washes[0] ?? 0 => 1], 1.0, 1, $zones)];
            $wash = $this->bench->found($washed, 2, $weights, $washes, 2);
            if ($wash === null) {
                return null;
            }
            $washed = self::with($washed, 2, $wash);
            // What a wash darkens that it was meant to leave alone is put on that much lighter before.
            if (count($zones) > 2) {
                $washed = self::with($washed, 1, $this->bench->found($washed, 1, ['mid' => 2.0, 'light' => 0.5], $covering));
            }
            $missed = $this->bench->missed($washed, ['recess' => 1.0, 'shade' => 1.0, 'mid' => 1.5]);
            if ($missed < $least) {
                $least = $missed;
                $best = $washed;
            }
        }

        return $best === null ? null : $this->withHighlights($best, 1, $covering);
    }

    /** @return non-empty-list<ProposedLayer>|null */
    private function opaque(): ?array
    {
        $covering = $this->bench->shortlisted($this->bench->pots(PotRole::Covering));
        $stack = $this->primed($covering, self::layer(Technique::BaseCoat, [0 => 1], coats: 2), ['mid' => 2.0]);
        if ($stack === null) {
            return null;
        }
        foreach ([[[Zone::Recess, Zone::Shade], ['shade' => 1.0]], [[Zone::Recess], ['recess' => 1.0]]] as [$zones, $weights]) {
            $stack[] = self::layer(Technique::Layer, $stack[1]->drops, 0.0, 2, $zones);
            $index = count($stack) - 1;
            $stack = self::with($stack, $index, $this->bench->grownOrFound($stack, $index, 1, $weights, $covering));
        }

        return $this->withHighlights($stack, 1, $covering);
    }

    /** @return non-empty-list<ProposedLayer>|null */
    private function glazes(): ?array
    {
        $covering = $this->bench->shortlisted($this->bench->pots(PotRole::Covering));
        $glazes = $this->bench->shortlisted($this->bench->pots(PotRole::Translucent, PotRole::Covering));
        // An undercoat as light as the lightest zone: glazes only take away.
        $stack = $this->primed($covering, self::layer(Technique::BaseCoat, [0 => 1], coats: 2), ['edge' => 1.0, 'light' => 1.0]);
        if ($stack === null) {
            return null;
        }
        foreach ([
            [Zone::cases(), 2, ['light' => 2.0, 'mid' => 1.0, 'edge' => 0.7]],
            [[Zone::Recess, Zone::Shade, Zone::Mid], 3, ['mid' => 2.0, 'shade' => 0.7]],
            [[Zone::Recess, Zone::Shade], 4, ['shade' => 2.0, 'recess' => 0.7]],
            [[Zone::Recess], 4, ['recess' => 1.0]],
        ] as [$zones, $coats, $weights]) {
            $more = [...$stack, self::layer(Technique::Glaze, [$glazes[0] ?? 0 => 1], 1.0, $coats, $zones)];
            $index = count($stack);
            $found = $this->bench->found($more, $index, $weights, $glazes, 2);
            if ($found !== null) {
                $stack = self::with($more, $index, $this->bestCoats($more, $index, $found, $weights));
            }
        }
        $lit = [...$stack, self::layer(Technique::EdgeHighlight, $stack[1]->drops, 0.0, 2, [Zone::Edge])];
        $lit = self::with($lit, count($stack), $this->bench->grownOrFound($lit, count($stack), 1, ['edge' => 1.0], $covering));

        return $this->bench->missed($lit) < $this->bench->missed($stack) - 0.3 ? $lit : $stack;
    }

    /**
     * Dark all over, then lighter and lighter with less and less paint on the brush.
     *
     * @return non-empty-list<ProposedLayer>|null
     */
    private function dryBrushed(): ?array
    {
        $covering = $this->bench->shortlisted($this->bench->pots(PotRole::Covering));
        $stack = $this->primed($covering, self::layer(Technique::BaseCoat, [0 => 1], coats: 2), ['recess' => 1.0, 'shade' => 2.0, 'mid' => 0.3]);
        if ($stack === null) {
            return null;
        }
        foreach ([
            [Technique::Overbrush, 2, ['mid' => 2.0, 'shade' => 0.5, 'light' => 0.7]],
            [Technique::DryBrush, 2, ['light' => 2.0, 'mid' => 0.5, 'edge' => 0.5]],
            [Technique::DryBrush, 1, ['edge' => 1.5, 'light' => 0.5]],
        ] as [$technique, $coats, $weights]) {
            $index = count($stack);
            $with = [...$stack, self::layer($technique, $stack[$index - 1]->drops, 0.0, $coats)];
            $found = $this->bench->grownOrFound($with, $index, $index - 1, $weights, $covering);
            $with = self::with($with, $index, $found);
            if ($found !== null && $this->bench->missed($with) < $this->bench->missed($stack)) {
                $stack = $with;
            }
        }

        return $stack;
    }

    /**
     * Flakes over a dark primer, a wash of paint into the depths, brighter flakes where the light is.
     *
     * @return non-empty-list<ProposedLayer>|null
     */
    private function metals(): ?array
    {
        $ground = $this->grounds($this->bench->pots(PotRole::Covering))[0] ?? null;
        $metals = $this->bench->pots(PotRole::Metal);
        // A thinned paint shades metal as a wash does.
        $washes = $this->bench->shortlisted($this->bench->pots(PotRole::Translucent, PotRole::Covering));
        if ($ground === null || $metals === []) {
            return null;
        }
        $stack = [$ground, self::layer(Technique::BaseCoat, [$metals[0] => 1], coats: 3)];
        $stack = self::with($stack, 1, $this->bench->found($stack, 1, ['mid' => 2.0, 'light' => 1.0, 'shade' => 0.3], $metals, 2));
        foreach ([
            [Technique::Wash, 1.0, 1, Zone::cases(), ['recess' => 1.0, 'shade' => 1.5, 'mid' => 1.0], $washes],
            [Technique::RecessShade, 1.0, 1, [Zone::Recess, Zone::Shade], ['recess' => 1.5, 'shade' => 0.5], $washes],
            [Technique::Layer, 0.0, 2, [Zone::Light, Zone::Edge], ['light' => 1.0], $metals],
            [Technique::EdgeHighlight, 0.0, 2, [Zone::Edge], ['edge' => 1.0], $metals],
        ] as [$technique, $thinner, $coats, $zones, $weights, $pots]) {
            $index = count($stack);
            $with = [...$stack, self::layer($technique, [$pots[0] ?? $metals[0] => 1], $thinner, $coats, $zones)];
            $found = $this->bench->found($with, $index, $weights, $pots, 2);
            $with = self::with($with, $index, $found);
            if ($found !== null && $this->bench->missed($with) < $this->bench->missed($stack) - self::WORTH_A_LAYER) {
                $stack = $with;
            }
        }

        return $stack;
    }

    /**
     * A sign, an eye or a gradient: each of its colours side by side, the largest first, over a light ground where that shows
     * better.
     *
     * @param  list<bool>  $grounds  whether a light ground is tried
     * @return non-empty-list<ProposedLayer>|null
     */
    private function sideBySide(Technique $technique, PotRole $role, array $grounds): ?array
    {
        $covering = $this->bench->shortlisted($this->bench->pots(PotRole::Covering));
        $pots = $this->bench->shortlisted($this->bench->pots($role));
        $best = null;
        foreach ($grounds as $grounded) {
            $stack = [];
            if ($grounded) {
                $white = $this->outermost($covering, dark: false)[0] ?? null;
                $stack = $white === null ? [] : [self::layer(Technique::Layer, [$white => 1], 0.5, 2, $this->form->zones())];
            }
            foreach ($pots === [] ? [] : $this->form->sideBySide() as $n => $zone) {
                $with = [...$stack, self::layer($technique, [$pots[0] => 1], $technique->spec()->isTranslucent ? 0.0 : 0.5, $technique->spec()->isTranslucent ? 1 : 2, $n === 0 && ! $grounded ? $this->form->zones() : [$zone])];
                $found = $this->bench->found($with, count($stack), [$zone->value => 1.0], $pots, 2);
                $stack = $found === null ? $stack : self::with($with, count($stack), $found);
            }
            if ($stack !== [] && ($best === null || $this->missedWanted($stack) < $this->missedWanted($best) - self::WORTH_A_LAYER)) {
                $best = $stack;
            }
        }

        return $best;
    }

    /** @param  list<ProposedLayer>  $stack */
    private function missedWanted(array $stack): float
    {
        return $this->bench->missed($stack, array_fill_keys(array_map(static fn (Zone $z): string => $z->value, $this->form->zones()), 1.0));
    }

    /**
     * @param  list<int>  $pots
     * @return array{int, float}|null the darkest or the lightest of them when thick, and its L*
     */
    private function outermost(array $pots, bool $dark): ?array
    {
        $found = null;
        foreach ($pots as $place) {
            $lightness = $this->bench->prediction->start($this->bench->shelf[$place]->optics->masstone())->cell(Zone::Mid)->seen->lightness;
            if ($found === null || ($dark ? $lightness < $found[1] : $lightness > $found[1])) {
                $found = [$place, $lightness];
            }
        }

        return $found;
    }

    /**
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  array<string, float>  $weights
     */
    private function bestCoats(array $stack, int $index, ProposedLayer $layer, array $weights): ProposedLayer
    {
        $best = $layer;
        $least = INF;
        for ($coats = 1; $coats <= 5; $coats++) {
            $tried = $layer->withCoats($coats);
            $missed = $this->bench->missed(self::with($stack, $index, $tried), $weights) + 0.1 * $coats;
            if ($missed < $least) {
                $least = $missed;
                $best = $tried;
            }
        }

        return $best;
    }

    /**
     * A ground and a first coat over it, with the ground that lets it come nearest.
     *
     * @param  list<int>  $covering
     * @param  array<string, float>  $weights
     * @return non-empty-list<ProposedLayer>|null
     */
    private function primed(array $covering, ProposedLayer $first, array $weights): ?array
    {
        $best = null;
        $least = INF;
        foreach ($this->grounds($covering) as $ground) {
            $stack = [$ground, $first->mixed($ground->drops)];
            $found = $this->bench->found($stack, 1, $weights, $covering);
            if ($found === null) {
                return null;
            }
            $stack = self::with($stack, 1, $found);
            $missed = $this->bench->missed($stack, $weights);
            if ($missed < $least) {
                $least = $missed;
                $best = $stack;
            }
        }

        return $best;
    }

    /**
     * Light and edge, each from the cup before.
     *
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  list<int>  $pots
     * @return non-empty-list<ProposedLayer>
     */
    private function withHighlights(array $stack, int $base, array $pots): array
    {
        $stack[] = self::layer(Technique::Layer, $stack[$base]->drops, 0.0, 2, [Zone::Light, Zone::Edge]);
        $light = count($stack) - 1;
        $stack = self::with($stack, $light, $this->bench->grownOrFound($stack, $light, $base, ['light' => 1.0], $pots));
        $stack[] = self::layer(Technique::EdgeHighlight, $stack[$light]->drops, 0.0, 2, [Zone::Edge]);
        $edge = count($stack) - 1;
        $stack = self::with($stack, $edge, $this->bench->grownOrFound($stack, $edge, $light, ['edge' => 1.0], $pots));

        return $stack;
    }

    /**
     * What a single translucent coat leaves too light or too dark at the two ends.
     *
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  list<int>  $pots
     * @return non-empty-list<ProposedLayer>
     */
    private function withEnds(array $stack, array $pots): array
    {
        $covering = $this->bench->shortlisted($this->bench->pots(PotRole::Covering));
        $ends = [
            [Technique::RecessShade, 1.0, 1, [Zone::Recess, Zone::Shade], ['recess' => 1.5, 'shade' => 0.5], $pots],
            [Technique::Layer, 0.5, 2, [Zone::Light, Zone::Edge], ['light' => 1.0], $covering],
            [Technique::EdgeHighlight, 0.0, 2, [Zone::Edge], ['edge' => 1.0], $covering],
        ];
        foreach ($ends as [$technique, $thinner, $coats, $zones, $weights, $from]) {
            $with = [...$stack, self::layer($technique, $stack[2]->drops, $thinner, $coats, $zones)];
            $index = count($with) - 1;
            $found = $this->bench->grownOrFound($with, $index, 2, $weights, $from);
            if ($found === null) {
                continue;
            }
            $with = self::with($with, $index, $found);
            // A layer must earn its evening.
            if ($this->bench->missed($with) < $this->bench->missed($stack) - 0.3) {
                $stack = $with;
            }
        }

        return $stack;
    }

    /** @param  non-empty-list<ProposedLayer>  $stack */
    private function settled(ProposalKind $kind, array $stack): Proposal
    {
        $all = [];
        foreach (Zone::cases() as $zone) {
            $all[$zone->value] = $zone->usualShare();
        }
        foreach (array_keys($stack) as $index) {
            // The wash and the first coat touch every zone; what only touches some is right already.
            if ($index > 0 && count($stack[$index]->zones) === count($all)) {
                $tried = self::with($stack, $index, $this->bench->polished($stack, $index, $all));
                $stack = $this->bench->missed($tried) < $this->bench->missed($stack) ? $tried : $stack;
            }
        }
        $stack = $this->withoutIdle($stack);
        $section = $this->bench->section($stack);
        $differences = $lacks = [];
        $total = $of = 0.0;
        $has = array_map(static fn (Zone $z): string => $z->value, $this->form->zones());
        $wanted = array_intersect_key($this->wanted, array_flip($has)) ?: $this->wanted;
        foreach ($wanted as $zone => $target) {
            $seen = $section->top()->cell(Zone::from($zone))->seen;
            $differences[$zone] = DifferenceFormula::Ciede2000->between($target, $seen);
            if ($differences[$zone] > MissingPaint::OUT_OF_REACH) {
                $lacks[$zone] = MissingPaint::from($target, $seen, $differences[$zone])->wanted;
            }
            $total += Zone::from($zone)->usualShare() * $differences[$zone];
            $of += Zone::from($zone)->usualShare();
        }

        return new Proposal($kind, $stack, $section, $differences, $total / $of, $lacks, $this->form->minutesShare());
    }

    /**
     * Every layer shows, and none makes it worse; a primer is there to hold.
     *
     * @param  non-empty-list<ProposedLayer>  $stack
     * @return non-empty-list<ProposedLayer>
     */
    private function withoutIdle(array $stack): array
    {
        for ($index = count($stack) - 1; $index > 0; $index--) {
            $without = [...array_slice($stack, 0, $index), ...array_slice($stack, $index + 1)];
            $shows = $this->bench->section($stack)->rows[$index + 1]->largestChange() >= WillItShow::THRESHOLD;
            if ($without !== [] && (! $shows || $this->bench->missed($without) <= $this->bench->missed($stack))) {
                $stack = $without;
            }
        }

        return $stack;
    }

    /**
     * What a finish begins with: a dark and a light primer, sprayed; on a shelf without any, a coat of the darkest and of the
     * lightest paint.
     *
     * @param  list<int>  $covering
     * @return list<ProposedLayer>
     */
    private function grounds(array $covering): array
    {
        $primers = array_values(array_unique(array_filter([$this->primer(true), $this->primer(false)], is_int(...))));
        if ($primers !== []) {
            return array_map(static fn (int $primer): ProposedLayer => self::layer(Technique::SprayCan, [$primer => 1]), $primers);
        }
        $paints = array_values(array_unique(array_column(array_filter([$this->outermost($covering, dark: true), $this->outermost($covering, dark: false)]), 0)));

        return array_map(static fn (int $paint): ProposedLayer => self::layer(Technique::BaseCoat, [$paint => 1], coats: 2), $paints);
    }

    /** @return int|null the darkest or the lightest primer, where it is dark or light enough */
    private function primer(bool $dark): ?int
    {
        [$place, $lightness] = $this->outermost($this->bench->pots(PotRole::Primer), $dark) ?? [null, 0.0];

        return $place !== null && ($dark ? $lightness <= self::DARK : $lightness >= self::LIGHT) ? $place : null;
    }

    /**
     * @param  non-empty-array<int, int>  $drops
     * @param  non-empty-list<Zone>|null  $zones
     */
    private static function layer(Technique $technique, array $drops, float $thinner = 0.0, int $coats = 1, ?array $zones = null): ProposedLayer
    {
        return new ProposedLayer($technique, $drops, $thinner, $coats, $zones ?? Zone::cases());
    }

    /**
     * @param  non-empty-list<ProposedLayer>  $stack
     * @param  ProposedLayer|null  $layer  null leaves it as it is
     * @return non-empty-list<ProposedLayer>
     */
    private static function with(array $stack, int $index, ?ProposedLayer $layer): array
    {
        return array_map(static fn (ProposedLayer $old, int $i): ProposedLayer => $i === $index ? $layer ?? $old : $old, $stack, array_keys($stack));
    }
}
