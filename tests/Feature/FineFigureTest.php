<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Light\ImportMesh;
use App\Adapters\Light\MeshStore;
use App\Adapters\Light\SculptSurface;
use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\Pose;
use Hyalin\Mesh\SurfaceGraph;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\Shapes;

/**
 * A print finer than it is worked on, upon a base of few large triangles, which are split: what is given on the coarse mesh is given
 * to the triangles of the file, and stays theirs.
 */
#[Group('sculpted')]
final class FineFigureTest extends TestCase
{
    public function test_what_is_given_on_the_working_mesh_is_on_the_file_and_outlives_another_computing(): void
    {
        Storage::fake('local');
        $figure = $this->figure();
        $file = Shapes::both(Shapes::ball(18.0, 264, 0.0, 20.0), Pose::of([-20.0, -20.0, -4.0])->applied(Shapes::box(40.0, 40.0, 2.0, 1)));
        self::assertGreaterThan(137_000, $file->triangles());
        $path = (string) tempnam(sys_get_temp_dir(), 'fine');
        file_put_contents($path, StlWriter::write($file));
        app(ImportMesh::class)($figure, $path, 'fine.stl', null, (string) hash_file('sha256', $path));
        unlink($path);
        $light = LightRecord::ofFigure($figure);
        $compute = function () use ($figure, $light): StoredStudy {
            $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
            $study = StoredStudy::of($light->refresh());
            self::assertNotNull($study);

            return $study;
        };
        $study = $compute();
        self::assertTrue($study->isCoarse());
        self::assertGreaterThan($file->triangles(), $study->measured()->triangles());

        // Labels in stripes with gaps: nearly all triangles as it is defined for each alone, the rest beside a border; and the same
        // where the triangles stand in no order of ours, as in what an earlier version computed.
        $working = $study->working();
        $labels = array_map(static fn (float $z): ?int => (int) floor($z) % 5 === 0 ? null : 1 + (int) floor($z + 10), $working->coordinates()[2]);
        $wanted = SurfaceGraph::onTriangles($study->measured(), $study->vertexOf(), $labels);
        $given = (new SculptSurface($study))->onTriangles($labels)->byTriangle();
        $other = count(array_filter($wanted, static fn (?int $area, int $t): bool => ($given[$t] ?? null) !== $area, ARRAY_FILTER_USE_BOTH));
        self::assertLessThan(0.03 * count($wanted), $other);
        foreach (['led', 'leads', 'rows'] as $kept) {
            MeshStore::forget("{$study->path}.{$kept}");
        }
        self::assertTrue($given === (new SculptSurface($study))->onTriangles($labels)->byTriangle());

        // The upper half, the ball below, the base; a brush that takes some away from every area.
        [$one, $two, $three] = [$this->area($figure, 'Upper'), $this->area($figure, 'Lower'), $this->area($figure, 'Base')];
        $give = fn (array $at, string $tool, float $size, ?int $area) => $this->postJson("/figures/{$figure->id}/light/areas", ['at' => $at, 'tool' => $tool, 'size' => $size, 'areaId' => $area])->assertOk();
        $give([15, 15, -2], 'piece', 1, $three->id);
        $this->postJson("/figures/{$figure->id}/light/areas/divide", ['seeds' => [['at' => [0, 0, 38], 'areaId' => $one->id], ['at' => [0, 0, 2], 'areaId' => $two->id]]])->assertOk();
        $give([0, 18, 20], 'brush', 3, null);
        $cm2 = function () use ($figure): array {
            $shown = $this->postJson("/figures/{$figure->id}/light/measure")->assertOk();
            $size = static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0;

            return array_map($size, [0 => $shown->json('noAreaCm2')] + array_column((array) $shown->json('areas'), 'cm2', 'id'));
        };
        $before = $cm2();
        // A ball of 18 mm has 40.7 cm2, the brush a disc of 0.28; the box two sides of 16 and four of 0.8.
        self::assertEqualsWithDelta([0.28, 40.7, 35.2], [$before[0], $before[$one->id] + $before[$two->id] + $before[0], $before[$three->id]], 0.15);
        self::assertEqualsWithDelta(20.36, $before[$one->id] + $before[0] / 2, 1.5);
        // Computed anew, they are where they were, triangle by triangle.
        $again = $compute();
        self::assertNotSame($study->path, $again->path);
        self::assertEqualsWithDelta($before, $cm2(), 1e-6);
    }
}
