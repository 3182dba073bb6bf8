<?php

declare(strict_types=1);

namespace App\Http\Requests\References;

use LogicException;

/**
 * @phpstan-require-extends \Illuminate\Foundation\Http\FormRequest
 */
trait ReadsPoints
{
    /** @return non-empty-list<array{float, float}> 0..1 of width and height */
    public function points(): array
    {
        return self::pointsOf($this->array('points')) ?: throw new LogicException('the rules ask for at least two points');
    }

    /**
     * @param  array<array-key, mixed>  $given
     * @return list<array{float, float}>
     */
    private static function pointsOf(array $given): array
    {
        $points = [];
        foreach ($given as $point) {
            if (is_array($point) && is_numeric($point[0] ?? null) && is_numeric($point[1] ?? null)) {
                $points[] = [(float) $point[0], (float) $point[1]];
            }
        }

        return $points;
    }
}
