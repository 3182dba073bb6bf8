<?php

declare(strict_types=1);

namespace Tests\Bench;

use Hyalin\Formats\Meshes\StlReader;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\Exposure;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Sky;
use Hyalin\Light\SprayCone;
use Hyalin\Light\ZoneMap;
use Hyalin\Light\ZoneWeights;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Curvature;
use Hyalin\Mesh\Division;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;
use Tests\Support\Shapes;
use Tests\Support\TextSource;

/**
 * A print file from its bytes to its exposure, its regions and what the browser gets, at two sizes; then another spray with
 * the shadows that are known.
 */
final class LightBench
{
    public function run(): void
    {
        $times = [];
        foreach ([160 => '100k', 500 => '1M'] as $rows => $name) {
            $bytes = StlWriter::write(Shapes::both(Shapes::ball(15.0, $rows, atZ: 30.0), Shapes::ball(6.0, intdiv($rows, 3), atZ: 52.0)));
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $sample = new Sample;
            [$triangles, $sent] = $sample->time(static function () use ($bytes): array {
                $mesh = StlReader::read(new TextSource($bytes))->mesh;
                $cone = SprayCone::around([0.0, 0.0, 1.0], 60.0, 64);
                $study = LightStudy::of($mesh, MeshMeasures::of($mesh), $cone->directions);
                $study->exposure($cone);
                $edges = Adjacency::of($mesh);
                Regions::proposed($mesh, $edges, 40.0, 0.01 * array_sum($edges->area));
                $sent = strlen((string) gzencode($study->working->positions.$study->working->indices, 4));

                return [$mesh->triangles(), $sent];
            });
            $times[$name] = $sample->median();
            printf(
                "light, %d triangles, 64 directions, regions, browser file of %.1f MB: %.1f s, %.0f MB beyond the file\n",
                $triangles,
                $sent / 1e6,
                $sample->median() / 1000,
                (memory_get_peak_usage() - $before) / 1024 / 1024,
            );
            $this->anotherSpray(StlReader::read(new TextSource($bytes))->mesh, $sample->median());
        }
        $this->areas(Shapes::both(Shapes::ball(15.0, 150, atZ: 30.0), Shapes::ball(6.0, 50, atZ: 52.0)));
        printf("light: ten times the triangles take %.1f times as long\n", $times['1M'] / $times['100k']);
    }

    /** Two balls have no crease: all of the surface is divided from seed to seed, which is the slowest case. */
    private function areas(TriangleMesh $mesh): void
    {
        $surface = SurfaceGraph::of($mesh);
        $bend = Curvature::ofVertices($mesh, null, $mesh);
        $once = new Sample;
        $division = $once->time(static fn (): Division => Division::of($surface, $bend, ZoneMap::tip($mesh->size())));
        $each = new Sample;
        $each->time(static fn (): array => $division->seeded(array_combine(range(0, 9 * intdiv($mesh->vertices(), 10), intdiv($mesh->vertices(), 10)), range(0, 9))));
        printf("areas: ten seeds on %d triangles without a crease in %.0f ms; its creases are found once, in %.1f times as long\n", $mesh->triangles(), $each->median(), $once->median() / $each->median());
    }

    /** @param  float  $whole  ms that the whole job took */
    private function anotherSpray(TriangleMesh $mesh, float $whole): void
    {
        $sky = Sky::around([0.0, 0.0, 1.0]);
        $measures = MeshMeasures::of($mesh);
        $study = LightStudy::of($mesh, $measures, $sky->directions);
        $edges = Adjacency::of($study->evaluated);
        $weights = ZoneWeights::of($study->evaluated, $study->vertexOf, $edges->area, array_fill(0, count($edges->area), 2), array_fill(0, count($edges->area), 1));
        $sample = new Sample;
        $sample->time(static fn (): array => $weights->means(Exposure::ofVertices($study->working, $study->seen, $sky->spray([0.2, 0.0, 1.0], 35.0))));
        printf("light: another spray of it: %.2f s, the whole job takes %.0f times as long\n", $sample->median() / 1000, $whole / $sample->median());
    }
}
