<?php

declare(strict_types=1);

namespace Tests\Core\Pot;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Layer;
use Hyalin\Finish\LayerRecipe;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\StackWork;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Pot;
use Hyalin\Pot\PotEstimate;
use Hyalin\Pot\PotKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Varnish, medium and thinner are clear: they were white paint once, and one coat of them took a black from L* 27 to 47.
 */
final class ClearPotTest extends TestCase
{
    /** @return iterable<string, array{PotKind}> */
    public static function clear(): iterable
    {
        yield 'medium' => [PotKind::Medium];
        yield 'thinner' => [PotKind::Thinner];
        yield 'varnish' => [PotKind::Varnish];
        yield 'gel' => [PotKind::Gel];
    }

    #[DataProvider('clear')]
    public function test_a_clear_pot_changes_nothing_that_it_lies_on(PotKind $kind): void
    {
        $optics = self::estimated($kind, Sheen::Gloss, '#f5f5f2');
        foreach ([0.0, 0.02, 0.35, 1.0] as $beneath) {
            $over = $optics->filmOver(Reflectance::flat($beneath), FilmThickness::coats(12.0));
            self::assertEqualsWithDelta(array_fill(0, 36, $beneath), $over->values, 1e-12);
        }
        self::assertFalse(self::pot($kind, ['isMixed' => true])->isMixed(), 'it has no colour to mix with, whatever is stated');
    }

    /** And nothing else is: every kind that colours scatters in every band, and keeps what is stated of its mixing. */
    public function test_every_other_kind_is_paint(): void
    {
        $kinds = array_filter(PotKind::cases(), static fn (PotKind $kind): bool => ! $kind->isClear());
        self::assertCount(count(PotKind::cases()) - 4, $kinds);
        foreach ($kinds as $kind) {
            $optics = self::estimated($kind, Sheen::Matt, '#7a6a4f', Srgb::hex('#f3e2b0'));
            self::assertGreaterThan(0.0, min(1.0, ...$optics->s), $kind->value);
            self::assertSame($optics->k, self::estimated($kind, Sheen::Matt, '#7a6a4f')->k, 'a tint is for what is clear');
            self::assertTrue(self::pot($kind, ['isMixed' => true])->isMixed());
            self::assertFalse(self::pot($kind, ['isMixed' => false])->isMixed());
        }
    }

    /** Law: thinned with medium instead of water, a wash is the same wash, and never lighter than what it lies on. */
    public function test_a_wash_with_medium_darkens_as_one_with_water(): void
    {
        $brown = self::estimated(PotKind::Acrylic, Sheen::Matt, '#3a2a1c');
        $medium = self::estimated(PotKind::Medium, Sheen::Satin, '#f4f4f0');
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt));
        $bare = Reflectance::flat(0.5);
        $water = $prediction->of($bare, [Layer::of(Technique::Wash, $brown, 3.0, 1, Zone::cases())])->top();
        $mixed = $prediction->of($bare, [Layer::of(Technique::Wash, PaintOptics::mixed([[$brown, 1.0], [$medium, 3.0]]), 0.0, 1, Zone::cases())])->top();
        foreach (Zone::cases() as $zone) {
            self::assertEqualsWithDelta($water->cell($zone)->inside->values, $mixed->cell($zone)->inside->values, 1e-12);
            self::assertLessThan(0.5, max(0.0, ...$mixed->cell($zone)->inside->values));
        }
        // Medium alone, put on like a wash, does nothing in the recess either.
        $alone = $prediction->of(Reflectance::flat(0.02), [Layer::of(Technique::Wash, $medium, 0.0, 3, Zone::cases())])->top();
        self::assertEqualsWithDelta(array_fill(0, 36, 0.02), $alone->cell(Zone::Recess)->inside->values, 1e-12);
    }

    /** A matt varnish acts through its surface alone: black ends where the sheen lets it, and white stays white. */
    public function test_a_varnish_acts_through_its_surface(): void
    {
        $black = self::estimated(PotKind::Acrylic, Sheen::Gloss, '#101010');
        $stack = static fn (Sheen $sheen): array => [
            Layer::of(Technique::BaseCoat, $black, 0.0, 3, Zone::cases()),
            Layer::of(Technique::Varnish, self::estimated(PotKind::Varnish, $sheen, '#f5f5f2'), 0.0, 2, Zone::cases(), $sheen),
        ];
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Satin));
        $ends = [];
        foreach (Sheen::cases() as $sheen) {
            $section = $prediction->of(Reflectance::flat(0.4), $stack($sheen));
            self::assertEqualsWithDelta($section->rows[1]->cell(Zone::Mid)->inside->values, $section->top()->cell(Zone::Mid)->inside->values, 1e-12);
            $ends[$sheen->value] = $section->top()->cell(Zone::Mid)->seen->lightness;
        }
        self::assertLessThan($ends['satin'], $ends['gloss']);
        self::assertLessThan($ends['matt'], $ends['satin']);
        self::assertLessThan(18.0, $ends['matt'], 'a varnished black is black');
    }

    /** R = exp(-2 K X) over white, by the limit S = 0 of Kubelka 1948: what was typed is what one coat shows. */
    public function test_a_tint_that_is_typed_is_what_a_coat_of_it_shows(): void
    {
        $amber = Srgb::hex('#f3e2b0');
        $optics = self::estimated(PotKind::Varnish, Sheen::Gloss, '#f5f5f2', $amber);
        self::assertSame([0.0], array_values(array_unique($optics->s)));
        $one = $optics->filmOver(Reflectance::flat(1.0), FilmThickness::coats(1.0));
        $seen = \Hyalin\Colour\SpectralSum::under(Illuminant::D65)->xyz(Surface::of(Sheen::Gloss)->seen($one))->toLab();
        self::assertEqualsWithDelta($amber->toXyz()->toLab()->toArray(), $seen->toArray(), 0.05);
        foreach ($optics->filmOver(Reflectance::flat(1.0), FilmThickness::coats(2.0))->values as $band => $twice) {
            self::assertEqualsWithDelta($one->values[$band] ** 2, $twice, 1e-12);
        }
        // It yellows, and hides nothing.
        self::assertEqualsWithDelta(array_fill(0, 36, 0.0), $optics->filmOver(Reflectance::flat(0.0), FilmThickness::coats(9.0))->values, 1e-12);
    }

    public function test_only_a_varnish_seals(): void
    {
        $recipe = static fn (Pot $pot): LayerRecipe => new LayerRecipe('v', Technique::Varnish, Zone::cases(), 0.0, 1, [[$pot, 1]]);
        $sealed = StackWork::plans([$recipe(self::pot(PotKind::Varnish, ['sheen' => Sheen::Gloss]))], 5.0, 79.0)[0];
        self::assertSame([StepKind::Varnish, 'gloss'], [$sealed->kind, $sealed->sheen]);
        foreach ([PotKind::Acrylic, PotKind::Medium, PotKind::Ink] as $kind) {
            $painted = StackWork::plans([$recipe(self::pot($kind))], 5.0, 79.0)[0];
            self::assertSame([StepKind::Brush, null], [$painted->kind, $painted->sheen], $kind->value);
        }
    }

    public function test_a_new_layer_starts_with_the_pot_that_is_made_for_it(): void
    {
        $shelf = [
            self::pot(PotKind::Medium, [], 'medium'),
            self::pot(PotKind::Acrylic, [], 'acrylic'),
            self::pot(PotKind::Varnish, ['levelPercent' => 0], 'empty varnish'),
            self::pot(PotKind::Varnish, [], 'varnish'),
            self::pot(PotKind::Primer, [], 'primer'),
            self::pot(PotKind::Wash, [], 'wash'),
            self::pot(PotKind::OneCoat, [], 'one-coat'),
            self::pot(PotKind::Powder, [], 'powder'),
        ];
        $starts = static fn (Technique $t): ?string => $t->startsWith($shelf)?->name;
        self::assertSame('varnish', $starts(Technique::Varnish));
        self::assertSame('primer', $starts(Technique::SprayCan));
        self::assertSame('primer', $starts(Technique::ZenithalSpray));
        self::assertSame('wash', $starts(Technique::Wash));
        self::assertSame('one-coat', $starts(Technique::OneCoat));
        self::assertSame('powder', $starts(Technique::Powder));
        self::assertSame('acrylic', $starts(Technique::BaseCoat));
        self::assertSame('acrylic', $starts(Technique::DryBrush));
        self::assertNull(Technique::Varnish->startsWith([$shelf[1]]));
        self::assertNull(Technique::Wash->startsWith([$shelf[0]]), 'medium alone is no wash');
    }

    private static function estimated(PotKind $kind, Sheen $sheen, string $hex, ?Srgb $tint = null): PaintOptics
    {
        return PotEstimate::of($kind, $sheen, Srgb::hex($hex), Opacity::TwoCoats, TintingStrength::Usual, $tint);
    }

    /** @param  array<string, bool|int|Sheen>  $stated */
    private static function pot(PotKind $kind, array $stated = [], string $name = 'pot'): Pot
    {
        return Pot::of($name, $name, $kind, Srgb::hex('#777777'), self::estimated($kind, Sheen::Matt, '#777777'), $stated);
    }
}
