<?php

declare(strict_types=1);

namespace Tests\Core\Mesh;

use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Borders;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * Regions and their borders on bodies whose measures are known.
 */
final class RegionsTest extends TestCase
{
    public function test_a_box_has_six_sides_that_meet_in_twelve_straight_borders(): void
    {
        $box = Shapes::box(2.0, 2.0, 2.0, 5);
        $edges = Adjacency::of($box);
        self::assertSame([90.0], array_values(array_unique(array_map(static fn (float $a): float => round($a, 6), array_filter($edges->angle, static fn (float $a): bool => $a > 1)))));
        $regions = Regions::proposed($box, $edges, 30.0, 0.5);
        self::assertEqualsWithDelta([4.0, 4.0, 4.0, 4.0, 4.0, 4.0], array_values($regions->areas($edges)), 1e-5);
        $borders = Borders::of($box, $edges, $regions);
        self::assertCount(12, $borders);
        foreach ($borders as [$a, $b, $mm, $curved]) {
            self::assertLessThan($b, $a);
            self::assertEqualsWithDelta(2.0, $mm, 1e-5);
            self::assertFalse($curved);
        }
    }

    public function test_a_cylinder_has_three_regions_and_two_round_borders(): void
    {
        $cylinder = self::cylinder(5.0, 10.0, 180, 40);
        $edges = Adjacency::of($cylinder);
        $regions = Regions::proposed($cylinder, $edges, 30.0, 1.0);
        $areas = array_values($regions->areas($edges));
        sort($areas);
        self::assertCount(3, $areas);
        self::assertEqualsWithDelta([25 * M_PI, 25 * M_PI, 100 * M_PI], $areas, 0.2);
        $borders = Borders::of($cylinder, $edges, $regions);
        self::assertCount(2, $borders);
        foreach ($borders as [, , $mm, $curved]) {
            self::assertEqualsWithDelta(10 * M_PI, $mm, 0.02 * 10 * M_PI);
            self::assertTrue($curved);
        }
    }

    /** The chain of edges alone is a third too long here; the smoothed line is within two of a hundred. */
    public function test_a_border_across_a_smooth_surface_is_as_long_as_it_is(): void
    {
        // A torus cut by a plane through its axis that runs askew of the mesh: two circles of its small radius.
        [$big, $small] = [10.0, 4.0];
        $torus = self::torus($big, $small, 240, 120);
        $edges = Adjacency::of($torus);
        [$x, $y] = $torus->coordinates();
        $of = [];
        foreach (array_chunk($torus->corners(), 3) as [$a, $b, $c]) {
            $of[] = $x[$a] + $x[$b] + $x[$c] + 0.31 * ($y[$a] + $y[$b] + $y[$c]) > 0 ? 1 : 0;
        }
        $borders = Borders::of($torus, $edges, Regions::given($of));
        self::assertCount(1, $borders);
        self::assertEqualsWithDelta(2 * 2 * M_PI * $small, $borders[0][2], 0.02 * 4 * M_PI * $small);
        self::assertTrue($borders[0][3]);
        $raw = 0.0;
        [, , $z] = $torus->coordinates();
        foreach (array_keys($edges->angle) as $e) {
            [$one, $two] = $edges->triangles($e);
            if ($of[$one] !== $of[$two]) {
                [$p, $q] = $edges->ends($e);
                $raw += sqrt(($x[$p] - $x[$q]) ** 2 + ($y[$p] - $y[$q]) ** 2 + ($z[$p] - $z[$q]) ** 2);
            }
        }
        self::assertGreaterThan(1.05 * 4 * M_PI * $small, $raw);
    }

    /** Laws of a proposal, over lands of random steps: nothing is lost, nothing small is left beside a neighbour, a gentler crease never joins more. */
    public function test_a_proposal_is_a_partition_whatever_the_land(): void
    {
        mt_srand(19);
        for ($n = 0; $n < 12; $n++) {
            $steps = [];
            $land = Shapes::land(0.0, 12.0, 0.0, 12.0, 24, 24, static function (float $x, float $y) use (&$steps): float {
                return $steps[intdiv((int) $x, 3).' '.intdiv((int) $y, 4)] ??= mt_rand(0, 30) / 10;
            });
            $edges = Adjacency::of($land);
            $all = array_sum($edges->area);
            $least = 0.02 * $all;
            $most = PHP_INT_MAX;
            foreach ([15.0, 35.0, 60.0] as $crease) {
                $regions = Regions::proposed($land, $edges, $crease, $least);
                $areas = $regions->areas($edges);
                self::assertCount($land->triangles(), $regions->of);
                self::assertEqualsWithDelta($all, array_sum($areas), 1e-9 * $all);
                // Numbered without gaps, from 0.
                self::assertSame(range(0, count($areas) - 1), array_keys($areas));
                self::assertTrue(count($areas) === 1 || min([INF, ...$areas]) >= $least);
                // Hardly ever more regions at a blunter crease: one may come of small ones that are given away after they are found.
                self::assertLessThanOrEqual($most, count($areas));
                $most = count($areas) + 1;
                foreach (Borders::of($land, $edges, $regions) as [$a, $b, $mm]) {
                    self::assertTrue($a < $b && isset($areas[$a], $areas[$b]) && $mm > 0);
                }
            }
        }
    }

    public function test_a_region_grows_up_to_the_crease_and_small_ones_are_given_away(): void
    {
        $box = Shapes::box(4.0, 4.0, 4.0, 6);
        $edges = Adjacency::of($box);
        self::assertCount(72, Regions::grown($edges, 0, 30.0));
        self::assertCount($box->triangles(), Regions::grown($edges, 0, 100.0));
        // A slab: its four narrow sides are smaller than asked, and join what they border on most.
        $slab = Shapes::box(10.0, 10.0, 0.2, 4);
        $edges = Adjacency::of($slab);
        self::assertLessThan(6, count(Regions::proposed($slab, $edges, 30.0, 5.0)->areas($edges)));
        self::assertEqualsWithDelta(208.0, array_sum(Regions::proposed($slab, $edges, 30.0, 5.0)->areas($edges)), 1e-3);
    }

    public function test_ridges_turn_out_and_valleys_turn_in(): void
    {
        // A roof and a gutter.
        $fold = static fn (float $high): TriangleMesh => Shapes::land(-1, 1, 0, 1, 2, 1, static fn (float $x): float => $high * (1 - abs($x)));
        $sharpest = static function (TriangleMesh $mesh): float {
            $angles = Adjacency::of($mesh)->angle;
            usort($angles, static fn (float $p, float $q): int => abs($q) <=> abs($p));

            return $angles[0];
        };
        self::assertEqualsWithDelta(90.0, $sharpest($fold(1.0)), 1e-4);
        self::assertEqualsWithDelta(-90.0, $sharpest($fold(-1.0)), 1e-4);
    }

    private static function cylinder(float $radius, float $height, int $around, int $up): TriangleMesh
    {
        $vertices = [[0.0, 0.0, 0.0], [0.0, 0.0, $height]];
        for ($i = 0; $i <= $up; $i++) {
            for ($j = 0; $j < $around; $j++) {
                // Each ring turned a little: the mesh runs askew.
                $a = 2 * M_PI * ($j + 0.3 * $i) / $around;
                $vertices[] = [$radius * cos($a), $radius * sin($a), $height * $i / $up];
            }
        }
        $at = static fn (int $i, int $j): int => 2 + $i * $around + $j % $around;
        $triangles = [];
        for ($j = 0; $j < $around; $j++) {
            $triangles[] = [0, $at(0, $j + 1), $at(0, $j)];
            $triangles[] = [1, $at($up, $j), $at($up, $j + 1)];
            for ($i = 0; $i < $up; $i++) {
                $triangles[] = [$at($i, $j), $at($i, $j + 1), $at($i + 1, $j + 1)];
                $triangles[] = [$at($i, $j), $at($i + 1, $j + 1), $at($i + 1, $j)];
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }

    private static function torus(float $big, float $small, int $around, int $across): TriangleMesh
    {
        $vertices = $triangles = [];
        for ($i = 0; $i < $around; $i++) {
            for ($j = 0; $j < $across; $j++) {
                [$a, $b] = [2 * M_PI * $i / $around, 2 * M_PI * $j / $across];
                $vertices[] = [($big + $small * cos($b)) * cos($a), ($big + $small * cos($b)) * sin($a), $small * sin($b)];
            }
        }
        $at = static fn (int $i, int $j): int => ($i % $around) * $across + $j % $across;
        for ($i = 0; $i < $around; $i++) {
            for ($j = 0; $j < $across; $j++) {
                $triangles[] = [$at($i, $j), $at($i + 1, $j), $at($i + 1, $j + 1)];
                $triangles[] = [$at($i, $j), $at($i + 1, $j + 1), $at($i, $j + 1)];
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }

    /** The same borders by all edges and by those strips alone that have one, whatever the regions are. */
    public function test_borders_are_the_same_by_strips(): void
    {
        $ball = Shapes::ball(10.0, 40);
        mt_srand(4);
        foreach ([1, 2, 7, 300] as $many) {
            [, , $z] = $ball->coordinates();
            $corners = $ball->corners();
            $regions = [];
            for ($t = 0; $t < $ball->triangles(); $t++) {
                $regions[] = $many === 300 ? mt_rand(0, 300) : (int) (($z[$corners[3 * $t]] + 10) / 20.001 * $many);
            }
            $strips = Borders::between($ball, $regions);
            $all = Borders::of($ball, Adjacency::of($ball), Regions::given($regions));
            self::assertSame($many > 1, $all !== []);
            self::assertEqualsWithDelta(self::sorted($all), self::sorted($strips), 1e-4);
        }
        self::assertEqualsWithDelta(Adjacency::of($ball)->area, $ball->areas(), 1e-9);
    }

    /**
     * @param  list<array{int, int, float, bool}>  $borders
     * @return list<array{int, int, float}>
     */
    private static function sorted(array $borders): array
    {
        sort($borders);

        return array_map(static fn (array $b): array => [$b[0], $b[1], $b[2]], $borders);
    }
}
