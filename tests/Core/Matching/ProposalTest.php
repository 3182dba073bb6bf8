<?php

declare(strict_types=1);

namespace Tests\Core\Matching;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Practice;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\Technique;
use Hyalin\Finish\WillItShow;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Proposals\PotRole;
use Hyalin\Matching\Proposals\Proposal;
use Hyalin\Matching\Proposals\ProposalBench;
use Hyalin\Matching\Proposals\ProposalKind;
use Hyalin\Matching\Proposals\ProposalSearch;
use Hyalin\Matching\Proposals\ProposedLayer;
use Hyalin\Matching\Proposals\RampReach;
use Hyalin\Matching\Proposals\RampTargets;
use Hyalin\Matching\Proposals\ShelfPot;
use Hyalin\Mixing\Quick\DropRatios;
use Hyalin\Mixing\ShelfReach;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\TestCase;

final class ProposalTest extends TestCase
{
    /** Ramps as they are sampled from references: an ochre coat, a blue wool, skin, grey rock. */
    private const RAMPS = [
        'ochre' => ['#4d2f12', '#8e5a17', '#c98f1f', '#e5b534', '#f4d678'],
        'wool' => ['#1f2a38', '#2b405a', '#355473', '#557897', '#8aa5b9'],
        'skin' => ['#5a2f22', '#8f5439', '#bd8360', '#d8a684', '#ecccb0'],
        'rock' => ['#2d3124', '#44493c', '#565b5c', '#7d8180', '#a6a8a3'],
    ];

    private const POTS = [
        '#f2f1ec', '#1b1a1a', '#c98a1c', '#e7bf2f', '#7a3b1d', '#a02c26', '#24508f', '#4b84b8', '#3d6b3a', '#7f9a49',
        '#6e4a2c', '#b98a5e', '#dcb391', '#53575b', '#8d9296', '#c3c0b4', '#5a3b63', '#2c6a6b',
    ];

    private const INKS = ['#2a1c12', '#8a4a12', '#143a63', '#3a1f1a', '#4f4d12'];

    private SectionPrediction $prediction;

    protected function setUp(): void
    {
        $this->prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt));
    }

    public function test_at_least_three_kinds_are_proposed_and_all_their_layers_show(): void
    {
        foreach (self::RAMPS as $name => $ramp) {
            $proposals = $this->search($ramp)->find(ProposalKind::cases());
            self::assertGreaterThanOrEqual(3, count($proposals), $name);
            foreach ($proposals as $proposal) {
                foreach (array_slice($proposal->section->rows, 2) as $row) {
                    self::assertGreaterThanOrEqual(WillItShow::THRESHOLD, $row->largestChange(), $name.' '.$proposal->kind->value);
                }
                // What it says of itself is what the model says of its layers.
                $section = $this->section($proposal);
                foreach ($proposal->differences as $zone => $difference) {
                    self::assertEqualsWithDelta($difference, DifferenceFormula::Ciede2000->between(Srgb::hex($ramp[Zone::from($zone)->index()])->toXyz()->toLab(), $section[$zone]), 1e-9);
                }
                self::assertLessThanOrEqual(max($proposal->differences ?: [0.0]), $proposal->total);
                self::assertGreaterThanOrEqual($proposal->cups(), count($proposal->layers));
                self::assertNotEmpty($proposal->pots());
            }
            // Recesses darker than the veil of a matt film cannot be met; the middle can.
            self::assertLessThan(4.5, $proposals[0]->total, $name);
            self::assertLessThan(3.0, $proposals[0]->differences['mid'], $name);
        }
    }

    /**
     * Naive mixing: the mix whose mean of sRGB codes is nearest to the target. Judged with other films than the
     * proposals were computed with, a tenth thinner and a tenth thicker.
     */
    public function test_proposals_beat_mixing_by_mean_codes_also_with_other_films(): void
    {
        $all = [0.0, 0.0];
        foreach (self::RAMPS as $name => $ramp) {
            $best = $this->search($ramp)->find([ProposalKind::Opaque])[0];
            $naive = array_map(
                fn (ProposedLayer $layer, int $i): ProposedLayer => $i === 0 ? $layer : $layer->mixed($this->naive($ramp[self::aim($layer)->index()])),
                $best->layers,
                array_keys($best->layers),
            );
            foreach ([0.9, 1.1] as $thickness) {
                $ours = $theirs = 0.0;
                foreach (Zone::cases() as $zone) {
                    $target = Srgb::hex($ramp[$zone->index()])->toXyz()->toLab();
                    $ours += $zone->usualShare() * DifferenceFormula::Ciede2000->between($target, $this->section($best, $thickness)[$zone->value]);
                    $theirs += $zone->usualShare() * DifferenceFormula::Ciede2000->between($target, $this->section($best, $thickness, $naive)[$zone->value]);
                }
                self::assertLessThan($theirs, $ours, "{$name}, films times {$thickness}");
                $all = [$all[0] + $ours, $all[1] + $theirs];
            }
        }
        self::assertLessThan(0.7 * $all[1], $all[0]);
    }

    public function test_the_same_question_gets_the_same_answer_and_a_poor_shelf_an_honest_one(): void
    {
        $twice = [$this->search(self::RAMPS['skin'])->find(ProposalKind::cases()), $this->search(self::RAMPS['skin'])->find(ProposalKind::cases())];
        self::assertEquals($twice[0], $twice[1]);
        // Greys only: a saturated ramp stays out of reach, and it is said what is missing.
        $greys = array_values(array_filter($this->shelf(), static fn (ShelfPot $p, int $i): bool => in_array($i, [0, 1, 2, 3, 15, 16], true), ARRAY_FILTER_USE_BOTH));
        $found = (new ProposalSearch($this->prediction, $this->prediction->start(Reflectance::flat(0.25)), $greys, self::targets(self::RAMPS['ochre'])))->find([ProposalKind::Opaque]);
        self::assertStringContainsString('more saturated', implode(' ', $found[0]->lacks['mid'] ?? []));
        // Without a primer a coat of paint is the ground; without any pot there is nothing to propose.
        $bare = array_values(array_filter($this->shelf(), static fn (ShelfPot $p): bool => $p->role !== PotRole::Primer));
        $unprimed = (new ProposalSearch($this->prediction, $this->prediction->start(Reflectance::flat(0.25)), $bare, self::targets(self::RAMPS['skin'])))->find(ProposalKind::cases());
        self::assertGreaterThanOrEqual(2, count($unprimed));
        foreach ($unprimed as $proposal) {
            self::assertNotContains(Technique::SprayCan, array_map(static fn (ProposedLayer $l): Technique => $l->technique, $proposal->layers));
        }
        self::assertLessThan(1.5 * $twice[0][0]->total + 1, $unprimed[0]->total);
        self::assertSame([], (new ProposalSearch($this->prediction, $this->prediction->start(Reflectance::flat(0.25)), [], self::targets(self::RAMPS['ochre'])))->find(ProposalKind::cases()));
    }

    public function test_rock_is_dry_brushed_metal_is_flakes_and_a_thin_hand_is_reckoned_with(): void
    {
        $brushed = $this->search(self::RAMPS['rock'])->find([ProposalKind::DryBrushed])[0];
        self::assertContains(Technique::DryBrush, array_map(static fn (ProposedLayer $l): Technique => $l->technique, $brushed->layers));
        self::assertLessThan(5.0, $brushed->total);
        // No kind that the form of the area does not suit.
        self::assertSame([], $this->search(self::RAMPS['rock'])->find([ProposalKind::Metals, ProposalKind::Flat]));
        $shelf = [...$this->shelf(), new ShelfPot(self::paint('#b9bcc2', Opacity::OneCoat), PotRole::Metal), new ShelfPot(self::paint('#e6e8ea', Opacity::OneCoat), PotRole::Metal)];
        $silver = self::targets(['#3a3c40', '#6c7076', '#a8acb2', '#d0d3d8', '#eceef0']);
        $start = $this->prediction->start(Reflectance::flat(0.25));
        $metal = (new ProposalSearch($this->prediction, $start, $shelf, $silver, new Practice(form: AreaForm::Metal)))->find(ProposalKind::cases());
        self::assertSame([ProposalKind::Metals], array_column($metal, 'kind'));
        foreach ($metal[0]->layers as $layer) {
            $flakes = array_filter(array_keys($layer->drops), static fn (int $place): bool => $shelf[$place]->role === PotRole::Metal);
            self::assertContains(count($flakes), [0, count($layer->drops)]);
            self::assertSame($flakes !== [], $layer->toLayer($shelf)->flake);
        }
        // The same question for a painter who lays half the film: more coats, or another mix, and it says what that gives.
        $thin = new Practice(['base coat' => new Hand(1.0, 0.4), 'layer' => new Hand(1.0, 0.4)]);
        $usual = $this->search(self::RAMPS['ochre'])->find([ProposalKind::Opaque])[0];
        $own = (new ProposalSearch($this->prediction, $start, $this->shelf(), self::targets(self::RAMPS['ochre']), $thin))->find([ProposalKind::Opaque])[0];
        $judged = (new ProposalBench($this->prediction, $start, $this->shelf(), self::targets(self::RAMPS['ochre']), $thin));
        self::assertEqualsWithDelta($judged->missed($own->layers), $own->total, 1e-9);
        self::assertLessThanOrEqual($judged->missed($usual->layers), $own->total);
    }

    public function test_a_gradient_runs_from_root_to_tip_and_an_eye_is_offered_in_one_coat(): void
    {
        $start = $this->prediction->start(Reflectance::flat(0.25));
        // From light at the root to dark at the tip: no light and shade would ever ask for that.
        $hair = ['recess' => Srgb::hex('#c9a05a')->toXyz()->toLab(), 'edge' => Srgb::hex('#5b3420')->toXyz()->toLab()];
        $found = (new ProposalSearch($this->prediction, $start, $this->shelf(), $hair, new Practice(form: AreaForm::Gradient)))->find(ProposalKind::cases());
        self::assertSame([ProposalKind::Bands], array_column($found, 'kind'));
        $lightness = array_map(fn (Zone $z): float => $found[0]->section->top()->cell($z)->seen->lightness, Zone::cases());
        $sorted = $lightness;
        rsort($sorted);
        self::assertSame($sorted, $lightness);
        self::assertLessThan(5.0, $found[0]->total);

        // Root and tip have the same relief: a wash lies there alike, and a wet blend is drawn out from one to the other.
        $paint = self::paint('#33261c', Opacity::TwoCoats);
        foreach (Technique::cases() as $technique) {
            $layer = Layer::of($technique, $paint, 0.0, 1, Zone::cases())->onForm(AreaForm::Gradient);
            $films = array_unique(array_map(static fn (Zone $z): string => sprintf('%.9f %.9f', $layer->coverage($z), $layer->thickness($z)), Zone::cases()));
            self::assertSame($technique === Technique::WetBlend ? 5 : 1, count($films), $technique->value);
        }

        $eye = ['recess' => Lab::of(15, 0, 0), 'mid' => Lab::of(45, -5, -20), 'light' => Lab::of(90, 0, 3)];
        $kinds = array_column((new ProposalSearch($this->prediction, $start, $this->shelf(), $eye, new Practice(form: AreaForm::Eye)))->find(ProposalKind::cases()), 'kind');
        self::assertEqualsCanonicalizing([ProposalKind::Flat, ProposalKind::OneCoat], $kinds);
    }

    public function test_a_ramp_with_gaps_is_completed_in_order(): void
    {
        $known = ['shade' => Lab::of(30, 10, 20), 'light' => Lab::of(70, 20, 40)];
        $ramp = RampTargets::complete($known);
        self::assertSame(['recess', 'shade', 'mid', 'light', 'edge'], array_keys($ramp));
        self::assertSame([50.0, 15.0, 30.0], $ramp['mid']->toArray());
        self::assertEquals($known['shade'], $ramp['shade']);
        $lightness = array_map(static fn (Lab $lab): float => $lab->lightness, array_values($ramp));
        $sorted = $lightness;
        sort($sorted);
        self::assertSame($sorted, $lightness);
    }

    public function test_a_ramp_beyond_the_shelf_is_narrowed_and_keeps_its_order(): void
    {
        $greys = [self::paint('#f2f1ec', Opacity::TwoCoats), self::paint('#1b1a1a', Opacity::TwoCoats), self::paint('#8a6a3a', Opacity::TwoCoats)];
        $reach = ShelfReach::of($greys, Placement::masstone(), Surface::of(Sheen::Matt));
        $ramp = self::targets(['#7a0000', '#b00000', '#e01010', '#ff4030', '#ff9080']);
        $found = RampReach::of($reach, $ramp);
        self::assertFalse($found->isReached());
        self::assertLessThan(1.0, $found->chroma);
        $order = array_map(static fn (Lab $lab): float => $lab->lightness, array_values($found->ramp));
        self::assertSame($order, array_values(array_unique($order)));
        foreach ($found->ramp as $zone => $lab) {
            self::assertEqualsWithDelta($ramp[$zone]->toLch()->hue, $lab->toLch()->hue, 1e-6);
        }
        $near = RampReach::of($reach, ['mid' => $reach->nearest(Lab::of(50, 5, 15))[0]]);
        self::assertTrue($near->isReached());
        self::assertSame(1.0, $near->contrast);
    }

    /** @param  list<string>  $ramp */
    private function search(array $ramp): ProposalSearch
    {
        return new ProposalSearch($this->prediction, $this->prediction->start(Reflectance::flat(0.25)), $this->shelf(), self::targets($ramp));
    }

    /** @return list<ShelfPot> */
    private function shelf(): array
    {
        return [
            new ShelfPot(self::paint('#1f1f1f', Opacity::OneCoat), PotRole::Primer),
            new ShelfPot(self::paint('#f0f0ee', Opacity::TwoCoats), PotRole::Primer),
            ...array_map(static fn (string $hex): ShelfPot => new ShelfPot(self::paint($hex, Opacity::TwoCoats), PotRole::Covering), self::POTS),
            ...array_map(static fn (string $hex): ShelfPot => new ShelfPot(self::paint($hex, Opacity::Wash), PotRole::Translucent), self::INKS),
        ];
    }

    private static function paint(string $hex, Opacity $opacity): PaintOptics
    {
        return PaintEstimate::fromColour(Srgb::hex($hex), $opacity, TintingStrength::Usual);
    }

    /**
     * @param  list<string>  $ramp
     * @return non-empty-array<string, Lab>
     */
    private static function targets(array $ramp): array
    {
        $targets = [];
        foreach (Zone::cases() as $zone) {
            $targets[$zone->value] = Srgb::hex($ramp[$zone->index()])->toXyz()->toLab();
        }

        return $targets;
    }

    /** The zone a layer of opaque layering is for. */
    private static function aim(ProposedLayer $layer): Zone
    {
        return match (true) {
            count($layer->zones) === 5 => Zone::Mid,
            $layer->technique === Technique::EdgeHighlight => Zone::Edge,
            in_array(Zone::Light, $layer->zones, true) => Zone::Light,
            in_array(Zone::Shade, $layer->zones, true) => Zone::Shade,
            default => Zone::Recess,
        };
    }

    /** @return non-empty-array<int, int> */
    private function naive(string $hex): array
    {
        $wanted = Srgb::hex($hex)->toArray();
        $codes = array_map(static fn (string $pot): array => Srgb::hex($pot)->toArray(), self::POTS);
        $best = [2 => 1];
        $least = INF;
        for ($i = 0; $i < count($codes); $i++) {
            for ($j = $i + 1; $j < count($codes); $j++) {
                foreach (DropRatios::upTo(2, 12) as [$p, $q]) {
                    $off = 0.0;
                    foreach ($wanted as $c => $v) {
                        $off += (($p * $codes[$i][$c] + $q * $codes[$j][$c]) / ($p + $q) - $v) ** 2;
                    }
                    if ($off < $least) {
                        $least = $off;
                        // Two primers stand before the pots on the shelf.
                        $best = [$i + 2 => $p, $j + 2 => $q];
                    }
                }
            }
        }

        return $best;
    }

    /**
     * @param  list<ProposedLayer>|null  $layers
     * @return array<string, Lab> seen by zone, with films as many times as thick
     */
    private function section(Proposal $proposal, float $thickness = 1.0, ?array $layers = null): array
    {
        $shelf = $this->shelf();
        $top = $this->prediction->of(Reflectance::flat(0.25), array_map(static fn (ProposedLayer $l): Layer => Layer::of(
            $l->technique,
            // K and S times as large are films times as thick.
            PaintOptics::of(
                array_map(static fn (float $v): float => $v * $thickness, $l->optics($shelf)->k),
                array_map(static fn (float $v): float => $v * $thickness, $l->optics($shelf)->s),
                $l->optics($shelf)->quality,
            ),
            $l->thinner,
            $l->coats,
            $l->zones,
        ), $layers ?? $proposal->layers))->top();
        $seen = [];
        foreach (Zone::cases() as $zone) {
            $seen[$zone->value] = $top->cell($zone)->seen;
        }

        return $seen;
    }
}
