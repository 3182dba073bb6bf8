<?php

declare(strict_types=1);

namespace Tests\Core\Mesh;

use Hyalin\Light\Pose;
use Hyalin\Mesh\Finding;
use Hyalin\Mesh\FindingKind;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\PrintFindings;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * Print files with what print files have: each is made, so that it is known what must be found.
 */
final class PrintFindingsTest extends TestCase
{
    public function test_nothing_is_found_in_a_sound_file(): void
    {
        // A tripod stands on three legs, a crowd of shells in each other is one figure, a sculpt is itself.
        $crowd = Shapes::both(Shapes::ball(10.0, 24), Shapes::both(Shapes::ball(6.0, 20, 8.0, 3.0), Shapes::box(30.0, 30.0, 2.0)));
        foreach ([Shapes::ball(10.0, 24), Shapes::box(4.0, 5.0, 6.0, 3), $crowd, Shapes::sculpt('armadillo', 75.0)] as $mesh) {
            self::assertSame([], self::found($mesh));
        }
    }

    public function test_supports_and_their_raft_are_told_from_the_figure(): void
    {
        $figure = Shapes::ball(10.0, 30, 0.0, 18.0);
        $mesh = $figure;
        foreach (range(0, 6) as $n) {
            $mesh = Shapes::both($mesh, self::column(6 * cos($n), 6 * sin($n), 0.5, 11.0, 0.15));
        }
        $mesh = Shapes::both($mesh, Pose::of([-10.0, -10.0, -0.5])->applied(Shapes::box(20.0, 20.0, 1.5)));
        foreach ([1.0, 25.4] as $unit) {
            $found = self::found(Pose::of(scale: 1 / $unit)->applied($mesh), $unit);
            self::assertSame([FindingKind::Supports], self::kinds($found));
            self::assertSame(8, $found[0]->count);
        }
        $measures = MeshMeasures::of($mesh);
        [$left, $from] = PrintFindings::mended($mesh, $measures, self::found($mesh)[0]->groups[0], false);
        self::assertSame([$figure->triangles(), range(0, $figure->triangles() - 1)], [$left->triangles(), $from]);
        self::assertEqualsWithDelta(MeshMeasures::of($figure)->volumeMm3, MeshMeasures::of($left)->volumeMm3, 1e-3);
        // Two spears are no supports.
        self::assertSame([], self::found(Shapes::both($figure, Shapes::both(self::column(14.0, 0.0, 0.5, 30.0, 0.5), self::column(-14.0, 0.0, 0.5, 30.0, 0.5)))));
    }

    public function test_supports_that_have_grown_into_the_figure_are_counted(): void
    {
        // A plain with twenty pillars in one skin: cut just above the plate there are twenty sections.
        $land = Shapes::land(0.0, 50.0, 0.0, 40.0, 250, 200, static fn (float $x, float $y): float => fmod($x, 10.0) > 4.2 && fmod($x, 10.0) < 5.8 && fmod($y, 10.0) > 4.2 && fmod($y, 10.0) < 5.8 ? 12.0 : 0.0);
        [$finding] = self::found($land);
        self::assertSame([FindingKind::GrownSupports, 20], [$finding->kind, $finding->count]);
    }

    public function test_hollow_doubled_and_inside_out_prints_are_named_and_mended(): void
    {
        $outer = Shapes::ball(10.0, 30);
        $inner = self::turned(Shapes::ball(8.0, 24));
        $hollow = Shapes::both($outer, $inner);
        $found = self::found($hollow);
        self::assertSame([[FindingKind::InnerWalls], [[1]]], [self::kinds($found), $found[0]->groups]);
        self::assertEqualsWithDelta(MeshMeasures::of($inner)->areaMm2, $found[0]->area, 1e-2);
        // As a whole inside out, the same wall is still the inner one.
        $found = self::found(self::turned($hollow));
        self::assertSame([FindingKind::InsideOut, FindingKind::InnerWalls], self::kinds($found));
        [$right] = PrintFindings::mended(self::turned($hollow), MeshMeasures::of($hollow), $found[1]->groups[0], true);
        self::assertEqualsWithDelta(MeshMeasures::of($outer)->volumeMm3, MeshMeasures::of($right)->volumeMm3, 1e-3);
        $twice = self::found(Shapes::both($outer, $outer));
        self::assertSame([[FindingKind::Doubles], [[1]]], [self::kinds($twice), $twice[0]->groups]);
    }

    public function test_parts_on_a_plate_are_taken_apart_with_their_small_pieces(): void
    {
        $plate = null;
        foreach ([0, 1, 2] as $n) {
            $part = Shapes::both(Shapes::ball(5.0, 20, 15.0 * $n, 5.0), Shapes::ball(0.4, 8, 15.0 * $n, 10.0));
            $plate = $plate === null ? $part : Shapes::both($plate, $part);
        }
        $found = self::found($plate);
        self::assertSame([[FindingKind::SideBySide], 3, [[0, 1], [2, 3], [4, 5]]], [self::kinds($found), $found[0]->count, $found[0]->groups]);
        // One above another is no plate.
        self::assertSame([], self::found(Shapes::both(Shapes::ball(5.0, 20), Shapes::ball(5.0, 20, 15.0, 30.0))));
    }

    /** @return list<Finding> */
    private static function found(TriangleMesh $mesh, float $unitMm = 1.0): array
    {
        return PrintFindings::of($mesh, MeshMeasures::of($mesh), $unitMm);
    }

    /**
     * @param  list<Finding>  $found
     * @return list<FindingKind>
     */
    private static function kinds(array $found): array
    {
        return array_map(static fn (Finding $f): FindingKind => $f->kind, $found);
    }

    private static function column(float $x, float $y, float $radius, float $high, float $tip): TriangleMesh
    {
        return Pose::of([$x, $y, 0.0])->applied(Shapes::stacked([['round', $radius, $radius, 0.0], ['round', $radius, $radius, $high - 2], ['round', $tip, $tip, $high]], 12));
    }

    private static function turned(TriangleMesh $mesh): TriangleMesh
    {
        return PrintFindings::mended($mesh, MeshMeasures::of($mesh), [], true)[0];
    }
}
