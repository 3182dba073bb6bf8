<?php

declare(strict_types=1);

namespace App\Casts;

use Hyalin\Finish\Zone;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A set of zones, from recess to edge.
 *
 * @implements CastsAttributes<list<Zone>, list<Zone>>
 */
final class Zones implements CastsAttributes
{
    /**
     * @param  array<string, mixed>  $attributes
     * @return list<Zone>
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $names = json_decode(is_string($value) ? $value : '[]', true);

        return array_values(array_filter(
            Zone::cases(),
            static fn (Zone $zone): bool => is_array($names) && in_array($zone->value, $names, true),
        ));
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR);
    }
}
