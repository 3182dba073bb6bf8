<?php

declare(strict_types=1);

namespace Tests\Core\Light;

use Hyalin\Light\Fitted;
use Hyalin\Light\Kit;
use Hyalin\Light\Pose;
use Hyalin\Mesh\Plugs;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * Parts of a kit whose place is known, shuffled and put together again by their pegs and sockets.
 */
final class KitTest extends TestCase
{
    public function test_pegs_and_sockets_are_found_as_they_were_made(): void
    {
        $plugs = Plugs::of(self::torso());
        self::assertCount(2, $plugs);
        [$peg, $socket] = $plugs[0]->isSocket ? [$plugs[1], $plugs[0]] : $plugs;
        self::assertEqualsWithDelta([[0.0, 0.0, -4.0], [0.0, 0.0, -1.0], 4.0], [$peg->centre, $peg->axis, $peg->depth], 1e-3);
        // A rectangle of 4 by 6 mm, its corners cut a little; a bore of 48 sides.
        self::assertEqualsWithDelta(sqrt(24 / M_PI), $peg->radius, 0.02);
        self::assertEqualsWithDelta([[0.0, 0.0, 16.5], [0.0, 0.0, 1.0], 3.5], [$socket->centre, $socket->axis, $socket->depth], 1e-3);
        self::assertEqualsWithDelta(2.0 * sqrt(sin(2 * M_PI / 48) * 48 / (2 * M_PI)), $socket->radius, 1e-3);
        // No peg in a ball, a box or a rod: nothing stands on a shoulder there.
        foreach ([Shapes::ball(8.0, 40), Shapes::box(6.0, 4.0, 20.0), Shapes::stacked([['round', 2.0, 2.0, 0.0], ['round', 2.0, 2.0, 9.0]])] as $plain) {
            self::assertSame([], Plugs::of($plain));
        }
    }

    /** Moves that are a part's own are found again whatever they were: a law, not an example. */
    public function test_a_shuffled_kit_stands_as_it_was_cut(): void
    {
        mt_srand(11);
        // Each at its place already: base below, torso on it, head on that, an arm with two pegs at the side of the base.
        $meshes = [1 => self::base(), 2 => self::torso(), 3 => self::moved(self::head(), [0.0, 0.0, 20.0]), 4 => self::arm()];
        for ($round = 0; $round < 6; $round++) {
            $parts = $moves = [];
            foreach ($meshes as $id => $mesh) {
                $moves[$id] = $id === 1 ? Pose::of() : Pose::of(
                    [self::random(80), self::random(80), self::random(80)],
                    [self::random(1), self::random(1), self::random(1), self::random(1) + 1.1],
                );
                $parts[$id] = [Pose::of(), Plugs::of($moves[$id]->applied($mesh))];
            }
            $fitted = Kit::assembled($parts, 1);
            self::assertSame([2, 3, 4], self::sorted(array_map(static fn (Fitted $f): int => $f->part, $fitted)));
            foreach ($fitted as $joint) {
                self::assertTrue($joint->isSure && ! $joint->stood);
                // A round head may look anywhere; the others only one way, the rectangle of the torso two.
                foreach ($joint->part === 3 ? [[0.0, 0.0, 20.0], [0.0, 0.0, 26.0]] : [[0.0, 0.0, 10.0], [7.0, 3.0, 4.0], [-7.0, -3.0, 4.0]] as $point) {
                    $back = $joint->pose->place($moves[$joint->part]->place($point));
                    $apart = min(self::apart($point, $back), $joint->part === 2 ? self::apart([-$point[0], -$point[1], $point[2]], $back) : INF);
                    self::assertLessThan(0.16, $apart, "part {$joint->part} in round {$round}");
                }
            }
        }
    }

    public function test_what_sits_already_stays_and_what_fits_twice_is_said(): void
    {
        $parts = [1 => [Pose::of(), Plugs::of(self::base())], 2 => [Pose::of(), Plugs::of(self::torso())]];
        [$joint] = Kit::assembled($parts, 1);
        self::assertSame([true, true], [$joint->stood, $joint->isSure]);
        self::assertEqualsWithDelta(Pose::of()->place([1.0, 2.0, 3.0]), $joint->pose->place([1.0, 2.0, 3.0]), 1e-9);

        $two = [1 => [Pose::of(), Plugs::of(self::torso())], 2 => [Pose::of([30.0, 0.0, 0.0]), Plugs::of(self::torso())], 3 => [Pose::of([0.0, 50.0, 0.0]), Plugs::of(self::head())]];
        [$joint] = Kit::assembled($two, 1);
        self::assertSame([3, 1, false], [$joint->part, $joint->onto, $joint->isSure]);
    }

    public function test_parts_follow_what_they_stand_on(): void
    {
        $before = Pose::of([1.0, 2.0, 3.0], [0.1, 0.2, 0.3, 0.9]);
        $after = $before->turnedAt([4.0, 4.0, 4.0], [0.0, 0.6, 0.8], 77.0);
        $child = Pose::of([5.0, -2.0, 7.0], [0.5, 0.1, 0.0, 0.8], true, 25.4);
        $follows = $child->following($before, $after);
        foreach ([[0.0, 0.0, 0.0], [1.0, 0.4, -0.3]] as $point) {
            self::assertEqualsWithDelta(Pose::of()->turnedAt([4.0, 4.0, 4.0], [0.0, 0.6, 0.8], 77.0)->place($child->place($point)), $follows->place($point), 1e-9);
        }
    }

    private static function base(): TriangleMesh
    {
        $arm = Shapes::both(self::bore(5.0, 1.1), self::bore(-5.0, 0.75));

        return Shapes::both(Shapes::stacked([['round', 14.0, 14.0, -9.0], ['round', 14.0, 14.0, 0.0], ['square', 2.1, 3.1, 0.0], ['square', 2.1, 3.1, -4.2]]), $arm);
    }

    /** Of the base, at its side. */
    private static function bore(float $y, float $r): TriangleMesh
    {
        return self::moved(Shapes::stacked([['round', 2.5, 2.5, -3.0], ['round', 2.5, 2.5, 0.0], ['round', $r, $r, 0.0], ['round', $r, $r, -2.5]]), [9.0, $y, 0.5]);
    }

    private static function torso(): TriangleMesh
    {
        return Shapes::stacked([['square', 2.0, 3.0, -4.0], ['square', 2.0, 3.0, 0.0], ['round', 7.0, 7.0, 0.0], ['round', 5.0, 5.0, 20.0], ['round', 2.0, 2.0, 20.0], ['round', 2.0, 2.0, 16.5]]);
    }

    private static function head(): TriangleMesh
    {
        // A chamfer at the end of the peg, as they are printed.
        return Shapes::stacked([['round', 1.5, 1.5, -3.4], ['round', 1.85, 1.85, -3.0], ['round', 1.85, 1.85, 0.0], ['round', 4.0, 4.0, 0.0], ['round', 5.0, 5.0, 4.0], ['round', 2.5, 2.5, 8.0]]);
    }

    /** With two pegs side by side, one thinner. */
    private static function arm(): TriangleMesh
    {
        $peg = static fn (float $y, float $r): TriangleMesh => self::moved(Shapes::stacked([['round', $r, $r, -2.4], ['round', $r, $r, 0.0], ['round', 2.2, 2.2, 0.0], ['round', 2.2, 2.2, 6.0]]), [9.0, $y, 0.5]);

        return Shapes::both($peg(5.0, 1.0), $peg(-5.0, 0.65));
    }

    /** @param  array{float, float, float}  $by */
    private static function moved(TriangleMesh $mesh, array $by): TriangleMesh
    {
        return Pose::of($by)->applied($mesh);
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     */
    private static function apart(array $a, array $b): float
    {
        return sqrt(($a[0] - $b[0]) ** 2 + ($a[1] - $b[1]) ** 2 + ($a[2] - $b[2]) ** 2);
    }

    /**
     * @param  list<int>  $of
     * @return list<int>
     */
    private static function sorted(array $of): array
    {
        sort($of);

        return $of;
    }

    private static function random(float $most): float
    {
        return $most * (2 * mt_rand() / mt_getrandmax() - 1);
    }
}
