<?php

declare(strict_types=1);

namespace App\Http\Requests\Light;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * A point on a mesh: a list of three numbers, mm. One rule for all three, as a division has sixty of them.
 */
final readonly class PointRule implements ValidationRule
{
    private const FARTHEST = 100_000.0;

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $isPoint = is_array($value) && array_is_list($value) && count($value) === 3
            && array_filter($value, static fn (mixed $mm): bool => is_numeric($mm) && abs((float) $mm) <= self::FARTHEST) === $value;
        if (! $isPoint) {
            $fail('The :attribute field must be three numbers of mm, x, y and z, from -100000 to 100000.');
        }
    }

    /**
     * @param  array<array-key, mixed>  $input  that has passed the rule
     * @return array{float, float, float}
     */
    public static function of(array $input): array
    {
        $at = array_values(array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, $input));

        return [$at[0] ?? 0.0, $at[1] ?? 0.0, $at[2] ?? 0.0];
    }
}
