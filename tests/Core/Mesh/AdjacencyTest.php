<?php

declare(strict_types=1);

namespace Tests\Core\Mesh;

use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\FlatFace;
use Hyalin\Mesh\InvalidMesh;
use Hyalin\Mesh\Nearest;
use Hyalin\Mesh\TriangleCells;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * Edges, their angles, and what lies near a point, on shapes whose numbers can be written down.
 */
final class AdjacencyTest extends TestCase
{
    public function test_a_roof_is_a_ridge_and_a_gutter_a_valley_of_its_angle(): void
    {
        foreach ([10.0, 30.0, 45.0, 80.0] as $pitch) {
            $slope = tan(deg2rad($pitch));
            foreach ([1.0, -1.0] as $sign) {
                $roof = Shapes::land(-4.0, 4.0, 0.0, 6.0, 8, 6, static fn (float $x): float => -$sign * $slope * abs($x));
                $edges = Adjacency::of($roof);
                [$x] = $roof->coordinates();
                $bent = 0;
                foreach ($edges->angle as $e => $angle) {
                    [$p, $q] = $edges->ends($e);
                    if (abs($x[$p]) < 1e-9 && abs($x[$q]) < 1e-9) {
                        self::assertEqualsWithDelta($sign * 2 * $pitch, $angle, 0.01);
                        $bent++;
                    } else {
                        self::assertEqualsWithDelta(0.0, $angle, 0.05);
                    }
                }
                self::assertSame(6, $bent);
            }
        }
    }

    public function test_edges_know_their_triangles_and_ends(): void
    {
        $ball = Shapes::ball(5.0, 16);
        $edges = Adjacency::of($ball);
        // A closed mesh: three half-edges a triangle, two of them an edge (Euler: V - E + F = 2).
        self::assertCount(intdiv(3 * $ball->triangles(), 2), $edges->angle);
        self::assertSame(2, $ball->vertices() - count($edges->angle) + $ball->triangles());
        $corners = array_chunk($ball->corners(), 3);
        $seen = [];
        foreach (array_keys($edges->angle) as $e) {
            [$one, $two] = $edges->triangles($e);
            [$p, $q] = $edges->ends($e);
            self::assertNotSame($one, $two);
            foreach ([$one, $two] as $t) {
                self::assertContains($p, $corners[$t]);
                self::assertContains($q, $corners[$t]);
            }
            self::assertSame([$two, $one], [$edges->across($e, $one), $edges->across($e, $two)]);
            // Everywhere a ball bends outwards, but for the flat diagonals of its squares.
            self::assertGreaterThan(-1e-3, $edges->angle[$e]);
            $seen[$one][] = $e;
            $seen[$two][] = $e;
        }
        ksort($seen);
        $own = $edges->edgesOf();
        self::assertCount(count($seen), $own);
        foreach ($seen as $t => $list) {
            self::assertEqualsCanonicalizing($list, $own[$t]);
        }
        self::assertEqualsWithDelta(4 * M_PI * 25, array_sum($edges->area), 4.0);
    }

    public function test_open_edges_are_none_and_a_face_that_runs_the_other_way_is_told_by_its_angle(): void
    {
        $corner = [[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [1.0, 1.0, 0.0]];
        $flat = Adjacency::of(TriangleMesh::build($corner, [[0, 1, 2], [1, 3, 2]]));
        self::assertCount(1, $flat->angle);
        self::assertEqualsWithDelta(0.0, $flat->angle[0], 1e-9);
        // The second one inside out: as if folded onto the first.
        $folded = Adjacency::of(TriangleMesh::build($corner, [[0, 1, 2], [1, 2, 3]]));
        self::assertEqualsWithDelta(180.0, abs($folded->angle[0]), 1e-9);
        // A triangle without area has no direction and bends nothing.
        $thin = Adjacency::of(TriangleMesh::build([...$corner, [2.0, 0.0, 0.0]], [[0, 1, 2], [1, 0, 4]]));
        self::assertEqualsWithDelta([0.5, 0.0], $thin->area, 1e-12);
        self::assertTrue(is_finite($thin->angle[0]));
    }

    public function test_the_nearest_triangle_is_the_one_a_plain_search_finds(): void
    {
        mt_srand(3);
        $mesh = Shapes::both(Shapes::ball(5.0, 14, atZ: 9.0), Shapes::box(6.0, 6.0, 3.0, 5));
        [$x, $y, $z] = $mesh->coordinates();
        $cells = TriangleCells::unpacked(TriangleCells::of($mesh)->packed());
        for ($n = 0; $n < 30; $n++) {
            $at = [mt_rand(-80, 80) / 10, mt_rand(-80, 80) / 10, mt_rand(-20, 150) / 10];
            $far = [];
            foreach (array_chunk($mesh->corners(), 3) as [$a, $b, $c]) {
                $far[] = sqrt((($x[$a] + $x[$b] + $x[$c]) / 3 - $at[0]) ** 2 + (($y[$a] + $y[$b] + $y[$c]) / 3 - $at[1]) ** 2 + (($z[$a] + $z[$b] + $z[$c]) / 3 - $at[2]) ** 2);
            }
            [$nearest, $distance] = Nearest::to($mesh, $at);
            self::assertEqualsWithDelta(min([INF, ...$far]), $distance, 1e-9);
            self::assertEqualsWithDelta($far[$nearest], $distance, 1e-9);
            $radius = mt_rand(1, 60) / 10;
            $within = array_keys(array_filter($far, static fn (float $d): bool => $d <= $radius));
            // A brush that touches nothing touches what is nearest.
            self::assertSame($within ?: [$nearest], Nearest::within($mesh, $at, $radius));
            // Found by the cubes that they lie in as well.
            self::assertSame($within, $cells->near($mesh, $at, $radius)[0]);
            self::assertEqualsWithDelta($distance, $far[$cells->near($mesh, $at, $radius)[1]], 1e-9);
        }
    }

    public function test_a_face_ends_where_it_bends(): void
    {
        $box = Shapes::box(2.0, 3.0, 4.0, 4);
        $edges = Adjacency::of($box);
        $areas = [];
        for ($t = 0; $t < $box->triangles(); $t++) {
            $face = FlatFace::around($box, $edges, $t);
            $areas[(string) round($face->mm2, 3)] = true;
            self::assertEqualsWithDelta(1.0, $face->normal[0] ** 2 + $face->normal[1] ** 2 + $face->normal[2] ** 2, 1e-9);
            // The middle of a side lies half-way up or on its plane.
            self::assertEqualsWithDelta(1.0 * (1 + $face->normal[0]), $face->centre[0], 1e-5);
            self::assertEqualsWithDelta(1.5 * (1 + $face->normal[1]), $face->centre[1], 1e-5);
            self::assertEqualsWithDelta(2.0 * (1 + $face->normal[2]), $face->centre[2], 1e-5);
        }
        self::assertEqualsCanonicalizing(['6', '8', '12'], array_map(strval(...), array_keys($areas)));
        // A ball closes upon itself: it has no side to be joined by.
        $this->expectException(InvalidMesh::class);
        $this->expectExceptionMessage('there is no face to join');
        $ball = Shapes::ball(5.0, 40);
        FlatFace::around($ball, Adjacency::of($ball), 0);
    }
}
