<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Adapters\StoredFile;
use App\Models\Brief\Area;
use App\Models\Light\LightRecord;
use Closure;
use Hyalin\Finish\AreaForm;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Sky;
use Hyalin\Light\Visibility;
use Hyalin\Light\ZoneWeights;
use Hyalin\Mesh\Curvature;
use Hyalin\Mesh\TriangleMesh;
use Illuminate\Support\Str;

/**
 * A light study of a figure, as lists on disk: its working mesh with the shadows, the mesh that is
 * measured (the same, unless the print is a fine one), areas and zones of both.
 */
final readonly class StoredStudy
{
    /** Stands for no area chosen: 32 bits. */
    private const NONE = 0xFFFFFFFF;

    private function __construct(public string $path)
    {
    }

    /** @return self|null null when nothing is computed yet, or its files are gone: it is computed again then */
    public static function of(LightRecord $light): ?self
    {
        return $light->path === null || ! MeshStore::has("{$light->path}.work.pos") ? null : new self($light->path);
    }

    public static function create(LightStudy $study, AssembledFigure $assembly): self
    {
        $stored = new self('light/'.Str::ulid()->toBase32());
        MeshStore::putMesh("{$stored->path}.work", $study->working, MeshStore::PLAIN);
        if ($study->vertexOf !== null) {
            MeshStore::putMesh("{$stored->path}.full", $study->evaluated, MeshStore::PLAIN);
            MeshStore::putInts("{$stored->path}.vertexOf", $study->vertexOf, MeshStore::PLAIN);
            MeshStore::putInts("{$stored->path}.triangleOf", self::triangles($study->working, $study->evaluated, $study->vertexOf));
        }
        if ($study->led !== null) {
            MeshStore::putInts("{$stored->path}.led", $study->led->count, MeshStore::PLAIN);
            MeshStore::putInts("{$stored->path}.leads", $study->led->rest, MeshStore::PLAIN);
        }
        if ($study->parentOf !== null) {
            MeshStore::putInts("{$stored->path}.parentOf", $study->parentOf);
        }
        foreach ($study->seen->bits as $word => $bits) {
            MeshStore::putLongs("{$stored->path}.seen{$word}", $bits);
        }
        MeshStore::put("{$stored->path}.sources", json_encode($assembly->sources(), JSON_THROW_ON_ERROR));

        return $stored;
    }

    /** The mesh that the screen shows and that casts shadows. */
    public function working(): TriangleMesh
    {
        return MeshStore::mesh("{$this->path}.work");
    }

    /** The mesh that is measured and divided into areas. */
    public function measured(): TriangleMesh
    {
        return MeshStore::mesh($this->path.($this->isCoarse() ? '.full' : '.work'));
    }

    /** @return list<int>|null working vertex by vertex of the measured mesh; null where they are the same */
    public function vertexOf(): ?array
    {
        return $this->isCoarse() ? MeshStore::ints("{$this->path}.vertexOf") : null;
    }

    /** @return list<int> of a coarser working mesh: the measured triangle that each of its own was made of */
    public function triangleOf(): array
    {
        /** @var array{list<int>}|null $kept */
        $kept = MeshStore::lists("{$this->path}.triangleOf");
        if ($kept === null) {
            MeshStore::putLists("{$this->path}.triangleOf", $kept = [MeshStore::ints("{$this->path}.triangleOf")]);
        }

        return $kept[0];
    }

    public function seen(Sky $sky): Visibility
    {
        $bits = [];
        for ($word = 0, $words = intdiv(count($sky->directions) + 63, 64); $word < $words; $word++) {
            $bits[] = MeshStore::longs("{$this->path}.seen{$word}");
        }

        return Visibility::known($sky->directions, $bits);
    }

    /**
     * @param  list<int>  $triangles  measured
     * @return list<int> of these those that are an area, or those that are not
     */
    public function ofArea(array $triangles, int $area, bool $are): array
    {
        $areas = $this->runs()[1]->bytes();
        $four = pack('V', $area);

        return array_values(array_filter($triangles, static fn (int $t): bool => (substr_compare($areas, $four, 4 * $t, 4) === 0) === $are));
    }

    /** @return list<int> id of the area of each measured triangle, 0 for none */
    public function areas(): array
    {
        return array_values($this->runs()[1]->byTriangle());
    }

    /** @return list<int|null> what the painter chose for each measured triangle, 0 for no area; null where nothing was chosen */
    public function chosen(): array
    {
        return array_map(static fn (int $area): ?int => $area === self::NONE ? null : $area, array_values($this->runs()[0]->byTriangle()));
    }

    /**
     * @param  list<int|null>  $chosen  by the painter, by measured triangle
     * @param  list<int>  $areas  with what was chosen
     */
    public function putAreas(array $chosen, array $areas): void
    {
        $this->putRuns(TriangleRuns::of(array_map(static fn (?int $area): int => $area ?? self::NONE, $chosen)), TriangleRuns::of($areas));
    }

    /** The painter's choice for some triangles. */
    public function give(TriangleRuns $given): void
    {
        [$chosen, $areas] = $this->runs();
        $this->putRuns($given->over($chosen), $given->over($areas));
    }

    /**
     * The same, but for those that the painter chose for another area.
     *
     * @param  array<int, true>  $mine  areas whose triangles may be given away
     * @param  Closure(): void  $before  what is done before anything is changed
     * @return bool false when there are none besides: nothing is changed or done then
     */
    public function giveFree(TriangleRuns $areas, array $mine, Closure $before): bool
    {
        $given = $areas->free($this->runs()[0], $mine + [self::NONE => true, 0 => true]);
        if ($given->isEmpty()) {
            return false;
        }
        $before();
        $this->give($given);

        return true;
    }

    /** The painter's choices and the area of each triangle, as they are now. */
    public function copyAreas(string $name): void
    {
        $this->copyRuns('', ".{$name}");
    }

    public function takeAreas(string $name): void
    {
        $this->copyRuns(".{$name}", '');
    }

    public function forgetCopy(string $name): void
    {
        foreach (['', '.chosen', '.areas', '.runs'] as $part) {
            MeshStore::forget("{$this->path}.{$name}{$part}");
        }
    }

    /** @param  string  $kept  both as an earlier version had them on disk, 32 bits a triangle */
    public function putAreasAsKept(string $kept): void
    {
        [$chosen, $areas] = str_split($kept, max(1, intdiv(strlen($kept), 2)));
        $this->putRuns(TriangleRuns::ofBytes($chosen), TriangleRuns::ofBytes($areas));
    }

    /**
     * In one file, so that whatever kills it they belong together.
     *
     * @return array{TriangleRuns, TriangleRuns} of all triangles: what the painter chose, and what is which area
     */
    private function runs(string $of = ''): array
    {
        /** @var array{list<int>, list<int>}|null $kept */
        $kept = MeshStore::lists("{$this->path}{$of}.runs");

        // An earlier version wrote every triangle, into two.
        return $kept === null
            ? [TriangleRuns::ofBytes(MeshStore::get("{$this->path}{$of}.chosen")), TriangleRuns::ofBytes(MeshStore::get("{$this->path}{$of}.areas"))]
            : [TriangleRuns::unpacked($kept[0]), TriangleRuns::unpacked($kept[1])];
    }

    private function copyRuns(string $from, string $to): void
    {
        if (! MeshStore::copyLists("{$this->path}{$from}.runs", "{$this->path}{$to}.runs")) {
            [$chosen, $areas] = $this->runs($from);
            $this->putRuns($chosen, $areas, $to);
        }
    }

    private function putRuns(TriangleRuns $chosen, TriangleRuns $areas, string $of = ''): void
    {
        MeshStore::putLists("{$this->path}{$of}.runs", [$chosen->packed(), $areas->packed()]);
    }

    /** @return list<int> zone of each measured triangle */
    public function zones(): array
    {
        return array_map(ord(...), str_split(MeshStore::get("{$this->path}.allZones")));
    }

    /** @param  list<int>  $zones */
    public function putZones(array $zones): void
    {
        MeshStore::put("{$this->path}.allZones", implode('', array_map(chr(...), $zones)));
        MeshStore::put("{$this->path}.zones", implode('', array_map(chr(...), $this->onWorking($zones))));
    }

    /**
     * What the view shows where it differs from what was found: along a gradient, places instead of depths.
     *
     * @param  list<int>  $zones  by measured triangle
     */
    public function showZones(array $zones): void
    {
        MeshStore::put("{$this->path}.zones", implode('', array_map(chr(...), $this->onWorking($zones))));
    }

    /** @return string changes whenever a zone that is shown does */
    public function stampOfZones(): string
    {
        return (string) MeshStore::stamp("{$this->path}.zones");
    }

    /** @param  array<int, float>  $open  0..1 by working vertex */
    public function putOpenness(array $open): void
    {
        MeshStore::put("{$this->path}.open", MeshStore::bytes($open));
    }

    /** @param  list<float>  $bend  per mm, by working vertex */
    public function putCurvature(array $bend): void
    {
        MeshStore::putFloats("{$this->path}.bend", $bend);
    }

    /** @return list<float> mean curvature by working vertex, per mm; computed where a study is older than that */
    public function curvature(): array
    {
        if (! MeshStore::has("{$this->path}.bend")) {
            $this->putCurvature(Curvature::ofVertices($this->measured(), $this->vertexOf(), $this->working()));
        }

        return MeshStore::floats("{$this->path}.bend");
    }

    /** @return string one byte a working vertex */
    public function openness(): string
    {
        return MeshStore::get("{$this->path}.open");
    }

    public function weights(): ZoneWeights
    {
        $of = [];
        $keys = MeshStore::ints("{$this->path}.weightKeys");
        $vertices = MeshStore::ints("{$this->path}.weightVertices");
        foreach (MeshStore::floats("{$this->path}.weights") as $at => $mm2) {
            $of[$keys[$at]][$vertices[$at]] = $mm2;
        }

        return ZoneWeights::known($of);
    }

    public function putWeights(ZoneWeights $weights): void
    {
        $keys = $vertices = $mm2 = [];
        foreach ($weights->of as $key => $byVertex) {
            foreach (array_chunk($byVertex, 8192, true) as $chunk) {
                array_push($mm2, ...array_values($chunk));
                array_push($keys, ...array_fill(0, count($chunk), $key));
                array_push($vertices, ...array_keys($chunk));
            }
        }
        MeshStore::putInts("{$this->path}.weightKeys", $keys);
        MeshStore::putInts("{$this->path}.weightVertices", $vertices);
        MeshStore::putFloats("{$this->path}.weights", $mm2);
    }

    /** @param  array<int, float>  $exposure  0..1 by working vertex */
    public function putExposure(string $spray, array $exposure): void
    {
        MeshStore::put("{$this->path}.exposure ".Str::slug($spray), MeshStore::bytes($exposure));
    }

    /** @return string one byte a working vertex */
    public function exposure(string $spray): string
    {
        return MeshStore::get("{$this->path}.exposure ".Str::slug($spray));
    }

    /** @return list<int> zone of each working triangle */
    public function workingZones(): array
    {
        return array_map(ord(...), str_split(MeshStore::get("{$this->path}.zones")));
    }

    /** @return list<int> */
    public function workingAreas(): array
    {
        return $this->onWorking($this->areas());
    }

    /** @return string changes whenever an area does */
    public function stampOfAreas(): string
    {
        return MeshStore::stamp("{$this->path}.runs") ?? (string) MeshStore::stamp("{$this->path}.areas");
    }

    /** @return string area id a working triangle, 32 bits, 0 for none */
    public function areasForView(): string
    {
        return $this->onWorkingBytes($this->runs()[1]->bytes());
    }

    /**
     * For the view: counts, positions, corners, areas, then a byte a vertex for each spray, zones. See docs/formats.md.
     *
     * @param  list<string>  $sprays
     */
    public function forView(array $sprays): string
    {
        $mesh = $this->working();
        $exposures = implode('', array_map($this->exposure(...), $sprays));

        return pack('V2', $mesh->vertices(), $mesh->triangles()).$mesh->positions.$mesh->indices.$this->areasForView().$exposures.MeshStore::get("{$this->path}.zones");
    }

    /**
     * What the painter chose for the triangles of a print file: it outlives every computing. Where a triangle was split and
     * its pieces chosen apart, the list has them in their order.
     *
     * @return array<int, list<int|null>>
     */
    public static function chosenOf(string $file): array
    {
        if (! MeshStore::has("{$file}.chosen")) {
            return [];
        }
        $of = [];
        $values = MeshStore::ints("{$file}.chosen");
        for ($at = 0, $end = count($values); $at < $end; $at += $pieces + 1) {
            $pieces = $values[$at];
            $own = [];
            for ($k = 1; $k <= $pieces; $k++) {
                $own[] = $values[$at + $k] === self::NONE ? null : $values[$at + $k];
            }
            $of[] = $own;
        }

        return $of;
    }

    /** @return bool whether the result of the light follows from the areas as they are now */
    public function isMeasured(LightRecord $light): bool
    {
        return $light->measured_of === $this->stampOfMeasures($light);
    }

    /** @return string another one whenever what is measured of a light does not follow from its areas any more */
    public function stampOfMeasures(LightRecord $light): string
    {
        return $this->stampOfAreas().self::stampOfGradients($light);
    }

    /** @return string another one whenever an area becomes a gradient, another one, or none; empty while none is one */
    public static function stampOfGradients(LightRecord $light): string
    {
        $gradients = Area::query()->where('figure_id', $light->figure_id)->where('form', AreaForm::Gradient)->orderBy('id')->get(['id', 'gradient']);

        return $gradients->isEmpty() ? '' : hash('xxh3', $gradients->toJson());
    }

    /** Writes choices made since the last measuring to the print files. Called before the files are read. */
    public static function settleFiles(LightRecord $light): void
    {
        $study = self::of($light);
        if ($study?->isMeasured($light) === false) {
            $study->keepWithFiles();
        }
    }

    private function keepWithFiles(): void
    {
        /** @var list<array{string, int}> $sources written by us */
        $sources = json_decode(MeshStore::get("{$this->path}.sources"), true, 512, JSON_THROW_ON_ERROR);
        $parentOf = $this->parentOf();
        if ($parentOf === null) {
            $first = 0;
            // As bytes: a list of all would be built anew with every act of the brush.
            $one = pack('V', 1);
            $bytes = $this->runs()[0]->bytes();
            foreach ($sources as [$file, $count]) {
                $own = substr($bytes, 4 * $first, 4 * $count);
                MeshStore::put("{$file}.chosen", $own === '' ? '' : $one.implode($one, str_split($own, 4)));
                $first += $count;
            }

            return;
        }
        // As bytes and flat lists: millions of triangles, most of them with one piece.
        $bytes = $this->runs()[0]->bytes();
        $first = array_fill(0, array_sum(array_column($sources, 1)), -1);
        $more = [];
        foreach ($parentOf as $t => $parent) {
            if ($first[$parent] < 0) {
                $first[$parent] = $t;
            } else {
                $more[$parent][] = $t;
            }
        }
        $one = pack('V', 1);
        $at = 0;
        foreach ($sources as [$file, $count]) {
            $own = '';
            for ($parent = $at, $end = $at += $count; $parent < $end; $parent++) {
                $others = $more[$parent] ?? [];
                $own .= $first[$parent] < 0 ? pack('V', 0) : ($others === [] ? $one : pack('V', 1 + count($others))).substr($bytes, 4 * $first[$parent], 4);
                foreach ($others as $t) {
                    $own .= substr($bytes, 4 * $t, 4);
                }
            }
            MeshStore::put("{$file}.chosen", $own);
        }
    }

    /** @param  list<list<int|null>>  $chosen  by triangle of the file */
    public static function putChosen(string $file, array $chosen): void
    {
        $values = [];
        foreach ($chosen as $own) {
            $values[] = count($own);
            foreach ($own as $area) {
                $values[] = $area ?? self::NONE;
            }
        }
        if ($values !== []) {
            MeshStore::putInts("{$file}.chosen", $values);
        }
    }

    /** @return list<int>|null triangle of the files by measured triangle; null where they are the same */
    public function parentOf(): ?array
    {
        return MeshStore::has("{$this->path}.parentOf") ? MeshStore::ints("{$this->path}.parentOf") : null;
    }

    public function forget(): void
    {
        StoredFile::forget($this->path);
    }

    /** @return bool whether the measured mesh is another than the working one */
    public function isCoarse(): bool
    {
        return MeshStore::has("{$this->path}.full.pos");
    }

    /**
     * @param  list<int>  $values  by measured triangle
     * @return list<int> by working triangle
     */
    private function onWorking(array $values): array
    {
        return $this->isCoarse() ? array_map(static fn (int $t): int => $values[$t], $this->triangleOf()) : $values;
    }

    /** The same of numbers of 32 bits, as they are on disk. */
    private function onWorkingBytes(string $values): string
    {
        if (! $this->isCoarse()) {
            return $values;
        }
        $bytes = '';
        foreach ($this->triangleOf() as $t) {
            $bytes .= substr($values, 4 * $t, 4);
        }

        return $bytes;
    }

    /**
     * The measured triangle that a working one was made of.
     *
     * @param  list<int>  $vertexOf
     * @return list<int>
     */
    private static function triangles(TriangleMesh $work, TriangleMesh $full, array $vertexOf): array
    {
        $known = [];
        $t = 0;
        foreach ($full->chunks() as $corners) {
            for ($i = 1, $n = count($corners); $i < $n; $i += 3, $t++) {
                $known[self::key($vertexOf[$corners[$i]], $vertexOf[$corners[$i + 1]], $vertexOf[$corners[$i + 2]])] ??= $t;
            }
        }
        $of = [];
        foreach ($work->chunks() as $corners) {
            for ($i = 1, $n = count($corners); $i < $n; $i += 3) {
                $of[] = $known[self::key($corners[$i], $corners[$i + 1], $corners[$i + 2])] ?? 0;
            }
        }

        return $of;
    }

    /** @return int the same for three vertices in any order: 21 bits each are enough for a working mesh */
    private static function key(int $a, int $b, int $c): int
    {
        $least = min($a, $b, $c);
        $most = max($a, $b, $c);

        return ($least * 2_097_143 + ($a + $b + $c - $least - $most)) * 2_097_143 + $most;
    }
}
