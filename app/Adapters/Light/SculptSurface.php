<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use Closure;
use Hyalin\Light\Inside;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\Division;
use Hyalin\Mesh\FirstCorners;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Mirror;
use Hyalin\Mesh\PackedGraph;
use Hyalin\Mesh\Patches;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\Surroundings;
use Hyalin\Mesh\TriangleCells;
use Hyalin\Mesh\TriangleMesh;

/**
 * The surface of a figure as the acts on its areas need it. What is slow to find is found once, best before the first act, and
 * kept beside the study.
 */
final readonly class SculptSurface
{
    /** Stands for no vertex across: 32 bits. */
    private const NONE = 0xFFFFFFFF;

    private string $path;

    public function __construct(private StoredStudy $study)
    {
        $this->path = $study->path;
    }

    /** @param  non-empty-list<array{float, float, float}>  $axes  that may be the one from side to side, of length 1 */
    public function prepare(array $axes): void
    {
        $this->division();
        if ($this->study->isCoarse()) {
            if ($this->rows() === null) {
                $this->leads();
            }
            $this->firstCorners();
        }
        $this->workingCorners();
        $this->cells();
        $this->workingCells();
        $this->shells();
        $this->partners($axes);
    }

    /** The same for what runs over a small part of it. */
    public function surroundings(): Surroundings
    {
        return MeshStore::has("{$this->path}.graph.mm")
            ? new PackedGraph(MeshStore::get("{$this->path}.graph.first"), MeshStore::get("{$this->path}.graph.next"), MeshStore::get("{$this->path}.graph.mm"))
            : $this->graph();
    }

    /** @return SurfaceGraph of the working mesh */
    public function graph(): SurfaceGraph
    {
        /** @var array{list<int>, list<int>, list<float>, list<float>}|null $kept */
        $kept = MeshStore::lists("{$this->path}.graph");
        if ($kept !== null) {
            return SurfaceGraph::known(...$kept);
        }
        $graph = SurfaceGraph::of($this->study->working());
        MeshStore::putLists("{$this->path}.graph", [$graph->first, $graph->next, $graph->mm, $graph->area]);
        MeshStore::putInts("{$this->path}.graph.first", $graph->first, MeshStore::PLAIN);
        MeshStore::putInts("{$this->path}.graph.next", $graph->next, MeshStore::PLAIN);
        MeshStore::putFloats("{$this->path}.graph.mm", $graph->mm, MeshStore::PLAIN);

        return $graph;
    }

    /** @return list<int> corners of every working triangle, three after three */
    public function workingCorners(): array
    {
        /** @var array{list<int>}|null $kept */
        $kept = MeshStore::lists("{$this->path}.work");
        if ($kept === null) {
            MeshStore::putLists("{$this->path}.work", $kept = [$this->study->working()->corners()]);
        }

        return $kept[0];
    }

    /** @return list<bool> by working vertex: whether it lies inside the figure; empty where nothing does */
    public function inside(): array
    {
        if (! MeshStore::has("{$this->path}.inside")) {
            $inside = Inside::ofVertices($this->graph(), array_map(static fn (string $byte): float => ord($byte) / 255, str_split($this->study->openness())));
            MeshStore::putInts("{$this->path}.inside", in_array(true, $inside, true) ? array_map(intval(...), $inside) : []);
        }

        return array_map(static fn (int $is): bool => $is === 1, MeshStore::ints("{$this->path}.inside"));
    }

    /** @return list<bool> by measured triangle, alike */
    public function insideTriangles(): array
    {
        $inside = $this->inside();

        if ($inside === []) {
            return [];
        }
        $of = $this->onTriangles(array_map(static fn (bool $is): ?int => $is ? 1 : null, $inside))->byTriangle();

        return array_map(static fn (int $t): bool => isset($of[$t]), range(0, $this->study->measured()->triangles() - 1));
    }

    /** The working mesh, ready to be divided into areas. */
    public function division(): Division
    {
        $patches = $this->keptPatches();
        /** @var array{list<float>, list<float>}|null $kept */
        $kept = MeshStore::lists("{$this->path}.creases");
        if ($patches !== null && $kept !== null) {
            return Division::known($this->graph(), $kept[1], $patches, $kept[0][0]);
        }
        $tip = ZoneMap::tip($this->study->working()->size());
        $division = Division::of($this->graph(), $this->study->curvature(), $tip);
        MeshStore::putLists("{$this->path}.creases", [[$tip], $division->crease]);
        MeshStore::putLists("{$this->path}.patches", [$division->patches->of, $division->patches->area, $division->patches->borders, $division->patches->rim]);

        return $division;
    }

    /** The surface that a fill runs over: known patches are enough for it. */
    public function patches(): Patches
    {
        return $this->keptPatches() ?? $this->division()->patches;
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $places  mm
     * @return non-empty-list<int> for each of them a working vertex: of the corners of the nearest triangle the nearest
     */
    public function vertices(array $places): array
    {
        $mesh = $this->study->working();
        $cells = $this->workingCells();
        $vertices = [];
        foreach ($places as $at) {
            $least = INF;
            $nearest = 0;
            foreach (self::corners($mesh, $cells->near($mesh, $at, 0.0)[1]) as $corner) {
                /** @var array{x: float, y: float, z: float} $place */
                $place = unpack('gx/gy/gz', $mesh->positions, 12 * $corner);
                $square = ($place['x'] - $at[0]) ** 2 + ($place['y'] - $at[1]) ** 2 + ($place['z'] - $at[2]) ** 2;
                if ($square < $least) {
                    [$nearest, $least] = [$corner, $square];
                }
            }
            $vertices[] = $nearest;
        }

        return $vertices;
    }

    /**
     * A triangle has the label of two of its corners, or of the first where all differ; one that the coarser mesh has no triangle for
     * has that of the first.
     *
     * @param  list<int|null>  $labels  by working vertex
     * @return TriangleRuns measured triangles; without those whose label is null
     */
    public function onTriangles(array $labels): TriangleRuns
    {
        $rows = $this->rows();
        $runs = $rows === null ? TriangleRuns::led($this->leads(), $labels) : TriangleRuns::inRows($rows[0], $rows[1], $labels);

        // Those that the working mesh still has; of the others, which the coarser mesh has no triangle for, the first corner is near enough.
        return $runs->corrected($this->firstCorners()->outvoted($labels));
    }

    /**
     * What is given to an area by more than a touch of the brush: none of the inside, which nobody paints.
     *
     * @param  list<int|null>  $labels  by working vertex
     */
    public function onOutside(array $labels): TriangleRuns
    {
        foreach ($this->inside() as $v => $isInside) {
            $labels[$v] = $isInside ? null : $labels[$v];
        }

        return $this->onTriangles(array_values($labels));
    }

    /**
     * @param  array<int, true>  $vertices  of the working mesh
     * @param  int  $area  that they become
     * @return TriangleRuns measured triangles, none of the inside
     */
    public function triangles(array $vertices, int $area): TriangleRuns
    {
        $labels = array_fill(0, $this->study->working()->vertices(), null);

        return $this->onOutside(array_values(array_replace($labels, array_fill_keys(array_keys($vertices), $area))));
    }

    /**
     * What a brush touches: what lies behind a thin wall is near, and not touched.
     *
     * @param  array{float, float, float}  $at  mm
     * @return non-empty-list<int> measured triangles
     */
    public function touched(array $at, float $radius): array
    {
        $mesh = $this->study->measured();
        [$within, $nearest] = $this->cells()->near($mesh, $at, $radius);
        $corners = $by = [];
        foreach ($within === [] ? [$nearest] : $within as $t) {
            $corners[$t] = self::corners($mesh, $t);
            foreach ($corners[$t] as $v) {
                $by[$v][] = $t;
            }
        }
        $reached = [$nearest => true];
        $open = [$nearest];
        while (($t = array_pop($open)) !== null) {
            foreach ($corners[$t] as $v) {
                foreach ($by[$v] as $next) {
                    if (! isset($reached[$next])) {
                        $reached[$next] = true;
                        $open[] = $next;
                    }
                }
            }
        }

        return array_keys($reached);
    }

    /**
     * @param  array{float, float, float}  $at  mm
     * @param  int  $area  that they become
     * @return TriangleRuns measured triangles that hang together with the nearest, none of the inside
     */
    public function piece(array $at, int $area): TriangleRuns
    {
        $shells = $this->shells();
        /** @var array{1: int} $own */
        $own = unpack('V', $shells, 4 * $this->cells()->near($this->study->measured(), $at, 0.0)[1]);
        $piece = TriangleRuns::led(MeshStore::parts($shells), [$own[1] => $area]);

        return $piece->corrected(array_fill_keys(array_keys($this->insideTriangles(), true, true), null));
    }

    /**
     * @param  array<int, true>  $vertices  of the working mesh
     * @param  non-empty-list<array{float, float, float}>  $axes  that may be the one from side to side, of length 1
     * @return array<int, true> those that lie across from them
     */
    public function across(array $vertices, array $axes): array
    {
        return Mirror::acrossOf($this->partners($axes), $vertices);
    }

    /** @return array<int, int> its three vertices */
    private static function corners(TriangleMesh $mesh, int $t): array
    {
        /** @var array<int, int> $corners written by us */
        $corners = unpack('V3', $mesh->indices, 12 * $t);

        return $corners;
    }

    private function keptPatches(): ?Patches
    {
        /** @var array{0: list<int>, 1: list<float>, 2: array<int, array<int, array{float, float}>>, 3?: list<int>}|null $kept */
        $kept = MeshStore::lists("{$this->path}.patches");

        // An earlier version kept them without the rim: found again.
        return $kept === null || ! isset($kept[3]) ? null : Patches::known(...$kept);
    }

    /** @return TriangleCells of what is measured: what a brush touches */
    private function cells(): TriangleCells
    {
        return $this->cellsOf('cubes', $this->study->measured(...));
    }

    /** @return TriangleCells of the working mesh, which is what a painter clicks on */
    private function workingCells(): TriangleCells
    {
        return $this->study->isCoarse() ? $this->cellsOf('workCubes', $this->study->working(...)) : $this->cells();
    }

    /** @param  Closure(): TriangleMesh  $mesh */
    private function cellsOf(string $name, Closure $mesh): TriangleCells
    {
        if (! MeshStore::has("{$this->path}.{$name}")) {
            MeshStore::put("{$this->path}.{$name}", TriangleCells::of($mesh())->packed(), MeshStore::PLAIN);
        }

        return TriangleCells::unpacked(MeshStore::get("{$this->path}.{$name}"));
    }

    /** @return FirstCorners of the working triangles, by the numbers of the measured triangles that they were made of */
    private function firstCorners(): FirstCorners
    {
        /** @var array{list<int>, list<int>}|null $kept */
        $kept = MeshStore::lists("{$this->path}.corners");
        if ($kept !== null) {
            return FirstCorners::known($kept[0], $kept[1], MeshStore::get("{$this->path}.corners"));
        }
        $corners = FirstCorners::of($mesh = $this->study->working(), $this->study->isCoarse() ? $this->study->triangleOf() : range(0, $mesh->triangles() - 1));
        MeshStore::put("{$this->path}.corners", $corners->rest, MeshStore::PLAIN);
        MeshStore::putLists("{$this->path}.corners", [$corners->count, $corners->second]);

        return $corners;
    }

    /** @return array{list<int>, list<int>}|null how many triangles each working vertex leads, and who leads those behind (LedTriangles) */
    private function rows(): ?array
    {
        /** @var array{list<int>, list<int>}|null $kept */
        $kept = MeshStore::lists("{$this->path}.rows");
        if ($kept === null && MeshStore::has("{$this->path}.led")) {
            MeshStore::putLists("{$this->path}.rows", $kept = [MeshStore::ints("{$this->path}.led"), MeshStore::ints("{$this->path}.leads")]);
        }

        return $kept;
    }

    /** @return iterable<array<int, int>> in studies whose triangles do not stand in the order of the working vertices, by measured triangle: the working vertex whose label it takes unless its corners are three others */
    private function leads(): iterable
    {
        if (! MeshStore::has("{$this->path}.leads")) {
            $leads = SurfaceGraph::onTriangles($this->study->measured(), $this->study->vertexOf(), range(0, $this->study->working()->vertices() - 1));
            MeshStore::putInts("{$this->path}.leads", $leads, MeshStore::PLAIN);
        }

        return MeshStore::someInts("{$this->path}.leads");
    }

    /** @return string piece of each measured triangle, 32 bits */
    private function shells(): string
    {
        if (! MeshStore::has("{$this->path}.shells")) {
            $mesh = $this->study->measured();
            [, $shellOf] = MeshMeasures::shells($mesh);
            MeshStore::putInts("{$this->path}.shells", SurfaceGraph::onTriangles($mesh, null, $shellOf), MeshStore::PLAIN);
        }

        return MeshStore::get("{$this->path}.shells");
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $axes
     * @return list<int|null> by working vertex
     */
    private function partners(array $axes): array
    {
        $name = "{$this->path}.across".substr(hash('sha256', json_encode($axes, JSON_THROW_ON_ERROR)), 0, 8);
        if (! MeshStore::has($name)) {
            $partners = Mirror::best($this->study->working(), $axes)->partners();
            MeshStore::putInts($name, array_map(static fn (?int $v): int => $v ?? self::NONE, $partners));

            return $partners;
        }

        return array_map(static fn (int $v): ?int => $v === self::NONE ? null : $v, MeshStore::ints($name));
    }
}
