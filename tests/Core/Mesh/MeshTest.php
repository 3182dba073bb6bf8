<?php

declare(strict_types=1);

namespace Tests\Core\Mesh;

use Hyalin\Mesh\Decimation;
use Hyalin\Mesh\InvalidMesh;
use Hyalin\Mesh\MeshBuilder;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\NearWeld;
use Hyalin\Mesh\Refinement;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

final class MeshTest extends TestCase
{
    public function test_a_box_has_the_measures_of_a_box(): void
    {
        foreach ([1, 7] as $squares) {
            $found = MeshMeasures::of(Shapes::box(2.0, 3.0, 4.0, $squares));
            self::assertEqualsWithDelta(2 * (6 + 8 + 12), $found->areaMm2, 1e-5);
            self::assertEqualsWithDelta(24.0, $found->volumeMm3, 1e-5);
            self::assertSame([[0.0, 0.0, 0.0], [2.0, 3.0, 4.0]], $found->boundsMm);
            self::assertSame([1, 0, 0], [$found->shells, $found->openEdges, $found->inconsistentEdges]);
            self::assertSame(4.0, $found->size());
        }
    }

    public function test_a_ball_comes_near_the_closed_forms_from_within(): void
    {
        $found = MeshMeasures::of(Shapes::ball(5.0, 90));
        self::assertEqualsWithDelta(4 * M_PI * 25, $found->areaMm2, 0.1);
        self::assertEqualsWithDelta(4 / 3 * M_PI * 125, $found->volumeMm3, 0.5);
        self::assertLessThan(4 / 3 * M_PI * 125, $found->volumeMm3);
        self::assertSame([1, 0], [$found->shells, $found->openEdges]);
    }

    public function test_shells_holes_and_turned_faces_are_counted(): void
    {
        $two = Shapes::both(Shapes::ball(1.0, 8), Shapes::ball(1.0, 8, atX: 5.0));
        $found = MeshMeasures::of($two);
        self::assertSame(2, $found->shells);
        self::assertSame([0, 1], array_values(array_unique($found->shellOf)));
        // A sheet of 3 x 2 squares is open all round: ten edges.
        self::assertSame(10, MeshMeasures::of(Shapes::land(0, 3, 0, 2, 3, 2, static fn (): float => 0.0))->openEdges);
        // One triangle turned round: its three edges run the same way as their neighbours'.
        $box = Shapes::box(1.0, 1.0, 1.0);
        $corners = $box->corners();
        [$corners[1], $corners[2]] = [$corners[2], $corners[1]];
        $turned = TriangleMesh::of($box->positions, pack('V*', ...$corners));
        self::assertSame(3, MeshMeasures::of($turned)->inconsistentEdges);
        // Inside out, the volume is negative.
        $inside = TriangleMesh::of($box->positions, pack('V*', ...array_reverse($box->corners())));
        self::assertEqualsWithDelta(-1.0, MeshMeasures::of($inside)->volumeMm3, 1e-9);
    }

    public function test_long_edges_are_split_and_nothing_else_changes(): void
    {
        $box = Shapes::box(10.0, 10.0, 1.0);
        $refined = Refinement::of($box, 0.8);
        $split = $refined->mesh;
        self::assertCount($split->triangles(), $refined->parentOf);
        self::assertSame(range(0, 11), array_values(array_unique($refined->parentOf)));
        [$before, $after] = [MeshMeasures::of($box), MeshMeasures::of($split)];
        self::assertEqualsWithDelta($before->areaMm2, $after->areaMm2, 1e-4);
        self::assertEqualsWithDelta($before->volumeMm3, $after->volumeMm3, 1e-4);
        self::assertSame([1, 0, 0], [$after->shells, $after->openEdges, $after->inconsistentEdges]);
        [$x, $y, $z] = $split->coordinates();
        $corners = $split->corners();
        for ($t = 0, $n = count($corners); $t < $n; $t += 3) {
            foreach ([0, 1, 2] as $k) {
                [$p, $q] = [$corners[$t + $k], $corners[$t + ($k + 1) % 3]];
                self::assertLessThanOrEqual(0.8 + 1e-6, sqrt(($x[$p] - $x[$q]) ** 2 + ($y[$p] - $y[$q]) ** 2 + ($z[$p] - $z[$q]) ** 2));
            }
        }
        self::assertSame($box->triangles(), Refinement::of($box, 100.0)->mesh->triangles());
    }

    public function test_a_coarser_mesh_keeps_its_shape_and_its_shells_apart(): void
    {
        // Two balls that touch but for a hair.
        $fine = Shapes::both(Shapes::ball(10.0, 120), Shapes::ball(10.0, 120, atX: 20.01));
        $measures = MeshMeasures::of($fine);
        $coarse = Decimation::of($fine, $measures, 12_000);
        self::assertEqualsWithDelta(12_000, $coarse->mesh->triangles(), 5_000);
        $after = MeshMeasures::of($coarse->mesh);
        self::assertEqualsWithDelta(1.0, $after->areaMm2 / $measures->areaMm2, 0.02);
        self::assertEqualsWithDelta(1.0, $after->volumeMm3 / $measures->volumeMm3, 0.02);
        self::assertSame(2, $after->shells);
        self::assertCount($fine->vertices(), $coarse->vertexOf);
        // Every vertex went to one nearby.
        [$x, , $z] = $fine->coordinates();
        [$cx, , $cz] = $coarse->mesh->coordinates();
        foreach ($coarse->vertexOf as $v => $c) {
            self::assertLessThan(2.0, hypot($x[$v] - $cx[$c], $z[$v] - $cz[$c]));
        }
    }

    public function test_corners_that_differ_in_the_last_bit_are_joined_and_holes_stay(): void
    {
        $builder = new MeshBuilder;
        $box = Shapes::box(1.0, 1.0, 1.0);
        [$x, $y, $z] = $box->coordinates();
        $corners = $box->corners();
        for ($t = 0; $t < count($corners); $t += 3) {
            // Each triangle with corners of its own, a few millionths off; one triangle is missing.
            if ($t > 0) {
                $builder->triangle(...array_map(static fn (int $k): int => $builder->vertex([$x[$corners[$t + $k]] + 1e-7 * $t, $y[$corners[$t + $k]], $z[$corners[$t + $k]]]), [0, 1, 2]));
            }
        }
        $mesh = $builder->mesh();
        $before = MeshMeasures::of($mesh);
        self::assertGreaterThan(3, $before->openEdges);
        $after = MeshMeasures::of(NearWeld::of($mesh, $before));
        self::assertSame([3, 1], [$after->openEdges, $after->shells]);
    }

    public function test_minus_zero_is_zero_and_degenerate_triangles_are_left_out(): void
    {
        $builder = new MeshBuilder;
        self::assertSame($builder->vertex([0.0, 1.0, 2.0]), $builder->vertex([-0.0, 1.0, 2.0]));
        $a = $builder->vertex([0.0, 0.0, 0.0]);
        $b = $builder->vertex([1.0, 0.0, 0.0]);
        $builder->triangle($a, $b, $b);
        $builder->triangle($a, $b, $builder->vertex([0.0, 1.0, 2.0]));
        self::assertSame([1, 1], [$builder->mesh()->triangles(), $builder->degenerate]);
    }

    /** @param  callable(): mixed  $make */
    #[DataProvider('impossible')]
    public function test_what_is_no_mesh_is_refused(callable $make, string $words): void
    {
        $this->expectException(InvalidMesh::class);
        $this->expectExceptionMessage($words);
        $make();
    }

    /** @return iterable<string, array{callable(): mixed, string}> */
    public static function impossible(): iterable
    {
        yield 'nothing' => [static fn (): TriangleMesh => TriangleMesh::of('', ''), 'no triangle'];
        yield 'half a vertex' => [static fn (): TriangleMesh => TriangleMesh::of('12345', ''), 'cut off'];
        yield 'a vertex that is not there' => [static fn (): TriangleMesh => TriangleMesh::build([[0, 0, 0]], [[0, 1, 2]]), 'names vertex 1'];
        yield 'one point' => [static fn (): MeshMeasures => MeshMeasures::of(TriangleMesh::build([[1, 1, 1], [1, 1, 1], [1, 1, 1]], [[0, 1, 2]])), 'in one place'];
        yield 'no numbers' => [static function (): TriangleMesh {
            $builder = new MeshBuilder;
            $builder->triangle($builder->vertex([NAN, 0, 0]), $builder->vertex([INF, 0, 0]), $builder->vertex([0, 1, 0]));

            return $builder->mesh();
        }, '1 of 1 triangles'];
    }
}
