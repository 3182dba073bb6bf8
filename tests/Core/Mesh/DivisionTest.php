<?php

declare(strict_types=1);

namespace Tests\Core\Mesh;

use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Borders;
use Hyalin\Mesh\Curvature;
use Hyalin\Mesh\Division;
use Hyalin\Mesh\FirstCorners;
use Hyalin\Mesh\InvalidMesh;
use Hyalin\Mesh\Mirror;
use Hyalin\Mesh\Nearest;
use Hyalin\Mesh\NearestSeeds;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\ShortestLine;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Mesh\Ways;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * A sculpt cut along its creases: on bodies whose creases and shortest borders are known, and on a sculpt.
 */
final class DivisionTest extends TestCase
{
    private const TIP = 0.3;

    public function test_a_waist_parts_two_bodies_by_itself_and_between_seeds(): void
    {
        $mesh = Shapes::turned(static fn (float $z): float => 7.0 - 3.0 * exp(-(($z - 15) / 1.5) ** 2), 0.0, 30.0, 180, 90);
        $division = self::division($mesh);
        [, , $z] = $mesh->coordinates();
        $cut = static function (array $labels) use ($z): array {
            $below = $above = [];
            foreach ($z as $v => $at) {
                $label = is_int($labels[$v]) ? $labels[$v] : -1;
                if ($at < 14) {
                    $below[$label] = true;
                } elseif ($at > 16) {
                    $above[$label] = true;
                }
            }

            return [array_keys($below), array_keys($above)];
        };
        [$below, $above] = $cut($division->proposed(2));
        self::assertSame([1, 1, []], [count($below), count($above), array_intersect($below, $above)]);
        // Wherever the two seeds are set, the border lies in the waist, as long as the waist is round.
        foreach ([[7.0, 23.0], [3.0, 18.5], [12.0, 28.0]] as [$low, $high]) {
            $seeds = [Nearest::vertex($mesh, [5.0, 0.0, $low]) => 4, Nearest::vertex($mesh, [-5.0, 0.0, $high]) => 9];
            $labels = $division->seeded($seeds);
            self::assertSame([[4], [9]], $cut($labels), "{$low} {$high}");
            self::assertEqualsWithDelta(2 * M_PI * 4.0, self::borders($mesh, $labels), 0.06 * 2 * M_PI * 4.0);
        }
        // Three seeds, two of them in one body without a crease between: it is parted all the same, and the waist holds.
        $seeds = [Nearest::vertex($mesh, [7.0, 0.0, 7.5]) => 1, Nearest::vertex($mesh, [-7.0, 0.0, 7.5]) => 2, Nearest::vertex($mesh, [0.0, 7.0, 22.5]) => 3];
        [$below, $above] = $cut($division->seeded($seeds));
        sort($below);
        self::assertSame([[1, 2], [3]], [$below, $above]);
        $filled = array_map(static fn (int $v): float => $z[$v], array_keys($division->patches->filled(array_key_last($seeds), 0.05)));
        self::assertEqualsWithDelta([15.0, 30.0], [min([30.0, ...$filled]), max([0.0, ...$filled])], 0.6, 'a fill stops in the waist');
        // A second body that no seed is on belongs to nobody.
        $two = Shapes::both($mesh, Shapes::ball(3.0, 20, 40.0));
        self::assertContains(null, self::division($two)->seeded($seeds));
    }

    public function test_seeds_divide_a_body_with_borders_in_its_folds(): void
    {
        // Two balls grown into each other, seen as one skin with a waist: a dumb-bell. One seed in each, far from the waist.
        $bell = Shapes::turned(static fn (float $z): float => sqrt(max(1e-6, $z < 0 ? 25 - ($z + 4.5) ** 2 : 25 - ($z - 4.5) ** 2)), -9.5, 9.5, 120, 96);
        [, , $z] = $bell->coordinates();
        // One of them close to the waist: nearer to it than half of the other ball, and the border stays in the fold.
        $seeds = [Nearest::vertex($bell, [2.5, 0.0, -8.5]) => 7, Nearest::vertex($bell, [4.0, 0.0, 1.5]) => 9];
        $of = self::division($bell)->seeded($seeds);
        $wrong = 0;
        foreach ($of as $v => $area) {
            $wrong += $area === ($z[$v] < 0 ? 7 : 9) ? 0 : 1;
        }
        self::assertLessThan(0.02 * count($of), $wrong);
        // What no seed reaches is nobody's.
        $none = self::division(Shapes::both($bell, Shapes::box(1.0, 1.0, 1.0)))->seeded($seeds);
        self::assertSame([null], array_values(array_unique(array_slice($none, $bell->vertices()))));
        self::assertNotContains(null, array_slice($none, 0, $bell->vertices()));
        $this->expectException(InvalidMesh::class);
        self::division($bell)->seeded([$bell->vertices() => 1]);
    }

    public function test_seeds_on_a_flat_sheet_share_it_by_nearness(): void
    {
        $sheet = Shapes::land(0.0, 40.0, 0.0, 20.0, 80, 40, static fn (): float => 0.0);
        $labels = self::division($sheet)->seeded([Nearest::vertex($sheet, [10.0, 10.0, 0.0]) => 1, Nearest::vertex($sheet, [30.0, 10.0, 0.0]) => 2]);
        $regions = Regions::given(array_map(static fn (?int $area): int => $area ?? -1, SurfaceGraph::onTriangles($sheet, null, $labels)));
        self::assertEqualsWithDelta([1 => 400.0, 2 => 400.0], $regions->areas(Adjacency::of($sheet)), 20.0);
    }

    public function test_a_line_drawn_around_a_place_closes_it_in(): void
    {
        // On a plain, what lies between its points; around a waist, the smaller of the two bodies.
        $sheet = Shapes::land(0.0, 40.0, 0.0, 40.0, 80, 80, static fn (): float => 0.0);
        $points = array_map(static fn (array $p): int => Nearest::vertex($sheet, $p), [[10.0, 10.0, 0.0], [30.0, 10.0, 0.0], [30.0, 25.0, 0.0], [10.0, 25.0, 0.0]]);
        $within = self::division($sheet)->enclosed($points);
        self::assertEqualsWithDelta(20.0 * 15.0, self::mm2(SurfaceGraph::of($sheet), $within), 36.0);
        self::assertNull(self::division($sheet)->enclosed([$points[0], $points[1], $points[0]]));
        $bodies = Shapes::turned(static fn (float $z): float => 7.0 - 3.0 * exp(-(($z - 12) / 1.5) ** 2), 0.0, 30.0, 180, 90);
        // Clicked beside the waist on purpose: the line finds it.
        $points = array_map(static fn (array $p): int => Nearest::vertex($bodies, $p), [[4.5, 0.0, 13.0], [0.0, 4.5, 11.2], [-4.5, 0.0, 12.8], [0.0, -4.5, 11.0]]);
        [, , $z] = $bodies->coordinates();
        $heights = array_map(static fn (int $v): float => $z[$v], array_keys(self::division($bodies)->enclosed($points) ?? []));
        self::assertEqualsWithDelta([0.0, 12.5], [min([30.0, ...$heights]), max([0.0, ...$heights])], 0.8);
    }

    public function test_what_lies_across_is_found_wherever_the_figure_stands(): void
    {
        // A body with two hands, the whole moved aside; one ear on one side only.
        $body = Shapes::both(Shapes::ball(8.0, 40, 3.0), Shapes::both(Shapes::ball(2.0, 20, 14.0, 4.0), Shapes::ball(2.0, 20, -8.0, 4.0)));
        $mesh = Shapes::both($body, Shapes::ball(1.0, 12, 3.0, 9.5));
        $mirror = Mirror::of($mesh, [1.0, 0.0, 0.0]);
        self::assertEqualsWithDelta(3.0, $mirror->at, 0.1);
        [$x] = $mesh->coordinates();
        $right = $left = [];
        foreach ($x as $v => $at) {
            $right += $at > 11.5 ? [$v => true] : [];
            $left += $at < -5.5 ? [$v => true] : [];
        }
        $across = $mirror->across($right);
        ksort($across);
        self::assertSame($left, $across);
        // There and back.
        self::assertCount(count($right), $mirror->across($left));
        // Nothing is across from what stands alone.
        $alone = Mirror::of(Shapes::both(Shapes::ball(8.0, 40), Shapes::ball(2.0, 20, 12.0)), [1.0, 0.0, 0.0]);
        self::assertSame([], $alone->across(array_fill_keys(range(Shapes::ball(8.0, 40)->vertices(), Shapes::ball(8.0, 40)->vertices() + 50), true)));
    }

    public function test_where_no_crease_helps_a_border_is_about_as_short_as_it_can_be(): void
    {
        $ball = Shapes::ball(10.0, 60);
        foreach ([[[0.0, 0.0, 10.0], [0.0, 0.0, -10.0]], [[7.0, 7.0, 1.0], [-6.0, -7.0, 4.0]]] as [$one, $two]) {
            $labels = self::division($ball)->seeded([Nearest::vertex($ball, $one) => 1, Nearest::vertex($ball, $two) => 2]);
            // No closed line that halves a ball is shorter than a great circle.
            self::assertLessThan(1.3 * 2 * M_PI * 10.0, self::borders($ball, $labels));
        }
    }

    /** What makes a way a shortest one (R. Bellman 1958): no edge leads anywhere for less, and each way is as long as it is told. */
    public function test_no_edge_makes_a_way_shorter(): void
    {
        $surface = SurfaceGraph::of($ball = Shapes::ball(10.0, 40));
        mt_srand(7);
        $cost = array_map(static fn (): float => mt_rand(1, 400) / 20, range(1, $ball->vertices()));
        $sources = [Nearest::vertex($ball, [0.0, 0.0, 10.0]) => 1, Nearest::vertex($ball, [0.0, 0.0, -10.0]) => 2];
        $ways = Ways::from($surface, $sources, $cost);
        self::assertCount($ball->vertices(), $ways->far);
        foreach ($ways->far as $v => $far) {
            for ($i = $surface->first[$v], $end = $surface->first[$v + 1]; $i < $end; $i++) {
                $w = $surface->next[$i];
                self::assertLessThanOrEqual($far + $surface->mm[$i] * $cost[$w] + 1e-9, $ways->far[$w]);
            }
            $reached = array_filter(range($surface->first[$v], $surface->first[$v + 1] - 1), static fn (int $i): bool => abs($ways->far[$surface->next[$i]] + $surface->mm[$i] * $cost[$v] - $far) < 1e-9 && $ways->of[$surface->next[$i]] === $ways->of[$v]);
            self::assertTrue($reached !== [] || ($far === 0.0 && $sources[$v] === $ways->of[$v]));
        }
        // As far as it is asked for.
        self::assertEquals(array_filter($ways->far, static fn (float $far): bool => $far <= 30.0), Ways::from($surface, $sources, $cost, most: 30.0)->far);
        // Looked for from both ends, the way is as long; what lies apart has none.
        foreach ([[0, 40], [7, 1500], [800, 801], [33, 33], [1200, 12]] as [$from, $to]) {
            $line = ShortestLine::between($surface, $cost, $from, $to);
            self::assertSame([$from, $to], [$line[0], $line[count($line) - 1]]);
            $long = 0.0;
            foreach (array_slice($line, 1) as $n => $v) {
                $at = array_search($v, array_slice($surface->next, $surface->first[$line[$n]], $surface->first[$line[$n] + 1] - $surface->first[$line[$n]]), true);
                self::assertNotFalse($at);
                $long += $surface->mm[$surface->first[$line[$n]] + $at] * $cost[$v];
            }
            self::assertEqualsWithDelta(Ways::from($surface, [$from => 0], $cost)->far[$to], $long, 1e-9);
        }
        $two = Shapes::both($ball, Shapes::ball(3.0, 20));
        self::assertSame([], ShortestLine::between(SurfaceGraph::of($two), array_fill(0, $two->vertices(), 1.0), 0, $two->vertices() - 1));
    }

    /** Each seed alone, by Ways, over what a wall keeps from it at no price at all: the nearest seed has it. */
    public function test_everybody_is_with_the_nearest_seed_on_their_side_of_a_wall(): void
    {
        $surface = SurfaceGraph::of($ball = Shapes::ball(10.0, 40));
        mt_srand(8);
        $crease = array_map(static fn (): float => mt_rand(-100, 200) / 1000, range(1, $ball->vertices()));
        $walls = array_map(static fn (float $z): int => $z > 2.0 ? 1 : 0, $ball->coordinates()[2]);
        $seeds = [];
        foreach ([[0.0, 0.0, 10.0], [9.0, 0.0, 4.0], [0.0, 9.0, 4.0], [0.0, 0.0, -10.0], [0.0, 10.0, -1.0]] as $label => $at) {
            $seeds[Nearest::vertex($ball, $at)] = $label;
        }
        $far = [];
        foreach ($seeds as $seed => $label) {
            $cost = array_map(static fn (float $depth, int $side): float => $side === $walls[$seed] ? 1 + 30.0 * max(0.0, $depth) : INF, $crease, $walls);
            $far[$label] = Ways::from($surface, [$seed => $label], $cost)->far;
        }
        $nearest = NearestSeeds::of($surface, $crease, 30.0, $walls, $seeds);
        self::assertCount(5, array_unique($nearest));
        foreach ($nearest as $v => $label) {
            self::assertSame(min(array_map(static fn (array $ways): float => $ways[$v] ?? INF, $far)), $far[$label][$v] ?? NAN);
        }
        // A side without a seed is nobody's.
        self::assertSame([NearestSeeds::NONE], array_values(array_unique(array_intersect_key(NearestSeeds::of($surface, $crease, 30.0, $walls, array_slice($seeds, 0, 3, true)), array_filter($walls, static fn (int $side): bool => $side === 0)))));
    }

    public function test_triangles_that_two_corners_outvote_are_found_by_their_first(): void
    {
        $ball = Shapes::ball(10.0, 30);
        mt_srand(9);
        $labels = array_map(static fn (): ?int => [null, 3, 5][mt_rand(0, 2)], range(1, $ball->vertices()));
        $number = range(7, $ball->triangles() + 6);
        shuffle($number);
        $first = array_map(static fn (array $corners): ?int => $labels[$corners[0]], array_chunk($ball->corners(), 3));
        $theirs = FirstCorners::of($ball, $number)->outvoted($labels);
        self::assertNotEmpty($theirs);
        self::assertSame(SurfaceGraph::onTriangles($ball, null, $labels), array_map(static fn (?int $own, int $n): ?int => array_key_exists($n, $theirs) ? $theirs[$n] : $own, $first, $number));
    }

    /** The armadillo of Debian's libcgal-demo: plates, limbs and head are parted in their folds, whatever is proposed or seeded. */
    public function test_a_sculpt_is_divided_in_its_folds(): void
    {
        $sculpt = Shapes::sculpt('armadillo', 75.0);
        $bend = Curvature::ofVertices($sculpt, null, $sculpt);
        $surface = SurfaceGraph::of($sculpt);
        $division = Division::of($surface, $bend, self::TIP);
        $proposed = $division->proposed(12);
        self::assertGreaterThanOrEqual(5, count(array_unique($proposed)));
        self::assertLessThanOrEqual(12, count(array_unique($proposed)));
        self::assertGreaterThan(0.85, self::inFolds($surface, $bend, $proposed));
        $seeds = [];
        foreach (range(0, 9) as $n) {
            $seeds[2600 * $n] = $n;
        }
        $labels = $division->seeded($seeds);
        self::assertGreaterThan(0.85, self::inFolds($surface, $bend, $labels));
        foreach ($seeds as $v => $area) {
            self::assertSame($area, $labels[$v]);
        }
        foreach ($labels as $v => $label) {
            $around = array_map(static fn (int $w): ?int => $labels[$w], array_slice($surface->next, $surface->first[$v], $surface->first[$v + 1] - $surface->first[$v]));
            self::assertContains($label, $around, 'a fleck of one vertex');
        }
        // Seeds in the middle of areas: whichever of them is set elsewhere within 3 mm, all but 4 % of the surface is divided the same.
        $middle = self::middles($surface, $division->proposed(10));
        $labels = $division->seeded($middle);
        foreach ($middle as $v => $area) {
            $ring = array_keys(array_filter(Ways::from($surface, [$v => 0], most: 3.0)->far, static fn (float $mm): bool => $mm > 2.5));
            sort($ring);
            foreach ([0, intdiv(count($ring), 3), intdiv(2 * count($ring), 3)] as $n) {
                $moved = $middle;
                unset($moved[$v]);
                $moved[$ring[$n]] = $area;
                $other = $division->seeded($moved);
                $changed = 0.0;
                foreach ($labels as $w => $label) {
                    $changed += $label === $other[$w] ? 0.0 : $surface->area[$w];
                }
                self::assertLessThan(0.04 * array_sum($surface->area), $changed);
            }
        }
    }

    /** The dragon of the same data: its mane, its mouth and its collar. */
    public function test_a_dragon_is_divided_in_its_folds(): void
    {
        $sculpt = Shapes::sculpt('ChineseDragon-10kv', 75.0);
        $bend = Curvature::ofVertices($sculpt, null, $sculpt);
        $surface = SurfaceGraph::of($sculpt);
        $labels = Division::of($surface, $bend, self::TIP)->seeded(array_combine(range(0, 9000, 1000), range(0, 9)));
        self::assertGreaterThan(0.75, self::inFolds($surface, $bend, $labels));
    }

    /** A smooth waist that bends outwards on the whole, as a wrist does: no crease, and a proposal cuts there all the same. */
    public function test_a_neck_without_a_crease_parts_a_proposal(): void
    {
        $mesh = Shapes::turned(static fn (float $z): float => 7.0 - 3.0 * exp(-(($z - 15) / 6) ** 2), 0.0, 30.0, 180, 90);
        $curvature = Curvature::ofVertices($mesh, null, $mesh);
        [, , $z] = $mesh->coordinates();
        self::assertSame([0], array_values(array_unique(self::division($mesh)->proposed())));
        $proposed = self::division($mesh)->proposedWithNecks($mesh, $curvature);
        [$below, $above] = [$proposed[Nearest::vertex($mesh, [0.0, 0.0, 0.0])], $proposed[Nearest::vertex($mesh, [0.0, 0.0, 30.0])]];
        foreach ($z as $v => $at) {
            if (abs($at - 15.0) > 0.7) {
                self::assertSame($at < 15.0 ? $below : $above, $proposed[$v]);
            }
        }
        self::assertCount(2, array_unique($proposed));
        // A closed body of one piece lacks two full turns in all (Gauss and Bonnet), one with a hole none.
        self::assertEqualsWithDelta(4 * M_PI, array_sum(Curvature::deficits($mesh)), 1e-6);
    }

    /**
     * @param  list<int>  $labels
     * @return array<int, int> area by the vertex farthest from its border
     */
    private static function middles(SurfaceGraph $surface, array $labels): array
    {
        $rim = [];
        foreach ($labels as $v => $label) {
            for ($i = $surface->first[$v], $end = $surface->first[$v + 1]; $i < $end; $i++) {
                $rim += $labels[$surface->next[$i]] === $label ? [] : [$v => 0];
            }
        }
        $best = [];
        foreach (Ways::from($surface, $rim)->far as $v => $mm) {
            if ($mm >= ($best[$labels[$v]][1] ?? 0.0)) {
                $best[$labels[$v]] = [$v, $mm];
            }
        }

        return array_combine(array_column($best, 0), array_keys($best));
    }

    /**
     * @param  list<float>  $bend  per mm, by vertex
     * @param  list<int|null>  $labels
     * @return float of the edges across a border the share that ends where the smoothed surface is concave
     */
    private static function inFolds(SurfaceGraph $surface, array $bend, array $labels): float
    {
        $concave = array_map(static fn (float $h): bool => $h < -0.05, $surface->smoothed($bend, 0.5));
        $all = $in = 0;
        foreach ($labels as $v => $label) {
            for ($i = $surface->first[$v], $end = $surface->first[$v + 1]; $i < $end; $i++) {
                $w = $surface->next[$i];
                if ($labels[$w] !== $label) {
                    $all++;
                    $in += $concave[$v] || $concave[$w] ? 1 : 0;
                }
            }
        }

        return $in / max(1, $all);
    }

    private static function division(TriangleMesh $mesh): Division
    {
        return Division::of(SurfaceGraph::of($mesh), Curvature::ofVertices($mesh, null, $mesh), self::TIP);
    }

    /** @param  list<int|null>  $labels */
    private static function borders(TriangleMesh $mesh, array $labels): float
    {
        $regions = Regions::given(array_map(static fn (?int $area): int => $area ?? -1, SurfaceGraph::onTriangles($mesh, null, $labels)));

        return array_sum(array_column(Borders::of($mesh, Adjacency::of($mesh), $regions), 2));
    }

    /** @param  array<int, true>|null  $vertices */
    private static function mm2(SurfaceGraph $surface, ?array $vertices): float
    {
        return array_sum(array_map(static fn (int $v): float => $surface->area[$v], array_keys($vertices ?? [])));
    }
}
