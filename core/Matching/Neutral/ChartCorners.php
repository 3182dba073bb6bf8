<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

use Hyalin\Numeric\Homography;

/**
 * Where the patches of a chart lie in a picture, from the middles of its four corner patches: the projective map of a
 * square onto them.
 */
final readonly class ChartCorners
{
    /** Half the side of what is sampled of a patch, in distances between patches. */
    private const REACH = 0.22;

    private function __construct(private Homography $map)
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

        return new self(Homography::through([[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]], $corners));
    }

    /**
     * @return list<array{float, float}> outline of the middle of a patch
     */
    public function patch(int $index): array
    {
        $column = $index % ChartPatches::COLUMNS;
        $row = intdiv($index, ChartPatches::COLUMNS);

        return array_map(
            fn (array $off): array => $this->map->at(
                ($column + $off[0] * self::REACH) / (ChartPatches::COLUMNS - 1),
                ($row + $off[1] * self::REACH) / (ChartPatches::ROWS - 1),
            ),
            [[-1, -1], [1, -1], [1, 1], [-1, 1]],
        );
    }
}
