<?php

declare(strict_types=1);

namespace Tests\Core\Finish;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lch;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\InvalidLayer;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SettingSearch;
use Hyalin\Finish\Technique;
use Hyalin\Finish\UndercoatAdvice;
use Hyalin\Finish\WillItShow;
use Hyalin\Finish\Zone;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SectionTest extends TestCase
{
    private SectionPrediction $prediction;

    protected function setUp(): void
    {
        $this->prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Gloss));
    }

    public function test_a_zone_that_a_layer_does_not_touch_stays_as_it_was(): void
    {
        $section = $this->section([
            $this->layer(Technique::BaseCoat, '#5d6266'),
            $this->layer(Technique::Layer, '#d79a1e', zones: [Zone::Light, Zone::Edge]),
        ]);
        foreach ([Zone::Recess, Zone::Shade, Zone::Mid] as $zone) {
            self::assertSame($section->rows[1]->cell($zone)->inside, $section->top()->cell($zone)->inside);
            self::assertFalse($section->top()->cell($zone)->touched);
            self::assertSame(0.0, $section->top()->cell($zone)->change);
        }
        self::assertGreaterThan(10, $section->top()->cell(Zone::Light)->change);
    }

    /** @return iterable<string, array{Technique}> */
    public static function techniques(): iterable
    {
        foreach (Technique::cases() as $technique) {
            yield $technique->value => [$technique];
        }
    }

    #[DataProvider('techniques')]
    public function test_every_technique_keeps_coverage_in_bounds_and_more_coats_come_nearer_to_the_mix(Technique $technique): void
    {
        $profile = $technique->profile();
        foreach (Zone::cases() as $zone) {
            self::assertGreaterThanOrEqual(0.0, $profile->coverage($zone));
            self::assertLessThanOrEqual(1.0, $profile->coverage($zone));
            self::assertGreaterThan(0.0, $profile->thickness($zone));
        }
        $paint = self::paint('#a91f22');
        $masstone = $paint->masstone()->values;
        foreach ($technique->spec()->usualZones as $zone) {
            $gap = INF;
            foreach ([1, 2, 4, 8] as $coats) {
                $values = Layer::of($technique, $paint, 1.0, $coats, [$zone])->over($zone, Reflectance::flat(0.3))->values;
                $next = array_sum(array_map(static fn (float $p, float $q): float => abs($p - $q), $values, $masstone));
                self::assertLessThanOrEqual($gap + 1e-9, $next);
                $gap = $next;
            }
        }
    }

    /** The deposit itself, against the formula written out: f * film + (1 - f) * bare, coat after coat. */
    public function test_a_dry_brush_covers_the_edge_as_its_profile_says(): void
    {
        $paint = self::paint('#e4e3da');
        $bare = Reflectance::flat(0.1);
        $expected = $bare->values[20];
        for ($coat = 0; $coat < 2; $coat++) {
            $film = $paint->filmOver(Reflectance::flat($expected), FilmThickness::coats(1.0))->values[20];
            $expected = 0.75 * $film + 0.25 * $expected;
        }
        $edge = Layer::of(Technique::DryBrush, $paint, 0.0, 2, Zone::cases())->over(Zone::Edge, $bare);
        self::assertEqualsWithDelta($expected, $edge->values[20], 1e-9);
        self::assertSame($bare, Layer::of(Technique::DryBrush, $paint, 0.0, 2, Zone::cases())->over(Zone::Recess, $bare));
    }

    /** Common practice: yellow over grey stays dull, over white it is vivid; black beneath is worse still. */
    public function test_yellow_needs_white_beneath(): void
    {
        $chroma = [];
        foreach (['#f2f2f0', '#86888a', '#1a1a1a'] as $prime) {
            $chroma[] = $this->seen([
                $this->layer(Technique::SprayCan, $prime, Opacity::OneCoat, coats: 2),
                $this->layer(Technique::BaseCoat, '#f2c117', Opacity::FiveCoats),
            ])->chroma;
        }
        self::assertGreaterThan($chroma[1] + 5, $chroma[0]);
        self::assertGreaterThan($chroma[2], $chroma[1]);
    }

    /** Common practice: a translucent blue over yellow turns green. */
    public function test_a_blue_glaze_over_yellow_turns_green(): void
    {
        $yellow = $this->layer(Technique::BaseCoat, '#f0d348', Opacity::OneCoat, coats: 2);
        $before = $this->seen([$yellow])->hue;
        $after = $this->seen([$yellow, $this->layer(Technique::Glaze, '#0a6f9a', Opacity::Wash, coats: 6)])->hue;
        self::assertGreaterThan(75, $before);
        self::assertLessThan(110, $before);
        self::assertGreaterThan(115, $after);
        self::assertLessThan(200, $after);
    }

    /** Common practice: mid-tones are left alone by a wash, recesses take it. */
    public function test_a_wash_gathers_in_the_recesses(): void
    {
        $section = $this->section([
            $this->layer(Technique::BaseCoat, '#cdbf9c', Opacity::OneCoat, coats: 2),
            $this->layer(Technique::Wash, '#3b2a1a', Opacity::Wash, thinner: 1.0),
        ]);
        $changes = array_map(static fn (Zone $z): float => $section->top()->cell($z)->change, Zone::cases());
        $sorted = $changes;
        rsort($sorted);
        self::assertSame($sorted, $changes);
        self::assertGreaterThan(3 * $changes[3], $changes[0]);
    }

    /** Common practice: after a zenithal prime undersides are dark and what looks up is light. */
    public function test_a_zenithal_prime_is_light_where_the_light_falls(): void
    {
        $section = $this->section([
            $this->layer(Technique::SprayCan, '#1a1a1a', Opacity::OneCoat),
            $this->layer(Technique::ZenithalSpray, '#f2f2f0', Opacity::OneCoat, coats: 2),
        ]);
        $lightness = array_map(static fn (Zone $z): float => $section->top()->cell($z)->seen->lightness, Zone::cases());
        self::assertLessThan(35, $lightness[0]);
        self::assertGreaterThan(80, $lightness[4]);
        self::assertSame($lightness, [...$lightness]);
        for ($i = 1; $i < 5; $i++) {
            self::assertGreaterThan($lightness[$i - 1], $lightness[$i]);
        }
    }

    /** Common practice: polished metal does not fully cover before the third dusting. */
    public function test_three_dustings_of_metal_cover_all_but_a_twentieth(): void
    {
        $steel = self::paint('#9a9da0', Opacity::OneCoat);
        $black = Reflectance::flat(0.02);
        $thick = $steel->masstone()->values;
        foreach ([1 => 0.632, 2 => 0.865, 3 => 0.950] as $coats => $covered) {
            $metal = Layer::of(Technique::Airbrush, $steel, 0.0, $coats, Zone::cases(), flake: true);
            $seen = $metal->over(Zone::Mid, $black)->values;
            foreach ($seen as $band => $r) {
                self::assertEqualsWithDelta($covered * $thick[$band] + (1 - $covered) * 0.02, $r, 0.005);
            }
        }
    }

    /** A varnish sets the sheen from there on, where it was put; the film beneath stays what it is. */
    public function test_a_varnish_changes_the_sheen_and_nothing_else(): void
    {
        $matt = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt));
        $base = $this->layer(Technique::BaseCoat, '#1b1b1d', Opacity::OneCoat, coats: 3);
        $gloss = Layer::of(Technique::Varnish, PaintOptics::clear(), 0.0, 1, [Zone::Light, Zone::Edge], Sheen::Gloss);
        $section = $matt->of(Reflectance::flat(0.4), [$base, $gloss]);
        self::assertSame($section->rows[1]->cell(Zone::Mid)->seen, $section->top()->cell(Zone::Mid)->seen);
        self::assertEqualsWithDelta($section->rows[1]->cell(Zone::Light)->inside->values, $section->top()->cell(Zone::Light)->inside->values, 1e-12);
        self::assertLessThan($section->rows[1]->cell(Zone::Light)->seen->lightness - 5, $section->top()->cell(Zone::Light)->seen->lightness);
        // Common practice: matt over everything, then gloss only where wet. Another matt coat takes the gloss away.
        $again = Layer::of(Technique::Varnish, PaintOptics::clear(), 0.0, 1, Zone::cases(), Sheen::Matt);
        $dulled = $matt->of(Reflectance::flat(0.4), [$base, $gloss, $again]);
        self::assertEqualsWithDelta(
            $section->rows[1]->cell(Zone::Light)->seen->lightness,
            $dulled->top()->cell(Zone::Light)->seen->lightness,
            1e-9,
        );
        self::assertTrue(WillItShow::judge($matt, $section, [$base, $gloss], 1)->shows);
    }

    /**
     * What a painter expects of each way of painting: where it leaves most, and where next to nothing.
     *
     * @return iterable<string, array{Technique, list<Zone>, list<Zone>}>
     */
    public static function places(): iterable
    {
        yield 'the light from below is where things look down' => [Technique::SprayFromBelow, [Zone::Shade], [Zone::Light, Zone::Edge]];
        yield 'the slanted spray reaches the front' => [Technique::SlantedSpray, [Zone::Mid, Zone::Light, Zone::Edge], [Zone::Recess]];
        yield 'a recess shade stays in the recess' => [Technique::RecessShade, [Zone::Recess], [Zone::Mid, Zone::Light, Zone::Edge]];
        yield 'an overbrush leaves the recess alone' => [Technique::Overbrush, [Zone::Light, Zone::Edge], [Zone::Recess]];
        yield 'chips show on the edges' => [Technique::Chipping, [Zone::Recess, Zone::Shade], []];
        yield 'a wet blend is full at the edge' => [Technique::WetBlend, [Zone::Edge], [Zone::Recess]];
        yield 'powder lies in the recesses' => [Technique::Powder, [Zone::Recess], [Zone::Edge]];
        yield 'a decal hides what it lies on' => [Technique::Decal, [Zone::Recess, Zone::Shade, Zone::Mid, Zone::Light, Zone::Edge], []];
    }

    /**
     * @param  list<Zone>  $much
     * @param  list<Zone>  $little
     */
    #[DataProvider('places')]
    public function test_a_technique_leaves_paint_where_painters_expect_it(Technique $technique, array $much, array $little): void
    {
        $top = $this->section([
            $this->layer(Technique::BaseCoat, '#e8e6df', Opacity::OneCoat, coats: 2),
            $this->layer($technique, '#20242a', Opacity::OneCoat),
        ])->top();
        $most = max(array_map(static fn (Zone $z): float => $top->cell($z)->change, Zone::cases()));
        foreach ($much as $zone) {
            self::assertGreaterThan(0.55 * $most, $top->cell($zone)->change, $zone->value);
        }
        foreach ($little as $zone) {
            self::assertLessThan(0.35 * $most, $top->cell($zone)->change, $zone->value);
        }
    }

    /** Common practice: a filter only turns the hue, a stipple at 70 % lets the rest show through. */
    public function test_a_filter_turns_and_a_stipple_half_hides(): void
    {
        $base = $this->layer(Technique::BaseCoat, '#c9b48a', Opacity::OneCoat, coats: 2);
        $filter = $this->section([$base, $this->layer(Technique::Filter, '#3a6ea8', Opacity::Wash, thinner: 6.0)])->top()->cell(Zone::Mid);
        self::assertGreaterThan(0.2, $filter->change);
        self::assertLessThan(8, $filter->change);
        $brown = $this->layer(Technique::Stipple, '#5a3a22', Opacity::OneCoat, zones: [Zone::Mid]);
        $stipple = $this->section([$base, $brown])->top();
        $bare = $this->section([$base])->top()->cell(Zone::Mid)->inside->values;
        $full = $brown->mix->filmOver(Reflectance::of($bare), FilmThickness::coats(1.0))->values;
        foreach ($stipple->cell(Zone::Mid)->inside->values as $band => $r) {
            // Murray and Davies (1936): the eye adds up the areas.
            self::assertEqualsWithDelta(0.7 * $full[$band] + 0.3 * $bare[$band], $r, 1e-12);
        }
        self::assertFalse($stipple->cell(Zone::Edge)->touched);
    }

    /** Matt varnish veils the darks; gloss keeps them deep. */
    public function test_sheen_lifts_dark_colours_most(): void
    {
        $lift = [];
        foreach (['#1b1b1d', '#e4e3da'] as $hex) {
            $layers = [$this->layer(Technique::BaseCoat, $hex, Opacity::OneCoat, coats: 3)];
            $seen = [];
            foreach ([Sheen::Gloss, Sheen::Satin, Sheen::Matt] as $sheen) {
                $seen[] = SectionPrediction::under(Illuminant::D65, Surface::of($sheen))
                    ->of(Reflectance::flat(0.4), $layers)->top()->cell(Zone::Mid)->seen->lightness;
            }
            self::assertGreaterThan($seen[0], $seen[1]);
            self::assertGreaterThan($seen[1], $seen[2]);
            $lift[] = $seen[2] - $seen[0];
        }
        self::assertGreaterThan(4 * $lift[1], $lift[0]);
    }

    public function test_a_step_that_will_not_read_is_flagged_with_what_would_make_it_read(): void
    {
        $base = $this->layer(Technique::BaseCoat, '#5f7f97', Opacity::OneCoat, coats: 2);
        $glaze = $this->layer(Technique::Glaze, '#1c3550', Opacity::Wash, thinner: 4.0);
        $layers = [$base, $glaze];
        $section = $this->section($layers);
        $judged = WillItShow::judge($this->prediction, $section, $layers, 1);
        self::assertFalse($judged->shows);
        // What reads at arm's length: own estimate of 3 CIEDE2000, whatever the constant says.
        self::assertLessThan(3.0, $judged->largestChange);
        foreach ($judged->remedies as $remedy) {
            self::assertGreaterThanOrEqual(3.0, $remedy->change);
        }
        foreach (range(0, 12) as $n) {
            $grey = $this->layer(Technique::Layer, sprintf('#%1$02x%1$02x%1$02x', 0x60 + $n), Opacity::OneCoat);
            $pair = [$this->layer(Technique::BaseCoat, '#606060', Opacity::OneCoat, coats: 3), $grey];
            $shown = WillItShow::judge($this->prediction, $this->section($pair), $pair, 1);
            self::assertSame($shown->largestChange >= 3.0, $shown->shows, (string) $shown->largestChange);
        }
        self::assertSame($judged->remedies[0]->words, $judged->remedy());
        self::assertGreaterThan(1, count($judged->remedies));
        // What is advised does read, and a little less of it would not.
        foreach ($judged->remedies as $remedy) {
            $mended = [$base, $remedy->layer];
            self::assertTrue(WillItShow::judge($this->prediction, $this->section($mended), $mended, 1)->shows, $remedy->words);
            if ($remedy->layer->coats > $glaze->coats) {
                $less = [$base, $glaze->withCoats($remedy->layer->coats - 1)];
                self::assertFalse(WillItShow::judge($this->prediction, $this->section($less), $less, 1)->shows);
            }
        }

        $same = [$base, $this->layer(Technique::Layer, '#5f7f97', Opacity::OneCoat)];
        $hopeless = WillItShow::judge($this->prediction, $this->section($same), $same, 1);
        self::assertFalse($hopeless->shows);
        self::assertStringContainsString('too close to what lies beneath', (string) $hopeless->remedy());
    }

    public function test_coats_and_thinner_are_found_again_through_what_follows(): void
    {
        $bare = Reflectance::flat(0.4);
        $base = $this->layer(Technique::BaseCoat, '#e4d9bd', Opacity::OneCoat, coats: 2);
        $wash = $this->layer(Technique::Wash, '#4a3322', Opacity::Wash, thinner: 2.0, coats: 2);
        $filter = $this->layer(Technique::Filter, '#5a6a3a', Opacity::Wash, thinner: 6.0);
        foreach (Zone::cases() as $zone) {
            $target = $this->section([$base, $wash, $filter])->top()->cell($zone)->seen;
            $found = SettingSearch::find($this->prediction, $this->prediction->start($bare), [$base, $wash->withCoats(1)->withThinner(0.0), $filter], 1, $zone, $target);
            self::assertNotNull($found);
            self::assertLessThan(0.6, $found->difference, $zone->value);
            self::assertLessThan($found->before, $found->difference);
            $made = $this->section([$base, $wash->withCoats($found->coats)->withThinner($found->thinner), $filter])->top()->cell($zone)->seen;
            self::assertSame($made->toArray(), $found->lab->toArray());
        }
    }

    /** Common practice: yellow, orange, red and white need white beneath. */
    public function test_undercoats_are_compared_by_coats_and_colour(): void
    {
        $yellow = $this->layer(Technique::BaseCoat, '#f2c117', Opacity::FiveCoats);
        $target = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Gloss))
            ->of(Reflectance::flat(0.9), [$yellow->withCoats(12)])->top()->cell(Zone::Mid)->seen;
        $advice = UndercoatAdvice::compare(
            $this->prediction,
            ['black' => Reflectance::flat(0.03), 'grey' => Reflectance::flat(0.3), 'white' => Reflectance::flat(0.85)],
            [$yellow],
            Zone::Mid,
            $target,
        );
        self::assertSame('white', $advice[0]->undercoat);
        self::assertLessThan(min($advice[1]->coats, $advice[2]->coats), $advice[0]->coats);
        self::assertLessThan(2.5, $advice[0]->difference);
    }

    public function test_impossible_layers_are_refused(): void
    {
        $refused = 0;
        $tries = [
            fn () => $this->layer(Technique::Wash, '#3b2a1a', coats: 0),
            fn () => $this->layer(Technique::Wash, '#3b2a1a', thinner: -1.0),
            fn () => $this->layer(Technique::Wash, '#3b2a1a', zones: []),
        ];
        foreach ($tries as $try) {
            try {
                $try();
            } catch (InvalidLayer) {
                $refused++;
            }
        }
        self::assertSame(3, $refused);
    }

    /** @param  list<Layer>  $layers */
    private function section(array $layers): Section
    {
        return $this->prediction->of(Reflectance::flat(0.4), $layers);
    }

    /** @param  list<Layer>  $layers */
    private function seen(array $layers, Zone $zone = Zone::Mid): Lch
    {
        return $this->section($layers)->top()->cell($zone)->seen->toLch();
    }

    /** @param  list<Zone>|null  $zones */
    private function layer(
        Technique $technique,
        string $hex,
        Opacity $opacity = Opacity::TwoCoats,
        ?array $zones = null,
        float $thinner = 0.0,
        int $coats = 1,
    ): Layer {
        return Layer::of($technique, self::paint($hex, $opacity), $thinner, $coats, $zones ?? $technique->spec()->usualZones);
    }

    private static function paint(string $hex, Opacity $opacity = Opacity::TwoCoats): PaintOptics
    {
        return PaintEstimate::fromColour(Srgb::hex($hex), $opacity, TintingStrength::Usual);
    }

    public function test_a_wet_blend_mixes_by_volume_and_ends_as_its_own_coat(): void
    {
        $yellow = $this->layer(Technique::BaseCoat, '#e0b52a', Opacity::TwoCoats, coats: 2);
        $blue = $this->layer(Technique::WetBlend, '#24508f', Opacity::TwoCoats, coats: 2);
        $blend = $blue->blendedInto($yellow->mix);
        $wet = $this->section([$yellow, $blend])->top();
        $dry = $this->section([$yellow, $blue])->top();
        // At the edge it is the blue coat itself, where it is not drawn out to nothing happens.
        self::assertEqualsWithDelta($dry->cell(Zone::Edge)->seen->toArray(), $wet->cell(Zone::Edge)->seen->toArray(), 1e-9);
        self::assertFalse($wet->cell(Zone::Recess)->touched);
        // Half of each by volume is what one cup of half of each gives; dots side by side are another colour.
        $cup = Layer::of(Technique::BaseCoat, PaintOptics::mixed([[$blue->mix, 1.0], [$yellow->mix, 1.0]]), 0.0, 2, Zone::cases());
        $mixed = $this->section([$yellow, $cup])->top()->cell(Zone::Mid)->seen;
        self::assertEqualsWithDelta($mixed->toArray(), $wet->cell(Zone::Mid)->seen->toArray(), 1e-9);
        self::assertGreaterThan(5.0, DifferenceFormula::Ciede2000->between($mixed, $dry->cell(Zone::Mid)->seen));
    }

    public function test_what_lies_on_a_finish_starts_from_it_zone_by_zone(): void
    {
        $base = $this->layer(Technique::BaseCoat, '#7d2a20', Opacity::TwoCoats, coats: 2);
        $wash = $this->layer(Technique::Wash, '#201510', Opacity::Wash, coats: 2);
        $glaze = $this->layer(Technique::Glaze, '#c99b20', Opacity::Wash, thinner: 3.0);
        $whole = $this->section([$base, $wash, $glaze]);
        $below = $this->section([$base, $wash])->top();
        $own = $this->prediction->onTop($below, [$glaze]);
        foreach (Zone::cases() as $zone) {
            self::assertEqualsWithDelta($below->cell($zone)->seen->toArray(), $own->rows[0]->cell($zone)->seen->toArray(), 1e-9);
            self::assertEqualsWithDelta($whole->top()->cell($zone)->seen->toArray(), $own->top()->cell($zone)->seen->toArray(), 1e-9);
        }
        self::assertSame($below->quality, $own->top()->quality);
    }

    public function test_a_correction_shifts_a_layer_where_it_covers_and_stays_a_reflectance(): void
    {
        $base = $this->layer(Technique::BaseCoat, '#8a8478', Opacity::TwoCoats, coats: 2);
        $dry = $this->layer(Technique::DryBrush, '#e8e2d0', Opacity::TwoCoats);
        $darker = $dry->correctedBy(array_fill(0, 36, 0.9));
        $plain = $this->section([$base, $dry])->top();
        $corrected = $this->section([$base, $darker])->top();
        self::assertEqualsWithDelta($plain->cell(Zone::Recess)->inside->values, $corrected->cell(Zone::Recess)->inside->values, 1e-12);
        $edge = $dry->coverage(Zone::Edge);
        foreach ($corrected->cell(Zone::Edge)->inside->values as $band => $r) {
            self::assertEqualsWithDelta($plain->cell(Zone::Edge)->inside->values[$band] * (1 - 0.1 * $edge), $r, 1e-9);
        }
        self::assertLessThanOrEqual(1.0, max(0.0, ...$this->section([$base, $dry->correctedBy(array_fill(0, 36, 9.0))])->top()->cell(Zone::Edge)->inside->values));
    }
}
