<?php

declare(strict_types=1);

namespace App\Models\Brief;

use Hyalin\Order\Plan\Seam;
use Illuminate\Database\Eloquent\Model;

/**
 * Where two parts meet.
 *
 * @property int $id
 * @property int $figure_id
 * @property int $part_id
 * @property int $other_id
 * @property list<int>|null $hides ids of areas
 * @property Seam $seam
 */
final class Joint extends Model
{
    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['seam' => 'fits'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['hides' => 'array', 'seam' => Seam::class];
    }
}
