<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $figure_id
 * @property string $name
 * @property int $position
 */
final class Part extends Model
{
    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['position' => 0];

    /** @return BelongsTo<Figure, $this> */
    public function figure(): BelongsTo
    {
        return $this->belongsTo(Figure::class);
    }
}
