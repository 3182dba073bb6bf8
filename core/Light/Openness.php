<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\Normals;

/**
 * How much of the surroundings a surface sees: 1 on a ball, little in a fold. The mean of the free directions over its
 * own hemisphere, weighed by the cosine (ambient occlusion: S. Zhukov, A. Iones, G. Kronin, An ambient light illumination
 * model, 1998).
 */
final class Openness
{
    /** Of the surroundings: a surface that sees less is hidden from every eye (own estimate). */
    private const HIDDEN = 0.02;

    /**
     * @param  float  $most  openness of its most open corner, 0..1
     * @return bool whether no eye reaches a triangle
     */
    public static function isHidden(float $most): bool
    {
        return $most < self::HIDDEN;
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     * @param  Visibility  $seen  from all round
     * @param  list<float>  $solidAngles  of its directions
     * @return array<int, float> 0..1, by vertex
     */
    public static function ofVertices(array $x, array $y, array $z, array $corners, Visibility $seen, array $solidAngles): array
    {
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $corners);
        $open = [];
        foreach ($nx as $v => $px) {
            $sum = $all = 0.0;
            foreach ($seen->directions as $k => [$dx, $dy, $dz]) {
                $cos = ($px * $dx + $ny[$v] * $dy + $nz[$v] * $dz) * $solidAngles[$k];
                if ($cos > 0) {
                    $all += $cos;
                    if ((($seen->bits[$k >> 6][$v] >> ($k & 63)) & 1) === 1) {
                        $sum += $cos;
                    }
                }
            }
            $open[$v] = $all > 0 ? $sum / $all : 0.0;
        }

        return $open;
    }
}
