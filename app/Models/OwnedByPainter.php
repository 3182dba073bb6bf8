<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\Auth;

/**
 * A record of one painter. Route bindings look among the signed-in painter's own only, so that another's record is
 * not found rather than forbidden.
 *
 * @phpstan-require-extends Model
 */
trait OwnedByPainter
{
    /** @return BelongsTo<Painter, $this> */
    public function painter(): BelongsTo
    {
        return $this->belongsTo(Painter::class);
    }

    /**
     * @param  Builder<static>  $query
     * @return Builder<static>
     */
    public function resolveRouteBindingQuery($query, $value, $field = null): Builder
    {
        return $query->where('painter_id', Auth::id())->where($field ?? $this->getRouteKeyName(), $value);
    }

    /** Only its owner may open the record: the signed-in painter is set as its painter without a query. */
    public function resolveRouteBinding($value, $field = null): ?Model
    {
        $found = parent::resolveRouteBinding($value, $field);

        return $found?->setRelation('painter', Auth::user());
    }
}
