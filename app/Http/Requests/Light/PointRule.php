<?php

declare(strict_types=1);

namespace App\Http\Requests\Light;

/**
 * A point on a mesh, mm.
 */
final class PointRule
{
    public const LIST = ['required', 'array', 'list', 'size:3'];

    public const EACH = ['numeric', 'between:-100000,100000'];

    /**
     * @param  array<array-key, mixed>  $input  that has passed the rules
     * @return array{float, float, float}
     */
    public static function of(array $input): array
    {
        $at = array_values(array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, $input));

        return [$at[0] ?? 0.0, $at[1] ?? 0.0, $at[2] ?? 0.0];
    }
}
