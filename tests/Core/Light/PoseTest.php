<?php

declare(strict_types=1);

namespace Tests\Core\Light;

use Hyalin\Light\InvalidLight;
use Hyalin\Light\Pose;
use Hyalin\Light\SprayFrom;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\FlatFace;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;

/**
 * Laws of rigid motions, and parts that are put together by their faces.
 */
final class PoseTest extends TestCase
{
    public function test_a_pose_keeps_area_and_volume_however_it_turns_and_mirrors(): void
    {
        mt_srand(7);
        $box = Shapes::box(2.0, 3.0, 5.0, 3);
        for ($n = 0; $n < 20; $n++) {
            $pose = Pose::of(
                [self::random(9), self::random(9), self::random(9)],
                [self::random(1), self::random(1), self::random(1), self::random(1) + 1.1],
                $n % 2 === 1,
            )->turned([0.0, 0.0, 1.0], self::random(180));
            $measures = MeshMeasures::of($pose->applied($box));
            // Inside out it would be negative: mirroring turns the corners round.
            self::assertEqualsWithDelta([62.0, 30.0], [$measures->areaMm2, $measures->volumeMm3], 1e-3);
            $file = $pose->inFile([0.0, 0.0, 1.0]);
            $there = [$pose->place([0.0, 0.0, 0.0]), $pose->place($file)];
            self::assertEqualsWithDelta([0.0, 0.0, 1.0], [$there[1][0] - $there[0][0], $there[1][1] - $there[0][1], $there[1][2] - $there[0][2]], 1e-9);
        }
    }

    public function test_turns_are_right_handed_and_units_come_first(): void
    {
        $pose = Pose::of([100.0, 0.0, 0.0], scale: 10.0)->turned([0.0, 0.0, 1.0], 90.0);
        self::assertEqualsWithDelta([100.0, 10.0, 0.0], $pose->place([1.0, 0.0, 0.0]), 1e-12);
        self::assertEqualsWithDelta([100.0, -10.0, 0.0], Pose::of([100.0, 0.0, 0.0], mirrored: true, scale: 10.0)->turned([0.0, 0.0, 1.0], 90.0)->place([1.0, 0.0, 0.0]), 1e-12);
    }

    public function test_joined_by_a_face_it_meets_the_other_middle_on_middle_and_looks_at_it(): void
    {
        mt_srand(11);
        $body = Shapes::box(10.0, 10.0, 20.0, 4);
        $top = self::face($body, [0.0, 0.0, 1.0]);
        self::assertEqualsWithDelta([5.0, 5.0, 20.0], $top->centre, 1e-6);
        self::assertEqualsWithDelta(100.0, $top->mm2, 1e-4);
        $head = Shapes::box(4.0, 6.0, 5.0, 3);
        for ($n = 0; $n < 20; $n++) {
            $pose = Pose::of([self::random(30), self::random(30), self::random(30)], [self::random(1), self::random(1), self::random(1), self::random(1) + 1.1], $n % 3 === 0);
            $posed = $pose->applied($head);
            $own = FlatFace::around($posed, Adjacency::of($posed), $n % $posed->triangles());
            // Turned further about the joint it stays joined.
            $joined = $pose->joined($own, $top)->turnedAt($top->centre, $top->normal, self::random(180));
            $after = $joined->applied($head);
            $now = FlatFace::around($after, Adjacency::of($after), $n % $after->triangles());
            self::assertEqualsWithDelta($top->centre, $now->centre, 1e-4);
            self::assertEqualsWithDelta([0.0, 0.0, -1.0], $now->normal, 1e-5);
            // Nothing of the head is left within the body.
            self::assertEqualsWithDelta(20.0, MeshMeasures::of($after)->boundsMm[0][2], 1e-4);
            self::assertEqualsWithDelta(120.0, MeshMeasures::of($after)->volumeMm3, 1e-2);
        }
        // What stands right already is not turned at all.
        $bottom = self::face($head, [0.0, 0.0, -1.0]);
        self::assertEqualsWithDelta([0.0, 0.0, 0.0, 1.0], Pose::of()->joined($bottom, $top)->rotation, 1e-9);
        self::assertEqualsWithDelta([3.0, 2.0, 20.0], Pose::of()->joined($bottom, $top)->move, 1e-6);
        // What looks the same way is turned right round.
        self::assertEqualsWithDelta([0.0, 0.0, -1.0], Pose::of()->joined(self::face($head, [0.0, 0.0, 1.0]), $top)->inFile([0.0, 0.0, 1.0]), 1e-9);
    }

    public function test_a_spray_comes_from_where_the_painter_says(): void
    {
        [$up, $front] = [[0.0, 0.0, 1.0], [0.0, -1.0, 0.0]];
        $half = sqrt(0.5);
        foreach ([
            [90.0, 0.0, [0.0, 0.0, 1.0]],
            [-90.0, 40.0, [0.0, 0.0, -1.0]],
            [0.0, 0.0, [0.0, -1.0, 0.0]],
            [45.0, 0.0, [0.0, -$half, $half]],
            [0.0, 90.0, [1.0, 0.0, 0.0]],
            [0.0, 180.0, [0.0, 1.0, 0.0]],
        ] as [$elevation, $side, $axis]) {
            self::assertEqualsWithDelta($axis, SprayFrom::of($elevation, $side, 30.0, 1)->axis($up, $front), 1e-12);
        }
        foreach ([[91.0, 0.0, 30.0, 1], [0.0, 181.0, 30.0, 1], [0.0, 0.0, -1.0, 1], [0.0, 0.0, 30.0, 10], [NAN, 0.0, 30.0, 1]] as $wrong) {
            try {
                SprayFrom::of(...$wrong);
                self::fail('it was taken');
            } catch (InvalidLight $e) {
                self::assertStringContainsString('a spray from', $e->getMessage());
            }
        }
    }

    public function test_light_on_the_wrong_side_is_what_faces_up_in_the_file_only(): void
    {
        $ball = Shapes::ball(10.0, 60);
        $up = [0.0, 0.0, 1.0];
        self::assertSame(0.0, Pose::of([5.0, 0.0, 0.0])->lightOnWrongSide($ball, $up));
        // Turned about up nothing changes; upside down everything does.
        self::assertEqualsWithDelta(0.0, Pose::of()->turned($up, 77.0)->lightOnWrongSide($ball, $up), 1e-3);
        self::assertEqualsWithDelta(1.0, Pose::of()->turned([1.0, 0.0, 0.0], 180.0)->lightOnWrongSide($ball, $up), 1e-3);
        // Of what a ball shows upwards, (1 - cos a) / 2 does not look up when it is tilted by a (its discs seen from above).
        foreach ([30.0, 60.0, 90.0, 120.0] as $tilt) {
            self::assertEqualsWithDelta((1 - cos(deg2rad($tilt))) / 2, Pose::of()->turned([0.0, 1.0, 0.0], $tilt)->lightOnWrongSide($ball, $up), 0.01);
        }
    }

    public function test_what_is_no_pose_is_refused(): void
    {
        $tries = [static fn () => Pose::of([NAN, 0.0, 0.0]), static fn () => Pose::of(rotation: [0.0, 0.0, 0.0, 0.0]), static fn () => Pose::of(scale: 0.0), static fn () => Pose::of(scale: INF)];
        foreach ($tries as $try) {
            try {
                $try();
                self::fail('it was taken');
            } catch (InvalidLight $e) {
                self::assertStringContainsString('a pose needs', $e->getMessage());
            }
        }
    }

    /** @param  array{float, float, float}  $towards */
    private static function face(TriangleMesh $mesh, array $towards): FlatFace
    {
        $edges = Adjacency::of($mesh);
        for ($t = 0; $t < $mesh->triangles(); $t++) {
            $face = FlatFace::around($mesh, $edges, $t);
            if ($face->normal[0] * $towards[0] + $face->normal[1] * $towards[1] + $face->normal[2] * $towards[2] > 0.99) {
                return $face;
            }
        }
        self::fail('no such face');
    }

    private static function random(float $most): float
    {
        return $most * (2 * mt_rand() / mt_getrandmax() - 1);
    }
}
