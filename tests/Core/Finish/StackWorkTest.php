<?php

declare(strict_types=1);

namespace Tests\Core\Finish;

use Hyalin\Colour\Srgb;
use Hyalin\Finish\LayerRecipe;
use Hyalin\Finish\StackWork;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Comparison\Tolerance;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\Pot;
use Hyalin\Pot\PotEstimate;
use Hyalin\Pot\PotKind;
use PHPUnit\Framework\TestCase;

/**
 * Minutes and waits of a stack, by hand from what its techniques state (own estimates) and what its pots do.
 */
final class StackWorkTest extends TestCase
{
    /** An edge highlight: a minute to set up, 0.2 a square centimetre, 0.08 a millimetre of edge, for every coat. */
    public function test_minutes_are_those_of_set_up_surface_and_edge_times_what_was_learnt(): void
    {
        $edge = new LayerRecipe('e', Technique::EdgeHighlight, [Zone::Edge], 0.0, 2, [[self::pot(), 1]]);
        self::assertSame((int) round(2 * (1.0 + 0.2 * 10.0 + 0.08 * 50.0)), $edge->handsOnMinutes(10.0, 50.0));
        self::assertSame((int) round(2 * (1.0 + 0.2 * 10.0)), $edge->handsOnMinutes(10.0, 0.0));
        $plan = static fn (float $learned): array => [($p = StackWork::plans([$edge], 10.0, 50.0, ['edge highlight' => $learned])[0])->minutes, $p->setUpMinutes];
        self::assertSame([14, 2], $plan(1.0));
        // Who takes twice as long takes twice as long to set up as well.
        self::assertSame([28, 4], $plan(2.0));
        self::assertSame([7, 1], $plan(0.5));
    }

    public function test_a_layer_dries_as_its_pot_states_or_as_long_as_pot_and_technique_usually_take(): void
    {
        $dry = static fn (Pot $pot, Technique $technique = Technique::Wash): int => (new LayerRecipe('w', $technique, Zone::cases(), 0.0, 1, [[$pot, 1]]))->dryingMinutes();
        self::assertSame(30, $dry(self::pot()), 'a wash takes longer than the acrylic that it is made of');
        self::assertSame(20, $dry(self::pot(), Technique::EdgeHighlight), 'and an acrylic longer than a thin edge');
        self::assertSame(24 * 60, $dry(self::pot(PotKind::Oil)));
        // Stated, it holds: also where it is shorter than either.
        self::assertSame(5, $dry(self::pot(PotKind::Acrylic, ['dryingMinutes' => 5])));
        self::assertSame(90, $dry(self::pot(PotKind::Oil, ['dryingMinutes' => 90])));
        // The pot with the most drops decides.
        $mixed = new LayerRecipe('m', Technique::Wash, Zone::cases(), 0.0, 1, [[self::pot(), 1], [self::pot(PotKind::Acrylic, ['dryingMinutes' => 7]), 2]]);
        self::assertSame(7, $mixed->dryingMinutes());
    }

    public function test_a_focal_point_may_differ_by_less(): void
    {
        self::assertSame([2.0, 3.0, 1.5], [Tolerance::of(null, true), Tolerance::of(null, false), Tolerance::of(1.5, true)]);
    }

    /** @param  array<string, int>  $stated */
    private static function pot(PotKind $kind = PotKind::Acrylic, array $stated = []): Pot
    {
        $brown = Srgb::hex('#7a4a30');

        return Pot::of('pot', 'Pot', $kind, $brown, PotEstimate::of($kind, Sheen::Matt, $brown, Opacity::TwoCoats, TintingStrength::Usual), $stated);
    }
}
