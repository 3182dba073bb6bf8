<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Where two parts meet.
 *
 * @property int $id
 * @property int $figure_id
 * @property int $part_id
 * @property int $other_id
 * @property list<int>|null $hides ids of areas
 */
final class Joint extends Model
{
    protected $guarded = ['id', 'figure_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['hides' => 'array'];
    }
}
