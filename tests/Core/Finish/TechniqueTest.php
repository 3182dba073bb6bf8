<?php

declare(strict_types=1);

namespace Tests\Core\Finish;

use Eris\Generators;
use Eris\TestTrait;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Consumption;
use Hyalin\Finish\Layer;
use Hyalin\Finish\LayerRecipe;
use Hyalin\Finish\SpecifiesTechnique;
use Hyalin\Finish\StackWork;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Pot;
use Hyalin\Pot\PotKind;
use PHPUnit\Framework\TestCase;
use Tests\Support\InventedShelf;

/**
 * What every technique has to say of itself, and what the work makes of a stack of them.
 */
final class TechniqueTest extends TestCase
{
    use TestTrait;

    public function test_every_technique_is_specified_within_reason(): void
    {
        $classes = array_map(static fn (string $file): string => 'Hyalin\\Finish\\Techniques\\'.basename($file, '.php'), glob(dirname(__DIR__, 3).'/core/Finish/Techniques/*.php') ?: []);
        self::assertCount(count(Technique::cases()), $classes, 'a specification without a case, or the other way round');
        foreach ($classes as $class) {
            self::assertTrue(is_subclass_of($class, SpecifiesTechnique::class), $class);
        }
        foreach (Technique::cases() as $technique) {
            $spec = $technique->spec();
            $name = $technique->value;
            // A sum of probabilities: what reaches the piece, and what the rest of the world gets.
            self::assertGreaterThan(0.0, $spec->efficiency, $name);
            self::assertLessThanOrEqual(1.0, $spec->efficiency, $name);
            self::assertNotSame([], $spec->usualZones, $name);
            self::assertNotSame([], $spec->suits, $name);
            self::assertNotSame('', trim($spec->instruction), $name);
            self::assertGreaterThanOrEqual(0.0, $spec->usualThinner, $name);
            self::assertGreaterThanOrEqual(0, $spec->dryingMinutes, $name);
            foreach (Zone::cases() as $zone) {
                self::assertGreaterThanOrEqual(0.0, $spec->deposit->coverage($zone), $name);
                self::assertLessThanOrEqual(1.0, $spec->deposit->coverage($zone), $name);
                self::assertGreaterThanOrEqual(0.0, $spec->deposit->thickness($zone), $name);
            }
            // A spray is sprayed at the bench as well, and nothing else is.
            self::assertSame(
                $spec->application->isSprayed(),
                in_array($spec->step, [StepKind::Spray, StepKind::Prime], true) || ($spec->step === StepKind::Varnish && $spec->application->isSprayed()),
                $name,
            );
            if ($spec->direction !== null) {
                self::assertTrue($spec->application->isSprayed(), $name);
            }
            // An eye of 0.05 cm2 is no quarter of an hour, a prop of 1,500 cm2 no coat of four minutes.
            self::assertLessThanOrEqual(5, $spec->minutes->minutes(1, 0.05, 7.9), $name);
            self::assertGreaterThanOrEqual(15, $spec->minutes->minutes(1, 1500.0, 1373.0), $name);
            // More coats are never done sooner.
            for ($coats = 1; $coats < 6; $coats++) {
                self::assertGreaterThanOrEqual($spec->minutes->usual($coats), $spec->minutes->usual($coats + 1), $name);
                // Nor is a larger area, or one with more edge.
                $cm2 = 0.05 * 3 ** $coats;
                self::assertGreaterThanOrEqual($spec->minutes->minutes($coats, $cm2, 10.0), $spec->minutes->minutes($coats, 4 * $cm2, 10.0), $name);
                self::assertGreaterThanOrEqual($spec->minutes->minutes($coats, $cm2, 10.0), $spec->minutes->minutes($coats, $cm2, 100.0), $name);
            }
        }
    }

    /** Only what is sprayed or shines from somewhere asks the mesh; on a gradient, whose zones are places, nothing does. */
    public function test_a_mesh_tells_of_light_and_spray_alone(): void
    {
        $lit = [0.1, 0.2, 0.3, 0.4, 0.5];
        $paint = (new InventedShelf(3))->paints(1)[0];
        $covered = static fn (Layer $layer): array => array_map($layer->coverage(...), Zone::cases());
        foreach (Technique::cases() as $technique) {
            $usual = Layer::of($technique, $paint, 0.0, 1, Zone::cases());
            $asked = $usual->sprayedAs([$technique->value => $lit]);
            self::assertSame($technique->spec()->usualExposure() === null, $covered($usual) === $covered($asked), $technique->value);
            self::assertSame($covered($usual->onForm(AreaForm::Gradient)), $covered($asked->onForm(AreaForm::Gradient)), $technique->value);
        }
        // Drops at random (Poisson): of exposure 0.5 and 1.2 hits, 1 - exp(-0.6) is covered, by one reference coat; a lamp lights half of it.
        self::assertEqualsWithDelta(1 - exp(-0.6), Technique::ZenithalSpray->profile($lit)->coverage(Zone::Edge), 1e-12);
        self::assertSame([1.0, 0.5, 0.5], [Technique::ZenithalSpray->profile($lit)->thickness(Zone::Edge), Technique::Glow->profile($lit)->coverage(Zone::Edge), Technique::Glow->profile($lit)->thickness(Zone::Edge)]);
    }

    public function test_what_covers_does_so_from_its_stated_coats_on_every_zone(): void
    {
        $pot = Pot::of('1', 'Gull', PotKind::Acrylic, Srgb::hex('#c9b48a'), (new InventedShelf(7))->paints(1)[0], []);
        self::assertTrue((new LayerRecipe('l', Technique::Airbrush, Zone::cases(), 0.0, 2, [[$pot, 1]]))->covers());
        self::assertTrue((new LayerRecipe('l', Technique::BaseCoat, Zone::cases(), 0.0, 1, [[$pot, 1]]))->covers());
        self::assertFalse((new LayerRecipe('l', Technique::Airbrush, Zone::cases(), 0.0, 1, [[$pot, 1]]))->covers());
        self::assertFalse((new LayerRecipe('l', Technique::Airbrush, [Zone::Mid, Zone::Light], 0.0, 2, [[$pot, 1]]))->covers());
        self::assertFalse((new LayerRecipe('l', Technique::Wash, Zone::cases(), 0.0, 9, [[$pot, 1]]))->covers());
    }

    /** Laws: less of the area takes no more paint, and what is kept in cup and brush does not depend on it. */
    public function test_paint_follows_the_zones_that_are_painted(): void
    {
        $this->limitTo(200)->forAll(Generators::elements(...Technique::cases()), Generators::choose(1, 31), Generators::vector(5, Generators::choose(1, 100)))
            ->then(static function (Technique $technique, int $bits, array $weights): void {
                $zones = array_values(array_filter(Zone::cases(), static fn (Zone $z): bool => ($bits & (1 << $z->index())) !== 0));
                $sum = array_sum($weights);
                $shares = array_map(static fn (mixed $w): float => is_int($w) ? $w / $sum : 0.0, array_values($weights));
                $some = Consumption::of($technique, $zones, $shares);
                $all = Consumption::of($technique, Zone::cases(), $shares);
                self::assertGreaterThanOrEqual(0.0, $some->wetMicrometres);
                self::assertLessThanOrEqual($all->wetMicrometres + 1e-9, $some->wetMicrometres);
                self::assertSame([$all->efficiency, $all->keptDrops], [$some->efficiency, $some->keptDrops]);
            });
    }

    public function test_what_is_primed_together_is_one_piece_of_work_and_what_is_not_is_not(): void
    {
        $black = self::pot('1', '#1b1b1d', PotKind::Primer);
        $white = self::pot('2', '#f2f2f0', PotKind::Primer);
        $green = self::pot('3', '#2f5d4a', PotKind::Acrylic);
        $prime = self::layer('p', Technique::SprayCan, $black);
        $zenithal = self::layer('z', Technique::ZenithalSpray, $white);
        $base = self::layer('b', Technique::BaseCoat, $green);
        self::assertSame(2, StackWork::priming([$prime, $zenithal, $base]));
        self::assertSame(0, StackWork::priming([$base, $prime]), 'a primer over paint is no prime');
        [$first, $second] = [StackWork::sharing([$prime, $zenithal, $base]), StackWork::sharing([self::layer('x', Technique::SprayCan, $black), self::layer('y', Technique::ZenithalSpray, $white)])];
        // The same pots in the same way: shared, whatever the layers are called. Nothing above the prime is.
        self::assertSame(array_values($first), array_values($second));
        self::assertSame([0, 1], array_keys($first));
        self::assertNotSame(array_values($first), array_values(StackWork::sharing([self::layer('x', Technique::SprayCan, $white)])));
        $plans = StackWork::plans([$prime, $zenithal, $base], 5.0, 79.0);
        self::assertSame([StepKind::Prime, StepKind::Prime, StepKind::Brush], array_column($plans, 'kind'));
        self::assertSame(['p', 'z', 'b'], array_column($plans, 'key'));
        foreach ($plans as $plan) {
            self::assertGreaterThan(0, $plan->minutes);
            self::assertGreaterThanOrEqual(0, $plan->cureMinutes);
        }
    }

    private static function layer(string $key, Technique $technique, Pot $pot): LayerRecipe
    {
        return new LayerRecipe($key, $technique, Zone::cases(), 0.0, 1, [[$pot, 1]]);
    }

    private static function pot(string $id, string $hex, PotKind $kind): Pot
    {
        return Pot::of($id, "Pot {$id}", $kind, Srgb::hex($hex), (new InventedShelf(7))->paints(1)[0] ?? throw new \LogicException('no paint'));
    }
}
