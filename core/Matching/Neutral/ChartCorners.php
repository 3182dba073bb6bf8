<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

/**
 * Where the patches of a chart lie in a picture, from the middles of its four corner patches: the projective map of a
 * square onto them (P. S. Heckbert, Fundamentals of texture mapping and image warping, 1989, section 2.2.3).
 */
final readonly class ChartCorners
{
    /** Half the side of what is sampled of a patch, in distances between patches. */
    private const REACH = 0.22;

    /** @param  array{float, float, float, float, float, float, float, float}  $map */
    private function __construct(private array $map)
    {
    }

    /**
     * @param  array{array{float, float}, array{float, float}, array{float, float}, array{float, float}}  $corners  middles
     *         of dark skin, bluish green, black, white, in coordinates that are equally long both ways
     *
     * @throws InvalidNeutral when they are no convex quadrangle, or run the wrong way round
     */
    public static function of(array $corners): self
    {
        $turns = [];
        foreach ($corners as $i => [$x, $y]) {
            [$x1, $y1] = $corners[($i + 1) % 4];
            [$x2, $y2] = $corners[($i + 2) % 4];
            $turns[] = ($x1 - $x) * ($y2 - $y1) - ($y1 - $y) * ($x2 - $x1);
        }
        if (max($turns) < 0) {
            throw InvalidNeutral::corners('they run the wrong way round, so the chart would be mirrored. Go from dark brown to bluish green, then black, then white');
        }
        if (min($turns) <= 1e-9) {
            throw InvalidNeutral::corners('three of them are on a line, or they cross. Click the centres of the four corner patches in turn');
        }

        return new self(self::map($corners));
    }

    /**
     * @return list<array{float, float}> outline of the middle of a patch
     */
    public function patch(int $index): array
    {
        $column = $index % ChartPatches::COLUMNS;
        $row = intdiv($index, ChartPatches::COLUMNS);

        return array_map(
            fn (array $off): array => $this->at(
                ($column + $off[0] * self::REACH) / (ChartPatches::COLUMNS - 1),
                ($row + $off[1] * self::REACH) / (ChartPatches::ROWS - 1),
            ),
            [[-1, -1], [1, -1], [1, 1], [-1, 1]],
        );
    }

    /** @return array{float, float} */
    private function at(float $u, float $v): array
    {
        [$a, $b, $c, $d, $e, $f, $g, $h] = $this->map;
        $w = $g * $u + $h * $v + 1;

        return [($a * $u + $b * $v + $c) / $w, ($d * $u + $e * $v + $f) / $w];
    }

    /**
     * @param  array{array{float, float}, array{float, float}, array{float, float}, array{float, float}}  $corners
     * @return array{float, float, float, float, float, float, float, float}
     */
    private static function map(array $corners): array
    {
        [[$x0, $y0], [$x1, $y1], [$x2, $y2], [$x3, $y3]] = $corners;
        $sx = $x0 - $x1 + $x2 - $x3;
        $sy = $y0 - $y1 + $y2 - $y3;
        $determinant = ($x1 - $x2) * ($y3 - $y2) - ($x3 - $x2) * ($y1 - $y2);
        $g = ($sx * ($y3 - $y2) - ($x3 - $x2) * $sy) / $determinant;
        $h = (($x1 - $x2) * $sy - $sx * ($y1 - $y2)) / $determinant;

        return [
            $x1 - $x0 + $g * $x1, $x3 - $x0 + $h * $x3, $x0,
            $y1 - $y0 + $g * $y1, $y3 - $y0 + $h * $y3, $y0,
            $g, $h,
        ];
    }
}
