<?php

declare(strict_types=1);

namespace App\Models\Finish;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * All finishes of a figure as they once were.
 *
 * @phpstan-type KeptLayer array{key: string, technique: string, zones: list<string>, thinner: float, coats: int, note: string|null, mix: list<array{paintId: int, drops: int|float}>}
 * @phpstan-type KeptFinish array{areaId: int, area: string, layers: list<KeptLayer>}
 *
 * @property int $id
 * @property int $figure_id
 * @property int|null $run_id the run it was taken from
 * @property int $number
 * @property string $why
 * @property list<KeptFinish> $finishes
 * @property Carbon $created_at
 */
final class RecipeVersion extends Model
{
    protected $guarded = ['id', 'figure_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['finishes' => 'array'];
    }
}
