<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

/**
 * Quadrangles that are darker than what is around them: darker than the mean of a window, so that neither a shadow nor a slope
 * of the light hides one (D. Bradley, G. Roth, Adaptive thresholding using the integral image, J. Graphics Tools 12 (2007) 13), and
 * joined from runs of dark pixels of neighbouring rows.
 *
 * Flat lists: it is a loop over every pixel.
 */
final class DarkShapes
{
    /** Darker than this share of the mean around it. */
    private const DARKER = 0.8;

    /** The window is this share of the longer side. */
    private const WINDOW = 0.06;

    private const SMALLEST = 9;

    /** The hull of a quadrangle is filled by it to this share. */
    private const FILLED = 0.86;

    private const NARROWEST = 0.3;

    /**
     * @return list<array{array{float, float}, array{float, float}, array{float, float}, array{float, float}}> clockwise as seen
     */
    public static function in(Photo $photo): array
    {
        $quads = [];
        foreach (self::shapes($photo) as $ends) {
            $quad = Hull::of(array_map(static fn (array $p): array => [$p[0] + 0.5, $p[1] + 0.5], $ends))->quadrangle(self::FILLED);
            if ($quad !== null) {
                $quads[] = $quad;
            }
        }

        return $quads;
    }

    /** @return list<list<array{int, int}>> the ends of the runs of each shape that may be a mark */
    private static function shapes(Photo $photo): array
    {
        [$width, $height] = [$photo->width, $photo->height];
        $half = max(4, (int) (self::WINDOW * max($width, $height) / 2));
        $parents = $runs = $before = [];
        foreach (self::darkRuns($photo, $half) as $y => $row) {
            $now = [];
            $b = 0;
            foreach ($row as [$from, $to]) {
                $label = count($parents);
                $parents[] = $label;
                $runs[] = [$y, $from, $to];
                while ($b < count($before) && $before[$b][1] < $from - 1) {
                    $b++;
                }
                for ($c = $b; $c < count($before) && $before[$c][0] <= $to + 1; $c++) {
                    $one = self::root($parents, $before[$c][2]);
                    $other = self::root($parents, $label);
                    $parents[max($one, $other)] = min($one, $other);
                }
                $now[] = [$from, $to, $label];
            }
            $before = $now;
        }
        $shapes = [];
        foreach ($runs as $label => [$y, $from, $to]) {
            $root = self::root($parents, $label);
            $shapes[$root][] = [$from, $y];
            $shapes[$root][] = [$to, $y];
        }
        $largest = 0.4 * max($width, $height);

        return array_values(array_filter($shapes, static function (array $ends) use ($largest): bool {
            $tall = $ends[count($ends) - 1][1] - $ends[0][1];
            if ($tall < self::SMALLEST || $tall > $largest) {
                return false;
            }
            $xs = array_column($ends, 0);
            $wide = max($xs) - min($xs);

            return $wide >= self::SMALLEST && $wide <= $largest && min($wide, $tall) >= self::NARROWEST * max($wide, $tall);
        }));
    }

    /** @param  array<int, int>  $parents */
    private static function root(array &$parents, int $label): int
    {
        while ($parents[$label] !== $label) {
            $label = $parents[$label] = $parents[$parents[$label]];
        }

        return $label;
    }

    /** @return iterable<int, list<array{int, int}>> first and last column of each run, by row */
    private static function darkRuns(Photo $photo, int $half): iterable
    {
        [$width, $height] = [$photo->width, $photo->height];
        // Sums over the columns of the window, moved down row by row: less to hold than an integral image.
        $columns = array_fill(0, $width, 0);
        $bytes = $photo->bytes;
        $rowBytes = $photo->row;
        $first = $photo->first + 1;
        $inside = 0;
        for ($y = -$half; $y < $height; $y++) {
            $enter = $y + $half;
            if ($enter < $height) {
                $at = $first + $enter * $rowBytes;
                for ($x = 0; $x < $width; $x++, $at += 3) {
                    $columns[$x] += ord($bytes[$at]);
                }
                $inside++;
            }
            $leave = $y - $half - 1;
            if ($leave >= 0) {
                $at = $first + $leave * $rowBytes;
                for ($x = 0; $x < $width; $x++, $at += 3) {
                    $columns[$x] -= ord($bytes[$at]);
                }
                $inside--;
            }
            if ($y < 0) {
                continue;
            }
            $sum = 0;
            $wide = 0;
            for ($x = 0; $x < min($half, $width); $x++) {
                $sum += $columns[$x];
                $wide++;
            }
            $row = [];
            $from = -1;
            $at = $first + $y * $rowBytes;
            for ($x = 0; $x < $width; $x++, $at += 3) {
                if ($x + $half < $width) {
                    $sum += $columns[$x + $half];
                    $wide++;
                }
                if ($x - $half - 1 >= 0) {
                    $sum -= $columns[$x - $half - 1];
                    $wide--;
                }
                if (ord($bytes[$at]) * $wide * $inside < self::DARKER * $sum) {
                    if ($from < 0) {
                        $from = $x;
                    }
                } elseif ($from >= 0) {
                    $row[] = [$from, $x - 1];
                    $from = -1;
                }
            }
            if ($from >= 0) {
                $row[] = [$from, $width - 1];
            }
            yield $y => $row;
        }
    }
}
