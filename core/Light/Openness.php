<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * How much of the surroundings a surface sees: 1 on a ball, little in a fold. The mean of the free directions over its
 * own hemisphere, weighed by the cosine (ambient occlusion: S. Zhukov, A. Iones, G. Kronin, An ambient light illumination
 * model, 1998).
 */
final class Openness
{
    /** @return list<array{float, float, float}> all round, evenly: a Fibonacci spiral */
    public static function directions(int $count): array
    {
        $directions = [];
        for ($k = 0; $k < $count; $k++) {
            $z = 1 - 2 * ($k + 0.5) / $count;
            $r = sqrt(max(0.0, 1 - $z * $z));
            $phi = $k * M_PI * (3 - sqrt(5));
            $directions[] = [$r * cos($phi), $r * sin($phi), $z];
        }

        return $directions;
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<int>  $corners
     * @param  int  $from  place of the first of its directions
     * @return array<int, float> 0..1, by vertex
     */
    public static function ofVertices(array $x, array $y, array $z, array $corners, Visibility $seen, int $from, int $count): array
    {
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $corners);
        $open = [];
        foreach ($nx as $v => $px) {
            $sum = $all = 0.0;
            for ($k = $from; $k < $from + $count; $k++) {
                [$dx, $dy, $dz] = $seen->directions[$k];
                $cos = $px * $dx + $ny[$v] * $dy + $nz[$v] * $dz;
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
