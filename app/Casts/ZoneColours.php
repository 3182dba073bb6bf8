<?php

declare(strict_types=1);

namespace App\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A display colour (#rrggbb) for each zone.
 *
 * @implements CastsAttributes<array<string, string>, array<string, string>>
 */
final class ZoneColours implements CastsAttributes
{
    /**
     * @param  array<string, mixed>  $attributes
     * @return array<string, string>
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        /** @var array<string, string> written by set() only */
        $colours = json_decode(is_string($value) ? $value : '{}', true, flags: JSON_THROW_ON_ERROR);

        return $colours;
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR);
    }
}
