<?php

declare(strict_types=1);

namespace App\Models\Brief;

use Illuminate\Database\Eloquent\Model;

/**
 * Where two areas meet.
 *
 * @property int $id
 * @property int $figure_id
 * @property int $area_id
 * @property int $other_id
 * @property float $mm
 * @property bool $is_curved
 */
final class Boundary extends Model
{
    protected $guarded = ['id', 'figure_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['mm' => 'float', 'is_curved' => 'boolean'];
    }
}
