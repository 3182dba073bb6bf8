<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The light on a figure: how it is sprayed, and what was computed of it.
 *
 * @phpstan-type LitArea array{areaId: int, cm2: float, exposure: float, hidden: float, shares: list<float>}
 * @phpstan-type LitBorder array{areaId: int, otherId: int, mm: float, isCurved: bool}
 *
 * @property int $id
 * @property int $painter_id
 * @property int $figure_id
 * @property string $up x, y, z, -x, -y or -z
 * @property float|null $height_mm of the assembled figure; null for as it is in its files
 * @property float $spread half angle of the spray cone, degrees
 * @property int $passes of white from above
 * @property string $state waiting, running, done, stopped, failed
 * @property float $progress
 * @property bool $stop_asked
 * @property string|null $problem
 * @property string|null $of what it was computed from
 * @property string|null $path folder of its lists
 * @property array{areas: list<LitArea>, borders: list<LitBorder>, triangles: int, sizeMm: float}|null $result
 */
final class LightRecord extends Model
{
    use OwnedByPainter;

    /** Half angle of the widest spray that shadows are computed for. */
    public const WIDEST = 60.0;

    public const DIRECTIONS = 96;

    /** All round, for how open a surface lies. */
    public const ROUND = 64;

    protected $table = 'light_studies';

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = ['up' => 'z', 'spread' => 30.0, 'passes' => 2, 'state' => 'waiting', 'progress' => 0.0, 'stop_asked' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['result' => 'array', 'progress' => 'float', 'stop_asked' => 'boolean', 'spread' => 'float', 'height_mm' => 'float'];
    }

    /** @return array{float, float, float} */
    public function axis(): array
    {
        $sign = str_starts_with($this->up, '-') ? -1.0 : 1.0;

        return match (ltrim($this->up, '-')) {
            'x' => [$sign, 0.0, 0.0],
            'y' => [0.0, $sign, 0.0],
            default => [0.0, 0.0, $sign],
        };
    }
}
