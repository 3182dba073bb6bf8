<?php

declare(strict_types=1);

namespace Tests\Core\Light;

use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Sky;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\MeshMeasures;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Tests\Support\Rounds;
use Tests\Support\Shapes;

/**
 * Edges and grooves of sculpts against the solid itself, smoothed by a Gaussian of half a millimetre: tests/Support/solid.py fills
 * it with voxels and takes the curvature of its level surfaces with SciPy, sharing nothing with the core.
 */
final class SolidTest extends TestCase
{
    /** Mean curvature per mm from which on a brush tip of 0.3 mm catches a ridge, or paint runs into a groove. */
    private const RIDGE = 0.3;

    private const GROOVE = 0.16;

    public function test_edges_and_grooves_are_where_the_smoothed_solid_has_them(): void
    {
        foreach (array_slice(['bear', 'ChineseDragon-10kv', 'armadillo', 'camel', 'diplodocus'], 0, Rounds::of(1, 5)) as $name) {
            $mesh = Shapes::sculpt($name, 75.0);
            $measures = MeshMeasures::of($mesh);
            $sky = Sky::around([0.0, 0.0, 1.0]);
            $study = LightStudy::of($mesh, $measures, $sky->directions);
            [$zones] = ZoneMap::studied($study, $sky, $measures->size());
            $truth = self::curvature(StlWriter::write($study->evaluated));
            $areas = $study->evaluated->areas();
            $mm2 = static fn (callable $which): float => array_sum(array_intersect_key($areas, array_filter($truth, $which, ARRAY_FILTER_USE_BOTH)));
            $isEdge = static fn (int $t): bool => $zones->of[$t] === ZoneMap::EDGE;
            $recall = $mm2(static fn (float $h, int $t): bool => $h > self::RIDGE && $isEdge($t)) / $mm2(static fn (float $h): bool => $h > self::RIDGE);
            $precision = $mm2(static fn (float $h, int $t): bool => $h > self::RIDGE && $isEdge($t)) / $mm2(static fn (float $h, int $t): bool => $isEdge($t));
            self::assertGreaterThan(0.85, $recall, "edges found of {$name}");
            self::assertGreaterThan(0.70, $precision, "edges rightly found of {$name}");
            // What lies in a deep shadow is recess without being a groove: only what is missed can be told.
            $grooves = $mm2(static fn (float $h, int $t): bool => $h < -self::GROOVE && $zones->of[$t] === ZoneMap::RECESS) / $mm2(static fn (float $h): bool => $h < -self::GROOVE);
            self::assertGreaterThan(0.85, $grooves, "grooves found of {$name}");
        }
    }

    /** @return list<float> per mm, by triangle */
    private static function curvature(string $stl): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'solid');
        file_put_contents($file, $stl);
        $process = new Process(['/usr/bin/python3', dirname(__DIR__, 2).'/Support/solid.py', $file, '0.25', '0.5'], timeout: 900);
        $process->mustRun();
        unlink($file);

        /** @var array<int, float> $values as Python wrote them */
        $values = unpack('g*', $process->getOutput()) ?: [];

        return array_values($values);
    }
}
