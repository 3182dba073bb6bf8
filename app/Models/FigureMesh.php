<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One print file of a figure, welded.
 *
 * @phpstan-type Pose array{move: array{float, float, float}, turn: float, mirror: bool}
 * @phpstan-type Measured array{areaMm2: float, volumeMm3: float, boundsMm: array{array{float, float, float}, array{float, float, float}}, shells: int, openEdges: int, inconsistentEdges: int, degenerate: int, remarks: list<string>}
 *
 * @property int $id
 * @property int $figure_id
 * @property int|null $part_id
 * @property string $title
 * @property string $path of its two lists, without their endings
 * @property int $triangles
 * @property Measured $measures in units of the file
 * @property float $unit_mm
 * @property Pose|null $pose
 * @property array<int, int>|null $shell_areas area by piece of the file
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
        return ['measures' => 'array', 'pose' => 'array', 'shell_areas' => 'array', 'unit_mm' => 'float'];
    }
}
