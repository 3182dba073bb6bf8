<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use Hyalin\Formats\Meshes\PlyWriter;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Sky;
use Hyalin\Light\SprayCone;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;

/**
 * Where a spray from above falls on a mesh.
 */
final class LightCommand extends MeshCommand
{
    protected $signature = 'hyalin:light {file : STL, OBJ or 3MF, in mm} {--up=z : x, y, z, -x, -y or -z} {--directions=64 : 1 to 256} {--spread=30 : half angle of the spray cone around up, degrees} {--out= : a PLY with the exposure and the zone of every vertex of the working mesh}';

    protected $description = 'Measures a mesh and says how much spray from above every part of it receives';

    protected function answer(): void
    {
        $this->begin();
        $cone = SprayCone::around($this->up(), $this->number('spread'), (int) $this->number('directions'));
        [$mesh, $measures] = $this->mesh();
        $study = LightStudy::of($mesh, $measures, $cone->directions);
        $exposure = $study->exposure($cone);
        if ($this->out() !== null) {
            $this->write($this->out(), $this->ply($mesh, $measures, $study, $cone));
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
            ...$this->spent(),
        ]);
    }

    private function ply(TriangleMesh $mesh, MeshMeasures $measures, LightStudy $study, SprayCone $cone): string
    {
        // Zones need a whole sky, which the cone of a spray is not.
        $sky = Sky::around($this->up());
        [$zones] = ZoneMap::studied(LightStudy::of($mesh, $measures, $sky->directions), $sky, $measures->size());

        return PlyWriter::plain()->withFloats('exposure', $study->ofVertices($cone))->withBytes('zone', $zones->ofVertices)->write($study->working);
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
