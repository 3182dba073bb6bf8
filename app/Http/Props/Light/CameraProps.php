<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Models\Light\LightRecord;

/**
 * From where to where one looks at a mesh.
 *
 * @phpstan-import-type Camera from LightRecord
 */
final readonly class CameraProps
{
    /**
     * @param  list<float>  $from  x, y, z, mm
     * @param  list<float>  $to  x, y, z, mm
     * @param  float  $size  longest side of the figure when it was kept, mm
     */
    public function __construct(public array $from, public array $to, public float $size)
    {
    }

    /** @param  Camera|null  $camera */
    public static function of(?array $camera): ?self
    {
        return $camera === null ? null : new self($camera['from'], $camera['to'], $camera['size']);
    }
}
