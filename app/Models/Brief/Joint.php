<?php

declare(strict_types=1);

namespace App\Models\Brief;

use Hyalin\Plan\Seam;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * Where two parts meet.
 *
 * @property int $id
 * @property int $figure_id
 * @property int $part_id
 * @property int $other_id
 * @property Collection<int, Area> $hiddenAreas that cannot be reached any more once it is glued
 * @property Seam $seam
 * @property bool $is_last painted apart and joined when both parts are finished
 */
final class Joint extends Model
{
    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['seam' => 'fits', 'is_last' => false];

    /** @return BelongsToMany<Area, $this> */
    public function hiddenAreas(): BelongsToMany
    {
        return $this->belongsToMany(Area::class, 'joint_hidden_areas', 'joint_id');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['seam' => Seam::class, 'is_last' => 'boolean'];
    }
}
