<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\Colour\Srgb;
use Hyalin\Matching\Neutral\ChartFit;
use Hyalin\Matching\Neutral\ChartPatches;
use Hyalin\Matching\Neutral\GreyPatch;
use Hyalin\Matching\Neutral\InvalidNeutral;
use Hyalin\Matching\Sampling\ColourCorrection;
use Hyalin\Matching\Sampling\SampleStatistics;
use Hyalin\Numeric\Homography;
use Hyalin\Numeric\SingularMatrix;

/**
 * The card on its place, wherever it was put down there: one grey, or a chart of 24 patches; and what it tells of the colours.
 */
final readonly class LaidCard
{
    /** What is as light as this share of paper, and no more coloured than that, is paper. */
    private const PAPER = 0.8;

    private const COLOURED = 0.12;

    private const STEP = 0.8;

    /** Of the place, in squares of it, that a card must cover. */
    private const LEAST = 0.12;

    private const FILLED = 0.8;

    /** A grey varies by no more over its middle, as a logarithm. */
    private const EVEN = 0.7;

    /**
     * A camera that makes its lamp white by itself hides what lamp it was: never surer than under a lamp of 4323 K (GreyPatch), with
     * what a camera adds.
     */
    private const BALANCED_HALF = 1.85;

    private const BALANCED_MOST = 4.4;

    /** Dots along a square that is judged as one. */
    private const SQUARE = 4;

    /** Rims of the frame of a chart, as shares of its width and height. */
    private const RIMS = [0.0, 0.02, 0.04, 0.06, 0.08, 0.1, 0.12];

    /** Half of what is sampled of a patch, in distances between patches. */
    private const REACH = 0.26;

    /**
     * @param  bool  $isChart  a chart of 24 patches, or one grey
     * @param  float  $half  CIEDE2000 that half of the colours stay within; an estimate
     * @param  float  $most  and nineteen of twenty
     */
    private function __construct(public bool $isChart, public ColourCorrection $correction, public float $half, public float $most)
    {
    }

    /**
     * @param  float  $grey  reflectance of the grey card, 0.02..1
     *
     * @throws InvalidSheet when there is none
     * @throws InvalidNeutral when it is none after all
     */
    public static function on(EvenedPhoto $photo, float $grey): self
    {
        $grid = EvenedGrid::of($photo, SheetLayout::card(), self::STEP);
        $quad = self::outline($grid, $photo->reference) ?? throw InvalidSheet::noCard();
        try {
            $map = Homography::through([[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]], $quad);
        } catch (SingularMatrix) {
            throw InvalidSheet::noCard();
        }
        if (self::isPlain($grid, self::box($map, 0.5, 0.5, 0.3))) {
            return self::grey($photo->pixels(self::box($map, 0.5, 0.5, 0.3), 0.5), $grey);
        }

        return self::chart($grid, $map);
    }

    /** Whether a part is of one lightness, judged by squares of a few dots: single ones are noisy in the dark. */
    private static function isPlain(EvenedGrid $grid, Box $middle): bool
    {
        $lights = [];
        $side = self::SQUARE * $grid->step;
        for ($y = $middle->y; $y < $middle->y + $middle->height; $y += $side) {
            for ($x = $middle->x; $x < $middle->x + $middle->width; $x += $side) {
                $sum = 0.0;
                for ($n = 0; $n < self::SQUARE ** 2; $n++) {
                    $light = $grid->at($x + ($n % self::SQUARE) * $grid->step, $y + intdiv($n, self::SQUARE) * $grid->step);
                    if ($light === null) {
                        return false;
                    }
                    $sum += $light[1];
                }
                $lights[] = $sum;
            }
        }
        sort($lights);
        $n = count($lights);

        return $n > 4 && $lights[(int) (0.05 * $n)] > 0 && log($lights[(int) (0.95 * ($n - 1))] / $lights[(int) (0.05 * $n)]) < self::EVEN;
    }

    /**
     * @param  list<array{float, float, float, bool}>  $pixels
     */
    private static function grey(array $pixels, float $reflectance): self
    {
        $packed = array_map(static function (array $p): int {
            [$r, $g, $b] = Srgb::fromLinear([min(1.0, $p[0]), min(1.0, $p[1]), min(1.0, $p[2])])->toBytes();

            return $r << 16 | $g << 8 | $b;
        }, $pixels);
        $patch = GreyPatch::of(SampleStatistics::of($packed), $reflectance);

        [$half, $most] = $patch->expected();

        return new self(false, $patch, max($half, self::BALANCED_HALF), max($most, self::BALANCED_MOST));
    }

    private static function chart(EvenedGrid $grid, Homography $map): self
    {
        $best = null;
        $least = INF;
        foreach (self::RIMS as $rimX) {
            foreach (self::RIMS as $rimY) {
                [$patches, $rough] = self::patches($grid, $map, $rimX, $rimY);
                if ($rough < $least) {
                    [$best, $least] = [$patches, $rough];
                }
            }
        }
        if ($best === null) {
            throw InvalidSheet::noCard();
        }
        try {
            $fit = ChartFit::of($best);
        } catch (InvalidNeutral) {
            // Laid the other way round it says the same.
            try {
                $best = array_reverse($best);
                $fit = ChartFit::of($best);
            } catch (InvalidNeutral) {
                throw InvalidSheet::otherCard();
            }
        }

        return new self(true, $fit, ...$fit->leftOut($best));
    }

    /**
     * @return array{list<array{float, float, float}>|null, float} means of the 24 patches, and how rough they are inside
     */
    private static function patches(EvenedGrid $grid, Homography $map, float $rimX, float $rimY): array
    {
        $patches = [];
        $rough = 0.0;
        for ($n = 0; $n < 24; $n++) {
            $u = $rimX + (1 - 2 * $rimX) * ($n % ChartPatches::COLUMNS + 0.5) / ChartPatches::COLUMNS;
            $v = $rimY + (1 - 2 * $rimY) * (intdiv($n, ChartPatches::COLUMNS) + 0.5) / ChartPatches::ROWS;
            $box = self::box($map, $u, $v, self::REACH / ChartPatches::COLUMNS);
            $sum = $squares = [0.0, 0.0, 0.0];
            $m = 0;
            for ($y = $box->y; $y <= $box->y + $box->height; $y += self::STEP) {
                for ($x = $box->x; $x <= $box->x + $box->width; $x += self::STEP) {
                    $light = $grid->at($x, $y);
                    if ($light === null) {
                        return [null, INF];
                    }
                    $m++;
                    foreach ($light as $c => $l) {
                        $sum[$c] += $l;
                        $squares[$c] += sqrt(max(0.0, $l));
                    }
                }
            }
            if ($m === 0) {
                return [null, INF];
            }
            foreach ([0, 1, 2] as $c) {
                // Variance of the square roots: noise counts alike in dark and in light patches.
                $rough += max(0.0, $sum[$c] / $m - ($squares[$c] / $m) ** 2);
            }
            $patches[] = [$sum[0] / $m, $sum[1] / $m, $sum[2] / $m];
        }

        return [$patches, $rough];
    }

    /** An upright box around a place of the card, as wide as a share of it on either side. */
    private static function box(Homography $map, float $u, float $v, float $reach): Box
    {
        [$x, $y] = $map->at($u, $v);
        [$x1, $y1] = $map->at($u + $reach, $v);
        $half = hypot($x1 - $x, $y1 - $y) / M_SQRT2;

        return new Box($x - $half, $y - $half, 2 * $half, 2 * $half);
    }

    /**
     * The outline of whatever lies on the place and is not paper, in mm, from the upper left corner clockwise; small things aside.
     *
     * @param  array{float, float, float}  $paper  linear light
     * @return array{array{float, float}, array{float, float}, array{float, float}, array{float, float}}|null
     */
    private static function outline(EvenedGrid $grid, array $paper): ?array
    {
        $isCard = [];
        foreach ($grid->lights as $at => $light) {
            $share = [$light[0] / $paper[0], $light[1] / $paper[1], $light[2] / $paper[2]];
            if (max($share) < self::PAPER || max($share) - min($share) > self::COLOURED) {
                $isCard[$at] = true;
            }
        }
        $points = [];
        foreach ($isCard as $at => $_) {
            $column = $at % $grid->columns;
            $around = 0;
            foreach ([[-1, 0], [1, 0], [0, -1], [0, 1]] as [$dx, $dy]) {
                $around += isset($isCard[$at + $dy * $grid->columns + $dx]) && $column + $dx >= 0 && $column + $dx < $grid->columns ? 1 : 0;
            }
            // A line that is printed there is a dot or two wide.
            if ($around === 4) {
                $points[] = $grid->place($at);
            }
        }
        if (count($points) < self::LEAST * $grid->columns * $grid->rows) {
            return null;
        }
        $quad = Hull::of($points)->quadrangle(self::FILLED);
        if ($quad === null) {
            return null;
        }
        $first = 0;
        foreach ($quad as $i => [$x, $y]) {
            $first = $x + $y < $quad[$first][0] + $quad[$first][1] ? $i : $first;
        }

        return [$quad[$first], $quad[($first + 1) % 4], $quad[($first + 2) % 4], $quad[($first + 3) % 4]];
    }
}
