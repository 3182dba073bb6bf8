<?php

declare(strict_types=1);

namespace Tests\Core\Finish;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SettingSearch;
use Hyalin\Finish\Technique;
use Hyalin\Finish\UndercoatAdvice;
use Hyalin\Finish\WillItShow;
use Hyalin\Finish\Zone;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Task\LayerTask;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What is advised makes the finished zone better, what is said to show is still there at the end, and a one-coat keeps the
 * order of the light.
 */
final class AdviceTest extends TestCase
{
    private SectionPrediction $prediction;

    protected function setUp(): void
    {
        $this->prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt));
    }

    /** @return iterable<string, array{string, Opacity}> */
    public static function paints(): iterable
    {
        foreach (['#f2efe6', '#d9b44a', '#b5402c', '#5f7f97', '#2f5d4a', '#1b1b1d'] as $hex) {
            foreach (Opacity::cases() as $opacity) {
                yield "{$hex} {$opacity->value}" => [$hex, $opacity];
            }
        }
    }

    /**
     * Law: over an undercoat that rises with the light, a one-coat rises with it in every band, whatever the pot and however
     * many coats. A paint that hides in five coats hid black in one recess coat, and the recess came out brighter than the shade.
     */
    #[DataProvider('paints')]
    public function test_a_one_coat_keeps_the_order_of_the_light(string $hex, Opacity $opacity): void
    {
        $paint = PaintEstimate::fromColour(Srgb::hex($hex), $opacity, TintingStrength::Usual, Sheen::Matt);
        $zenithal = [
            Layer::of(Technique::SprayCan, self::paint('#141414', Opacity::OneCoat), 0.0, 2, Zone::cases()),
            Layer::of(Technique::ZenithalSpray, self::paint('#f2f2f0', Opacity::OneCoat), 0.0, 2, Zone::cases()),
        ];
        foreach ([1, 2, 4] as $coats) {
            foreach ([0.0, 1.0, 3.0] as $thinner) {
                $top = $this->prediction->of(Reflectance::flat(0.3), [...$zenithal, Layer::of(Technique::OneCoat, $paint, $thinner, $coats, Zone::cases())])->top();
                $below = null;
                foreach (Zone::cases() as $zone) {
                    foreach ($top->cell($zone)->inside->values as $band => $r) {
                        self::assertGreaterThanOrEqual(($below->values[$band] ?? 0.0) - 1e-12, $r, "{$zone->value}, band {$band}, {$coats} coats, thinned {$thinner}");
                    }
                    $below = $top->cell($zone)->inside;
                }
            }
        }
    }

    /** Colour gathers in the depths: the recess takes more of the pot's colour than the edge does. */
    public function test_a_one_coat_shades_by_itself(): void
    {
        $top = $this->prediction->of(Reflectance::flat(0.7), [Layer::of(Technique::OneCoat, self::paint('#5a2f1c', Opacity::FiveCoats), 0.0, 1, Zone::cases())])->top();
        $lightness = array_map(static fn (Zone $z): float => $top->cell($z)->seen->lightness, Zone::cases());
        for ($i = 1; $i < 5; $i++) {
            self::assertGreaterThan($lightness[$i - 1], $lightness[$i]);
        }
        self::assertGreaterThan(15.0, $lightness[4] - $lightness[0]);
    }

    /** The mix finder looks through the same film as the section does. */
    public function test_the_mix_finder_sees_a_one_coat_as_the_section_does(): void
    {
        $paints = [self::paint('#b5402c', Opacity::FiveCoats), self::paint('#2b3f66', Opacity::ThreeCoats)];
        $start = $this->prediction->start(Reflectance::flat(0.4));
        $glaze = Layer::of(Technique::OneCoat, self::paint('#d9b44a', Opacity::Wash), 1.0, 1, Zone::cases());
        $layer = Layer::of(Technique::OneCoat, PaintOptics::mixed([[$paints[0], 2.0], [$paints[1], 1.0]]), 0.5, 2, Zone::cases());
        foreach (Zone::cases() as $zone) {
            $task = LayerTask::of($this->prediction, $start, [$layer, $glaze], 0, $zone, Lab::of(50.0, 0.0, 0.0));
            self::assertNotNull($task);
            $found = (new MixEvaluator($paints, $task))->lab([0, 1], [2, 1]);
            $section = $this->prediction->onTop($start, [$layer, $glaze])->top()->cell($zone)->seen;
            self::assertEqualsWithDelta($section->toArray(), array_slice($found, 0, 3), 1e-6, $zone->value);
        }
    }

    /** Of 60 random finishes and targets no setting that is offered makes the finished zone worse, or is what it is already. */
    public function test_no_setting_is_offered_that_makes_it_worse(): void
    {
        $random = new Randomizer(new Mt19937(4));
        $offered = $refused = 0;
        for ($n = 0; $n < 60; $n++) {
            $layers = self::randomStack($random);
            $index = $random->getInt(0, count($layers) - 1);
            $zone = $layers[$index]->zones[0];
            $target = Lab::of($random->getInt(15, 90), $random->getInt(-40, 40), $random->getInt(-40, 50));
            $start = $this->prediction->start(Reflectance::flat(0.4));
            $now = DifferenceFormula::Ciede2000->between($target, $this->prediction->onTop($start, $layers)->top()->cell($zone)->seen);
            $found = SettingSearch::find($this->prediction, $start, $layers, $index, $zone, $target);
            if ($found === null) {
                $refused++;

                continue;
            }
            $offered++;
            $changed = $layers;
            $changed[$index] = $layers[$index]->withCoats($found->coats)->withThinner($found->thinner);
            $then = DifferenceFormula::Ciede2000->between($target, $this->prediction->onTop($start, array_values($changed))->top()->cell($zone)->seen);
            self::assertEqualsWithDelta($now, $found->before, 1e-9);
            self::assertEqualsWithDelta($then, $found->difference, 1e-9);
            self::assertLessThan($now, $then);
        }
        self::assertGreaterThan(10, $offered);
        self::assertGreaterThan(5, $refused);
    }

    /** A primer that the coats above hide is as good as any other at the end, however far off it is alone. */
    public function test_undercoats_are_judged_at_the_end_of_the_finish(): void
    {
        $base = Layer::of(Technique::BaseCoat, self::paint('#7a6a4f', Opacity::TwoCoats), 0.0, 1, Zone::cases());
        $cover = Layer::of(Technique::BaseCoat, self::paint('#31506b', Opacity::OneCoat), 0.0, 3, Zone::cases());
        $primers = ['black' => Reflectance::flat(0.02), 'white' => Reflectance::flat(0.85)];
        $target = $this->prediction->of(Reflectance::flat(0.4), [$base, $cover])->top()->cell(Zone::Mid)->seen;
        $alone = UndercoatAdvice::compare($this->prediction, $primers, [$base], Zone::Mid, $target);
        self::assertGreaterThan(10.0, $alone[0]->difference);
        foreach (UndercoatAdvice::compare($this->prediction, $primers, [$base, $cover], Zone::Mid, $target) as $advice) {
            self::assertLessThan(0.5, $advice->difference, $advice->undercoat);
            self::assertSame(1, $advice->coats, 'more coats beneath an opaque one bring nothing');
        }
    }

    /** A highlight that a base coat covers is seen when it is painted and gone at the end: both are said. */
    public function test_what_is_left_at_the_end_is_said_beside_what_shows_when_painted(): void
    {
        $layers = [
            Layer::of(Technique::BaseCoat, self::paint('#31506b', Opacity::OneCoat), 0.0, 2, Zone::cases()),
            Layer::of(Technique::EdgeHighlight, self::paint('#e8e2d0', Opacity::OneCoat), 0.0, 1, [Zone::Edge]),
            Layer::of(Technique::BaseCoat, self::paint('#31506b', Opacity::OneCoat), 0.0, 3, Zone::cases()),
        ];
        $section = $this->prediction->of(Reflectance::flat(0.4), $layers);
        $highlight = WillItShow::judge($this->prediction, $section, $layers, 1);
        self::assertTrue($highlight->shows);
        self::assertGreaterThan(15.0, $highlight->largestChange);
        self::assertLessThan(0.2, $highlight->left);
        // The last layer leaves all that it changes.
        $last = WillItShow::judge($this->prediction, $section, $layers, 2);
        self::assertEqualsWithDelta($last->largestChange, $last->left, 1e-9);
    }

    /** Law: left is what the finish would be without the layer, by simply leaving it out. */
    public function test_left_is_the_finish_with_and_without(): void
    {
        $random = new Randomizer(new Mt19937(9));
        for ($n = 0; $n < 40; $n++) {
            $layers = self::randomStack($random);
            $section = $this->prediction->of(Reflectance::flat(0.3), $layers);
            foreach ($layers as $index => $layer) {
                $others = $layers;
                unset($others[$index]);
                $without = $this->prediction->of(Reflectance::flat(0.3), array_values($others))->top();
                $most = 0.0;
                foreach ($layer->zones as $zone) {
                    $most = $layer->coverage($zone) > 0.0 ? max($most, DifferenceFormula::Ciede2000->between($section->top()->cell($zone)->seen, $without->cell($zone)->seen)) : $most;
                }
                self::assertEqualsWithDelta($most, WillItShow::judge($this->prediction, $section, $layers, $index)->left, 1e-9);
            }
        }
    }

    /** Freckles cover a twentieth of a cheek and are seen: dots are judged by their contrast. */
    public function test_dots_are_judged_by_their_contrast(): void
    {
        $skin = Layer::of(Technique::BaseCoat, self::paint('#d8a585', Opacity::OneCoat), 0.0, 3, Zone::cases());
        $judge = function (string $hex) use ($skin): WillItShow {
            $layers = [$skin, Layer::of(Technique::Spatter, self::paint($hex, Opacity::OneCoat), 0.0, 1, [Zone::Mid])];

            return WillItShow::judge($this->prediction, $this->prediction->of(Reflectance::flat(0.4), $layers), $layers, 1);
        };
        $freckles = $judge('#8a4b2f');
        self::assertTrue($freckles->shows);
        self::assertSame(Zone::Mid, $freckles->mostIn);
        self::assertGreaterThan(2 * $freckles->left, $freckles->largestChange);
        self::assertFalse($judge('#d8a585')->shows, 'dots of the same colour are none');
    }

    /** A primer holds the paint and a varnish protects it: neither has to be seen. */
    public function test_primers_and_varnishes_need_not_be_seen(): void
    {
        $grey = self::paint('#8c8c8c', Opacity::OneCoat);
        $clear = PaintOptics::clear();
        $layers = [
            Layer::of(Technique::SprayCan, $grey, 0.0, 1, Zone::cases()),
            Layer::of(Technique::Varnish, PaintOptics::of($clear->k, $clear->s, OpticsQuality::Estimated), 0.0, 1, Zone::cases(), Sheen::Matt),
        ];
        $section = $this->prediction->of($grey->masstone(), $layers);
        foreach ([0, 1] as $index) {
            $judged = WillItShow::judge($this->prediction, $section, $layers, $index);
            self::assertLessThan(1.0, $judged->largestChange);
            self::assertTrue($judged->shows);
            self::assertNull($judged->remedy());
        }
    }

    /** @return non-empty-list<Layer> */
    private static function randomStack(Randomizer $random): array
    {
        $techniques = [Technique::BaseCoat, Technique::Layer, Technique::Wash, Technique::OneCoat, Technique::Glaze, Technique::DryBrush, Technique::Stipple];
        $layers = [Layer::of(Technique::BaseCoat, self::paint('#6f6a62', Opacity::TwoCoats), 0.0, 1, Zone::cases())];
        for ($n = $random->getInt(1, 4); $n > 0; $n--) {
            $hex = sprintf('#%02x%02x%02x', $random->getInt(20, 240), $random->getInt(20, 240), $random->getInt(20, 240));
            $layers[] = Layer::of(
                $techniques[$random->getInt(0, count($techniques) - 1)],
                self::paint($hex, Opacity::cases()[$random->getInt(0, count(Opacity::cases()) - 1)]),
                $random->getInt(0, 4) / 1.0,
                $random->getInt(1, 3),
                [Zone::Mid, Zone::Light],
            );
        }

        return $layers;
    }

    private static function paint(string $hex, Opacity $opacity): PaintOptics
    {
        return PaintEstimate::fromColour(Srgb::hex($hex), $opacity, TintingStrength::Usual, Sheen::Matt);
    }
}
