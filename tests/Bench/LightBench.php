<?php

declare(strict_types=1);

namespace Tests\Bench;

use Hyalin\Formats\Meshes\StlReader;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\LightStudy;
use Hyalin\Light\SprayCone;
use Hyalin\Mesh\MeshMeasures;
use Tests\Support\Shapes;
use Tests\Support\TextSource;

/**
 * A print file from its bytes to its exposure, at two sizes.
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
            $triangles = $sample->time(static function () use ($bytes): int {
                $mesh = StlReader::read(new TextSource($bytes))->mesh;
                $cone = SprayCone::around([0.0, 0.0, 1.0], 60.0, 64);
                LightStudy::of($mesh, MeshMeasures::of($mesh), $cone->directions)->exposure($cone);

                return $mesh->triangles();
            });
            $times[$name] = $sample->median();
            printf("light, %d triangles, 64 directions: %.1f s, %.0f MB beyond the file\n", $triangles, $sample->median() / 1000, (memory_get_peak_usage() - $before) / 1024 / 1024);
        }
        printf("light: ten times the triangles take %.1f times as long\n", $times['1M'] / $times['100k']);
    }
}
