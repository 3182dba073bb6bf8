<?php

declare(strict_types=1);

namespace App\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * Points of a picture, 0..1 of its width and height.
 *
 * @implements CastsAttributes<list<array{float, float}>, list<array{float, float}>>
 */
final class Outline implements CastsAttributes
{
    /**
     * @param  array<string, mixed>  $attributes
     * @return list<array{float, float}>
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $points = [];
        foreach ((array) json_decode(is_string($value) ? $value : '[]', true) as $point) {
            if (is_array($point) && is_numeric($point[0] ?? null) && is_numeric($point[1] ?? null)) {
                $points[] = [(float) $point[0], (float) $point[1]];
            }
        }

        return $points;
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR);
    }
}
