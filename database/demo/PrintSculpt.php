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
use Hyalin\Progress;
use Hyalin\Stopped;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * The print files of a sculpt, brought in as a painter would, and what is which area on them. What was sculpted once is kept
 * beside the application, for the next demo that starts over.
 */
final class PrintSculpt
{
    /** @throws Stopped the figure has none of them then */
    public function __invoke(Figure $figure, Sculpt $sculpt, ?Progress $progress = null): void
    {
        $parts = $sculpt->parts();
        $cell = $sculpt->cell() * self::coarser();
        foreach (array_keys($parts) as $n => $part) {
            Stopped::unless($progress, $n / (count($parts) + 1));
            self::sculpted($sculpt, $part, $parts[$part], $cell);
        }
        $areaIds = $figure->areas()->get()->mapWithKeys(static fn (Area $a): array => [$a->name => $a->id]);
        DB::transaction(static function () use ($figure, $sculpt, $parts, $cell, $areaIds): void {
            foreach ($parts as $part => $body) {
                [$kept] = (new ImportMesh)($figure, self::sculpted($sculpt, $part, $body, $cell), "{$part}.stl", $figure->parts()->where('name', $part)->firstOrFail()->id);
                $ids = array_map(static fn (string $name): int => $areaIds[$name] ?? throw new RuntimeException("no area {$name}"), $body->areas);
                StoredStudy::putChosen($kept->path, array_map(static fn (int $place): array => [$ids[$place]], self::areas(MeshStore::mesh($kept->path), $sculpt, $part, $body, $cell)));
            }
        });
    }

    /** @return string path of the print file of a part */
    private static function sculpted(Sculpt $sculpt, string $part, Body $body, float $cell): string
    {
        $path = self::place($sculpt, $part, $cell).'.stl';
        if (! is_file($path)) {
            self::keep($path, StlWriter::write(SurfaceNets::of($body, $cell)[0]));
        }

        return $path;
    }

    /**
     * @param  TriangleMesh  $mesh  as it was kept: a triangle without any area is none of a print file
     * @return list<int> place of the area in the list of the body, by triangle
     */
    private static function areas(TriangleMesh $mesh, Sculpt $sculpt, string $part, Body $body, float $cell): array
    {
        $path = self::place($sculpt, $part, $cell).'.areas';
        $known = is_file($path) ? (string) file_get_contents($path) : '';
        if (strlen($known) !== $mesh->triangles()) {
            [$x, $y, $z] = $mesh->coordinates();
            $known = '';
            foreach (array_chunk($mesh->corners(), 3) as [$a, $b, $c]) {
                $known .= chr(($body->at)(($x[$a] + $x[$b] + $x[$c]) / 3, ($y[$a] + $y[$b] + $y[$c]) / 3, ($z[$a] + $z[$b] + $z[$c]) / 3)[1]);
            }
            self::keep($path, $known);
        }

        return array_map(ord(...), str_split($known));
    }

    /** Beside it and renamed: another process that sculpts the same finds the whole of it or nothing. */
    private static function keep(string $path, string $bytes): void
    {
        @mkdir(dirname($path), 0o755, true);
        file_put_contents("{$path}.".getmypid(), $bytes) === strlen($bytes) || throw new RuntimeException("{$path} cannot be written");
        rename("{$path}.".getmypid(), $path);
    }

    /** @return string another one whenever the sculpt is modelled otherwise or more finely */
    private static function place(Sculpt $sculpt, string $part, float $cell): string
    {
        $code = implode('', array_map(static fn (string $file): string => (string) hash_file('xxh3', $file), glob(__DIR__.'/Sculpt/*.php') ?: []));

        return base_path('storage/demo/sculpts/'.hash('xxh3', $code.$sculpt::class."{$part} {$cell}"));
    }

    private static function coarser(): float
    {
        $coarser = config('hyalin.demo_coarser');

        return is_float($coarser) && $coarser >= 1.0 ? $coarser : 1.0;
    }
}
