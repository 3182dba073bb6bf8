<?php

declare(strict_types=1);

namespace App\Http\Requests\Light;

use App\Models\Light\LightRecord;

/**
 * From where to where one looks at a mesh, and how large it was.
 *
 * @phpstan-import-type Camera from LightRecord
 */
final class CameraRule
{
    /** @return array<string, list<mixed>> */
    public static function rules(string $key): array
    {
        return [
            $key => ['required', 'array'],
            "{$key}.from" => ['required', new PointRule],
            "{$key}.to" => ['required', new PointRule],
            "{$key}.size" => ['required', 'numeric', 'gt:0', 'max:100000'],
        ];
    }

    /**
     * @param  array<array-key, mixed>  $input  that has passed the rules
     * @return Camera
     */
    public static function of(array $input): array
    {
        $point = static fn (string $key): array => PointRule::of(is_array($input[$key] ?? null) ? $input[$key] : []);

        return ['from' => $point('from'), 'to' => $point('to'), 'size' => is_numeric($input['size'] ?? null) ? (float) $input['size'] : 1.0];
    }
}
