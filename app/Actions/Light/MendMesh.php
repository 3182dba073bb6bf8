<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\MeshStore;
use App\Adapters\Light\StoredStudy;
use App\Adapters\StoredFile;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use Hyalin\Mesh\Finding;
use Hyalin\Mesh\FindingKind;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\PrintFindings;
use Hyalin\Mesh\TriangleMesh;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Leaves out of a print file what is not the figure, turns it right side out, or pulls it apart. The file as it came is kept,
 * so that what was left out can be put back.
 */
final class MendMesh
{
    /** @throws ValidationException when nothing of the kind was found */
    public function __invoke(FigureMesh $mesh, FindingKind $kind, bool $isMended): void
    {
        $whole = $mesh->whole_path ?? $mesh->path;
        $kinds = array_values(array_unique([...array_diff($mesh->mended ?? [], [$kind->value]), ...$isMended ? [$kind->value] : []]));
        $full = MeshStore::mesh($whole);
        $measures = MeshMeasures::of($full);
        $found = PrintFindings::of($full, $measures, $mesh->unit_mm);
        $isFound = array_filter($found, static fn (Finding $f): bool => $f->kind === $kind) !== [];
        if (! $isFound || ! $kind->isMended()) {
            throw ValidationException::withMessages(['kind' => "\"{$mesh->title}\" has no {$kind->value} to leave out or put back: reload the page."]);
        }
        [$left, $from] = PrintFindings::mended($full, $measures, self::leftOut($found, $kinds), in_array(FindingKind::InsideOut->value, $kinds, true));
        if ($left->triangles() === 0) {
            throw ValidationException::withMessages(['kind' => "Nothing would be left of \"{$mesh->title}\": put something else back first."]);
        }
        StoredStudy::settleFiles(LightRecord::ofFigure($mesh->figure));
        $chosen = self::chosenOfWhole($mesh, $full, $measures, $found);
        $old = $mesh->path;
        $path = $kinds === [] ? $whole : self::stored($left);
        StoredStudy::putChosen($path, $chosen === [] ? [] : array_map(static fn (int $t): array => $chosen[$t] ?? [], $kinds === [] ? range(0, $full->triangles() - 1) : $from));
        $mesh->update([
            'path' => $path,
            'whole_path' => $kinds === [] ? null : $whole,
            'mended' => $kinds === [] ? null : $kinds,
            'triangles' => $left->triangles(),
            'measures' => [...$mesh->measures, ...ImportMesh::measured($left, MeshMeasures::of($left), $mesh->unit_mm, self::hadSupports($kinds))],
        ]);
        if ($old !== $whole && $old !== $path) {
            StoredFile::forget($old);
        }
    }

    /**
     * @return int parts that it became
     *
     * @throws ValidationException when it holds one part only
     */
    public function pullApart(FigureMesh $mesh): int
    {
        $full = MeshStore::mesh($mesh->path);
        $measures = MeshMeasures::of($full);
        $found = array_filter(PrintFindings::of($full, $measures, $mesh->unit_mm, self::hadSupports($mesh->mended)), static fn (Finding $f): bool => $f->kind === FindingKind::SideBySide);
        $groups = (array_values($found)[0] ?? throw ValidationException::withMessages(['kind' => "\"{$mesh->title}\" is one part: there is nothing to pull apart."]))->groups;
        if (count($groups) + $mesh->figure->meshes()->count() - 1 > ImportMesh::MOST) {
            throw ValidationException::withMessages(['kind' => 'A figure takes '.ImportMesh::MOST.' print files: remove some first.']);
        }
        StoredStudy::settleFiles(LightRecord::ofFigure($mesh->figure));
        $chosen = StoredStudy::chosenOf($mesh->path);
        DB::transaction(static function () use ($mesh, $full, $measures, $groups, $chosen): void {
            $all = array_merge(...$groups);
            foreach ($groups as $n => $group) {
                [$part, $from] = PrintFindings::mended($full, $measures, array_values(array_diff($all, $group)), false);
                $path = self::stored($part);
                StoredStudy::putChosen($path, $chosen === [] ? [] : array_map(static fn (int $t): array => $chosen[$t] ?? [], $from));
                $mesh->figure->meshes()->create([
                    ...$mesh->only(['part_id', 'sha256', 'unit_mm', 'pose', 'onto_id']),
                    'title' => Str::limit($mesh->title, 76, '').' '.($n + 1),
                    'path' => $path,
                    'triangles' => $part->triangles(),
                    'measures' => [...$mesh->measures, 'remarks' => [], ...ImportMesh::measured($part, MeshMeasures::of($part), $mesh->unit_mm)],
                    'apart_path' => $mesh->path,
                    'apart_whole_path' => $mesh->whole_path,
                    'apart_group' => $n,
                    'apart_record' => $mesh->only(['title', 'part_id', 'sha256', 'unit_mm', 'pose', 'onto_id', 'triangles', 'measures', 'mended']),
                ]);
            }
            $mesh->delete();
        });
        foreach (array_diff($mesh->files(), [$mesh->path, $mesh->whole_path]) as $path) {
            StoredFile::forget($path);
        }

        return count($groups);
    }

    /**
     * What was pulled apart is one file again, as it stood before; what was chosen on its parts since stays with them.
     *
     * @throws ValidationException when it was never pulled apart
     */
    public function putTogether(FigureMesh $mesh): FigureMesh
    {
        $path = $mesh->apart_path;
        $record = $mesh->apart_record;
        if ($path === null || $record === null) {
            throw ValidationException::withMessages(['kind' => "\"{$mesh->title}\" was not pulled apart: reload the page."]);
        }
        $full = MeshStore::mesh($path);
        $measures = MeshMeasures::of($full);
        $found = array_filter(PrintFindings::of($full, $measures, $record['unit_mm'], self::hadSupports($record['mended'] ?? null)), static fn (Finding $f): bool => $f->kind === FindingKind::SideBySide);
        $groups = array_values($found)[0]->groups ?? [];
        StoredStudy::settleFiles(LightRecord::ofFigure($mesh->figure));
        $parts = $mesh->figure->meshes()->where('apart_path', $path)->get();
        $chosen = array_fill(0, $full->triangles(), []);
        foreach ($parts as $part) {
            // Found otherwise by another version: which triangle was which is not known then, and nothing is guessed.
            if (! isset($groups[$part->apart_group ?? -1])) {
                continue;
            }
            $others = array_diff(array_keys($groups), [$part->apart_group]);
            $from = PrintFindings::mended($full, $measures, array_merge([], ...array_map(static fn (int $n): array => $groups[$n], $others)), false)[1];
            foreach (self::chosenOfPart($part) as $n => $own) {
                if (isset($from[$n])) {
                    $chosen[$from[$n]] = $own;
                }
            }
        }
        // What was left out of it before can be put back as ever.
        $left = $mesh->apart_whole_path;
        $whole = DB::transaction(static function () use ($mesh, $record, $path, $left, $parts): FigureMesh {
            $known = [
                'part_id' => $mesh->figure->parts()->whereKey($record['part_id'])->exists() ? $record['part_id'] : null,
                'onto_id' => $mesh->figure->meshes()->whereKey($record['onto_id'])->exists() ? $record['onto_id'] : null,
            ];
            $whole = $mesh->figure->meshes()->create([...$record, ...$known, 'path' => $path, 'whole_path' => $left, 'mended' => $left === null ? null : $record['mended'] ?? null]);
            $mesh->figure->meshes()->whereKey($parts->modelKeys())->delete();

            return $whole;
        });
        if (array_filter($chosen) !== []) {
            StoredStudy::putChosen($path, array_values($chosen));
        }
        foreach ($parts as $part) {
            foreach (array_diff($part->files(), [$path, $left]) as $own) {
                StoredFile::forget($own);
            }
        }

        return $whole;
    }

    /** @return array<int, list<int|null>> what the painter chose, by triangle of the part as it was pulled out */
    private static function chosenOfPart(FigureMesh $part): array
    {
        if ($part->whole_path === null) {
            return StoredStudy::chosenOf($part->path);
        }
        $full = MeshStore::mesh($part->whole_path);
        $measures = MeshMeasures::of($full);

        return self::chosenOfWhole($part, $full, $measures, PrintFindings::of($full, $measures, $part->unit_mm));
    }

    /**
     * @param  list<Finding>  $found
     * @param  list<string>  $kinds  that are mended
     * @return list<int> shells that are left out; what is inside out is turned round instead
     */
    private static function leftOut(array $found, array $kinds): array
    {
        $shells = [];
        foreach ($found as $finding) {
            if ($finding->kind !== FindingKind::InsideOut && in_array($finding->kind->value, $kinds, true)) {
                $shells = [...$shells, ...array_merge(...$finding->groups)];
            }
        }

        return $shells;
    }

    /**
     * What the painter chose, by triangle of the file as it came.
     *
     * @param  list<Finding>  $found  in that file
     * @return array<int, list<int|null>>
     */
    private static function chosenOfWhole(FigureMesh $mesh, TriangleMesh $full, MeshMeasures $measures, array $found): array
    {
        $chosen = StoredStudy::chosenOf($mesh->path);
        if ($mesh->whole_path === null || $chosen === []) {
            return $chosen;
        }
        $known = StoredStudy::chosenOf($mesh->whole_path);
        foreach (PrintFindings::mended($full, $measures, self::leftOut($found, $mesh->mended ?? []), false)[1] as $n => $t) {
            $known[$t] = $chosen[$n] ?? [];
        }

        return $known;
    }

    /** @param  list<string>|null  $mended */
    private static function hadSupports(?array $mended): bool
    {
        return in_array(FindingKind::Supports->value, $mended ?? [], true);
    }

    private static function stored(TriangleMesh $mesh): string
    {
        $path = 'meshes/'.Str::ulid()->toBase32();
        MeshStore::putMesh($path, $mesh);

        return $path;
    }
}
