<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Light\ImportMesh;
use App\Adapters\Light\MeshStore;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Database\Demo\Sculpt\Body;
use Database\Demo\Sculpt\Sculpt;
use Database\Demo\Sculpt\SurfaceNets;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Mesh\TriangleMesh;
use RuntimeException;

/**
 * The print files of a sculpt, brought in as a painter would, and what is which area on them.
 */
final class PrintSculpt
{
    public function __invoke(Figure $figure, Sculpt $sculpt): void
    {
        $areaIds = $figure->areas()->get()->mapWithKeys(static fn (Area $a): array => [$a->name => $a->id]);
        foreach ($sculpt->parts() as $part => $body) {
            [$mesh] = SurfaceNets::of($body, $sculpt->cell() * self::coarser());
            $path = (string) tempnam(sys_get_temp_dir(), 'part');
            file_put_contents($path, StlWriter::write($mesh));
            [$kept] = (new ImportMesh)($figure, $path, "{$part}.stl", $figure->parts()->where('name', $part)->firstOrFail()->id);
            unlink($path);
            $ids = array_map(static fn (string $name): int => $areaIds[$name] ?? throw new RuntimeException("no area {$name}"), $body->areas);
            StoredStudy::putChosen($kept->path, self::areas(MeshStore::mesh($kept->path), $body, $ids));
        }
    }

    /**
     * As it was kept: a triangle without any area is none of a print file.
     *
     * @param  list<int>  $ids  of the areas of the body
     * @return list<list<int>>
     */
    private static function areas(TriangleMesh $mesh, Body $body, array $ids): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $of = [];
        foreach (array_chunk($mesh->corners(), 3) as [$a, $b, $c]) {
            $of[] = [$ids[($body->at)(($x[$a] + $x[$b] + $x[$c]) / 3, ($y[$a] + $y[$b] + $y[$c]) / 3, ($z[$a] + $z[$b] + $z[$c]) / 3)[1]]];
        }

        return $of;
    }

    private static function coarser(): float
    {
        $coarser = config('hyalin.demo_coarser');

        return is_float($coarser) && $coarser >= 1.0 ? $coarser : 1.0;
    }
}
