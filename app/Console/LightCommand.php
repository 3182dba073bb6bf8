<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\Light\MeshFile;
use Hyalin\Formats\Meshes\PlyWriter;
use Hyalin\Light\InvalidLight;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Sky;
use Hyalin\Light\SprayCone;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\NearWeld;
use Hyalin\Mesh\TriangleMesh;

/**
 * Where a spray from above falls on a mesh.
 */
final class LightCommand extends CoreCommand
{
    protected $signature = 'hyalin:light {file : STL, OBJ or 3MF, in mm} {--up=z : x, y, z, -x, -y or -z} {--directions=64 : 1 to 256} {--spread=30 : half angle of the spray cone around up, degrees} {--out= : a PLY with the exposure and the zone of every vertex of the working mesh}';

    protected $description = 'Measures a mesh and says how much spray from above every part of it receives';

    private const UP = ['x' => [1.0, 0.0, 0.0], 'y' => [0.0, 1.0, 0.0], 'z' => [0.0, 0.0, 1.0], '-x' => [-1.0, 0.0, 0.0], '-y' => [0.0, -1.0, 0.0], '-z' => [0.0, 0.0, -1.0]];

    protected function answer(): void
    {
        // A mesh of two million triangles takes half a gigabyte.
        ini_set('memory_limit', '1G');
        $began = hrtime(true);
        memory_reset_peak_usage();
        $path = $this->text('file');
        if (! is_file($path) || ! is_readable($path)) {
            throw BadInput::at('FILE', "{$path} cannot be read");
        }
        $cone = SprayCone::around($this->up(), $this->number('spread'), (int) $this->number('directions'));
        $read = MeshFile::read($path, $path);
        $mesh = $read->mesh;
        $measures = MeshMeasures::of($mesh);
        if ($measures->openEdges > 0) {
            $mesh = NearWeld::of($mesh, $measures);
            $measures = MeshMeasures::of($mesh);
        }
        $study = LightStudy::of($mesh, $measures, $cone->directions);
        $exposure = $study->exposure($cone);
        $out = $this->option('out');
        if (is_string($out) && $out !== '') {
            $this->write($out, $mesh, $measures, $study, $cone);
        }
        $this->put([
            'triangles' => $mesh->triangles(),
            'vertices' => $mesh->vertices(),
            'areaMm2' => $measures->areaMm2,
            'volumeMm3' => $measures->volumeMm3,
            'boundsMm' => $measures->boundsMm,
            'shells' => $measures->shells,
            'openEdges' => $measures->openEdges,
            'exposure' => ['mean' => $exposure->mean, 'deciles' => $exposure->deciles],
            'milliseconds' => (hrtime(true) - $began) / 1e6,
            'peakBytes' => memory_get_peak_usage(),
        ]);
    }

    private function write(string $out, TriangleMesh $mesh, MeshMeasures $measures, LightStudy $study, SprayCone $cone): void
    {
        // Zones need a whole sky, which the cone of a spray is not.
        $sky = Sky::around($this->up());
        [$zones] = ZoneMap::studied(LightStudy::of($mesh, $measures, $sky->directions), $sky, $measures->size());
        $ply = PlyWriter::plain()->withFloats('exposure', $study->ofVertices($cone))->withBytes('zone', $zones->ofVertices);
        if (@file_put_contents($out, $ply->write($study->working)) === false) {
            throw BadInput::at('--out', "{$out} cannot be written");
        }
    }

    /** @return array{float, float, float} */
    private function up(): array
    {
        $up = $this->option('up');

        return self::UP[is_string($up) ? $up : ''] ?? throw InvalidLight::up(is_string($up) ? $up : '');
    }

    private function text(string $name): string
    {
        $value = $this->argument($name);

        return is_string($value) ? $value : '';
    }

    private function number(string $name): float
    {
        $value = $this->option($name);
        $words = is_string($value) ? $value : '';
        $whole = $name === 'directions';
        if (! is_numeric($words) || ($whole && preg_match('/^\d+\z/', $words) !== 1)) {
            throw BadInput::at("--{$name}", "\"{$words}\" is no ".($whole ? 'whole ' : '').'number');
        }

        return (float) $words;
    }
}
