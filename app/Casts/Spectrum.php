<?php

declare(strict_types=1);

namespace App\Casts;

use Hyalin\Colour\Bands;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * 36 numbers kept as JSON in full precision.
 *
 * @implements CastsAttributes<list<float>, list<float>>
 */
final class Spectrum implements CastsAttributes
{
    /**
     * @param  array<string, mixed>  $attributes
     * @return list<float>
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $decoded = json_decode(is_string($value) ? $value : '', true);

        return Bands::parse($decoded, $key, 0.0, INF);
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return json_encode(Bands::parse($value, $key, 0.0, INF), JSON_THROW_ON_ERROR);
    }
}
