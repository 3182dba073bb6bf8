<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Records that stand in an order or bear a number among their siblings.
 */
final class NextNumber
{
    /**
     * @template M of Model
     * @template P of Model
     *
     * @param  HasMany<M, P>  $siblings
     * @return int one more than the largest so far; 1 for the first
     */
    public static function of(HasMany $siblings, string $column): int
    {
        $largest = $siblings->max($column);

        return is_numeric($largest) ? (int) $largest + 1 : 1;
    }
}
