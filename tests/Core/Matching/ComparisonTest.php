<?php

declare(strict_types=1);

namespace Tests\Core\Matching;

use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Lch;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Comparison\ComparedColours;
use Hyalin\Matching\Comparison\Departure;
use Hyalin\Matching\Comparison\TouchUp;
use Hyalin\Matching\Neutral\Shading;
use Hyalin\Matching\Proposals\PotRole;
use Hyalin\Matching\Proposals\ShelfPot;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\CheckValues;

final class ComparisonTest extends TestCase
{
    /** @param  list<string>  $words */
    #[DataProvider('pairs')]
    public function test_a_difference_is_said_in_a_painters_words(Lab $wanted, Lab $found, array $words): void
    {
        self::assertSame($words, ComparedColours::of($wanted, $found)->words);
    }

    /** @return iterable<string, array{Lab, Lab, list<string>}> */
    public static function pairs(): iterable
    {
        $ochre = Lch::of(60, 55, 75)->toLab();
        yield 'the same' => [$ochre, $ochre, []];
        yield 'lighter only' => [$ochre, Lch::of(66, 55, 75)->toLab(), ['lighter']];
        yield 'duller' => [$ochre, Lch::of(60, 42, 75)->toLab(), ['duller']];
        yield 'orange for yellow' => [$ochre, Lch::of(60, 55, 64)->toLab(), ['redder']];
        yield 'lime for yellow' => [$ochre, Lch::of(60, 55, 90)->toLab(), ['greener']];
        yield 'a cold grey' => [Lab::of(50, 0, 0), Lab::of(50, -1.5, -6), ['bluer']];
        yield 'dark and dull' => [$ochre, Lch::of(45, 45, 75)->toLab(), ['darker', 'duller']];
    }

    /** The parts make up the whole on the published pairs of Sharma, Wu and Dalal (2005). */
    public function test_the_parts_make_up_the_published_difference(): void
    {
        foreach (CheckValues::rows('ciede2000_sharma2005_34pairs') as $row) {
            $values = array_map(floatval(...), array_values($row));
            [$l1, $a1, $b1, $l2, $a2, $b2] = array_slice($values, 1, 6);
            $parts = ComparedColours::of(Lab::of($l1, $a1, $b1), Lab::of($l2, $a2, $b2));
            self::assertEqualsWithDelta(Ciede2000::between($l1, $a1, $b1, $l2, $a2, $b2), $parts->difference, 1e-12);
            self::assertGreaterThanOrEqual($parts->difference ** 2 - 1e-6, $parts->lightness ** 2 + $parts->chroma ** 2 + $parts->hue ** 2);
        }
    }

    public function test_the_smallest_remedy_that_suffices_is_found_and_none_where_none_is_needed(): void
    {
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt));
        $shelf = self::shelf();
        $layers = [Layer::of(Technique::BaseCoat, $shelf[1]->optics, 0.0, 2, Zone::cases())];
        $painted = $prediction->of(Reflectance::flat(0.3), $layers)->top();
        $targets = [];
        foreach (Zone::cases() as $zone) {
            $targets[$zone->value] = $painted->cell($zone)->seen;
        }
        $nothing = TouchUp::find($prediction, $painted, $shelf, $targets, 3.0);
        self::assertNull($nothing->layer);
        self::assertTrue($nothing->isWithin);
        // A thin glaze of rust was forgotten: a thin layer brings it back, not a new base.
        $glazed = $prediction->onTop($painted, [Layer::of(Technique::Glaze, $shelf[2]->optics, 1.0, 3, Zone::cases())])->top();
        foreach (Zone::cases() as $zone) {
            $targets[$zone->value] = $glazed->cell($zone)->seen;
        }
        $glaze = TouchUp::find($prediction, $painted, $shelf, $targets, 1.5);
        self::assertTrue($glaze->isWithin);
        self::assertFalse($glaze->startOver);
        self::assertLessThan($glaze->before, $glaze->after);
        // Another colour altogether is covered.
        $blue = Srgb::hex('#24508f')->toXyz()->toLab();
        $over = TouchUp::find($prediction, $painted, $shelf, array_fill_keys(array_keys($targets), $blue), 3.0);
        self::assertTrue($over->startOver);
        self::assertLessThan(0.4 * $over->before, $over->after);
        // With no pot there is nothing to offer.
        self::assertNull(TouchUp::find($prediction, $painted, [], $targets, 1.5)->layer);
    }

    /** Own choice: a remedy gains 0.7 CIEDE2000 or more, a little less than a trained eye tells side by side; what gains less is none. */
    public function test_a_remedy_that_gains_too_little_is_none(): void
    {
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt));
        $shelf = self::shelf();
        $painted = $prediction->of(Reflectance::flat(0.3), [Layer::of(Technique::BaseCoat, $shelf[1]->optics, 0.0, 2, Zone::cases())])->top();
        $gains = [];
        $none = 0;
        for ($n = 0; $n < 12; $n++) {
            $targets = [];
            foreach (Zone::cases() as $zone) {
                $seen = $painted->cell($zone)->seen;
                $targets[$zone->value] = Lab::of($seen->lightness + 2 * cos($n * M_PI / 6), $seen->a + 2 * sin($n * M_PI / 6), $seen->b + 2 * sin($n * M_PI / 3));
            }
            $remedy = TouchUp::find($prediction, $painted, $shelf, $targets, 0.5);
            if ($remedy->layer === null) {
                $none++;
            } else {
                $gains[] = $remedy->before - $remedy->after;
            }
        }
        self::assertGreaterThanOrEqual(0.7, min([...$gains, INF]));
        self::assertLessThan(0.8, min([...$gains, INF]));
        self::assertGreaterThan(1, $none);
    }

    public function test_a_departure_is_put_down_to_the_layer_that_covers_and_explains_the_outcome(): void
    {
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt));
        $shelf = self::shelf();
        $base = Layer::of(Technique::BaseCoat, $shelf[1]->optics, 0.0, 2, Zone::cases());
        $edge = Layer::of(Technique::EdgeHighlight, $shelf[0]->optics, 0.0, 1, [Zone::Edge]);
        $predicted = $prediction->of(Reflectance::flat(0.3), [$base, $edge])->top();
        $darker = array_fill(0, 36, 0.85);
        $painted = $prediction->of(Reflectance::flat(0.3), [$base->correctedBy($darker), $edge])->top();
        $mid = Departure::of([$base, $edge], $predicted, Zone::Mid, $painted->cell(Zone::Mid)->seen);
        self::assertNotNull($mid);
        self::assertSame(0, $mid->layer);
        self::assertEqualsWithDelta(0.85, array_sum($mid->factors) / 36, 0.03);
        $corrected = $prediction->of(Reflectance::flat(0.3), [$base->correctedBy($mid->factors), $edge])->top()->cell(Zone::Mid)->seen;
        self::assertLessThan(0.3, ComparedColours::of($painted->cell(Zone::Mid)->seen, $corrected)->difference);
        self::assertSame(1, Departure::of([$base, $edge], $predicted, Zone::Edge, $painted->cell(Zone::Edge)->seen)?->layer);
        self::assertNull(Departure::of([], $prediction->start(Reflectance::flat(0.3)), Zone::Mid, Lab::of(50, 0, 0)));
    }

    public function test_real_light_is_taken_out_of_a_reference_and_painted_light_is_not(): void
    {
        $shade = Lab::of(40, 10, 20);
        self::assertSame($shade, Shading::Painted->toBePainted($shade, Zone::Shade));
        $flat = Shading::RealLight->toBePainted($shade, Zone::Shade);
        self::assertGreaterThan(40, $flat->lightness);
        self::assertEqualsWithDelta($shade->toLch()->hue, $flat->toLch()->hue, 1.0);
        self::assertSame(Lab::of(70, 0, 0)->toArray(), array_map(static fn (float $v): float => round($v, 9) + 0.0, Shading::RealLight->toBePainted(Lab::of(70, 0, 0), Zone::Light)->toArray()));
        self::assertLessThanOrEqual(100.0, Shading::RealLight->toBePainted(Lab::of(97, 0, 0), Zone::Recess)->lightness);
    }

    /** @return list<ShelfPot> */
    private static function shelf(): array
    {
        $pot = static fn (string $hex, PotRole $role): ShelfPot => new ShelfPot(self::paint($hex, $role === PotRole::Translucent ? Opacity::Wash : Opacity::TwoCoats), $role);

        return [
            $pot('#f2f1ec', PotRole::Covering), $pot('#c98a1c', PotRole::Covering), $pot('#8a3a12', PotRole::Translucent),
            $pot('#1b1a1a', PotRole::Covering), $pot('#24508f', PotRole::Covering), $pot('#3a1f1a', PotRole::Translucent),
        ];
    }

    private static function paint(string $hex, Opacity $opacity): PaintOptics
    {
        return PaintEstimate::fromColour(Srgb::hex($hex), $opacity, TintingStrength::Usual);
    }
}
