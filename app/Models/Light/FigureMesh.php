<?php

declare(strict_types=1);

namespace App\Models\Light;

use App\Models\Brief\Figure;
use App\Models\Brief\Part;
use Hyalin\Light\Pose;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * One print file of a figure, welded.
 *
 * @phpstan-type Stands array{move: array{float, float, float}, turn: float, mirror: bool, rotation?: array{float, float, float, float}, joint?: array{at: array{float, float, float}, axis: array{float, float, float}}}
 * @phpstan-type Measured array{areaMm2: float, volumeMm3: float, boundsMm: array{array{float, float, float}, array{float, float, float}}, shells: int, openEdges: int, inconsistentEdges: int, degenerate: int, remarks: list<string>, findings?: list<array{kind: string, count: int, area: float}>}
 *
 * @property int $id
 * @property int $figure_id
 * @property int|null $part_id
 * @property-read Figure $figure
 * @property-read Part|null $part
 * @property string $title
 * @property string $path of its two lists, without their endings
 * @property string|null $whole_path of the file as it came, where something of it is left out
 * @property list<string>|null $mended what was found in it and is left out or turned round
 * @property string|null $apart_path of the file that it was pulled out of, shared by all that became of it
 * @property string|null $apart_whole_path of the same as it came, where something of it was left out before
 * @property int|null $apart_group which of them it is, from 0
 * @property array{title: string, part_id: int|null, sha256: string|null, unit_mm: float, pose: array<string, mixed>|null, onto_id: int|null, triangles: int, measures: array<string, mixed>, mended?: list<string>|null}|null $apart_record that file's
 * @property int $triangles
 * @property Measured $measures in units of the file
 * @property float $unit_mm
 * @property string|null $sha256 of the file it was read from
 * @property Stands|null $pose rotation as a quaternion x, y, z, w, before it is turned about up; joint it was set on by, mm
 * @property int|null $onto_id of the mesh it stands on and goes with
 * @property Collection<int, MeshShell> $shells pieces of the file that are an area as a whole
 * @property Carbon $updated_at
 */
final class FigureMesh extends Model
{
    protected $table = 'meshes';

    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['unit_mm' => 1.0];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['measures' => 'array', 'pose' => 'array', 'unit_mm' => 'float', 'mended' => 'array', 'apart_record' => 'array'];
    }

    /** @return list<string> paths of its files, as it is worked with and as it came; what others were pulled out of as well stays theirs */
    public function files(): array
    {
        $isLast = $this->apart_path !== null && ! self::query()->where('apart_path', $this->apart_path)->whereKeyNot($this->id)->exists();

        return array_values(array_filter([$this->path, $this->whole_path, ...$isLast ? [$this->apart_path, $this->apart_whole_path] : []], is_string(...)));
    }

    /** @return HasMany<MeshShell, $this> */
    public function shells(): HasMany
    {
        return $this->hasMany(MeshShell::class, 'mesh_id')->orderBy('shell');
    }

    /** @return array<int, int> area by piece of the file, 0 for none */
    public function shellAreas(): array
    {
        $areas = [];
        foreach ($this->shells as $shell) {
            $areas[$shell->shell] = $shell->area_id ?? 0;
        }

        return $areas;
    }

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    /** @param  array{float, float, float}  $up */
    public function stands(array $up): Pose
    {
        return Pose::of($this->pose['move'] ?? [0.0, 0.0, 0.0], $this->pose['rotation'] ?? [0.0, 0.0, 0.0, 1.0], $this->pose['mirror'] ?? false, $this->unit_mm)
            // Left about the axis itself, whichever end of it is up.
            ->turned([abs($up[0]), abs($up[1]), abs($up[2])], $this->pose['turn'] ?? 0.0);
    }
}
