<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\Numeric\Homography;

/**
 * The light on a sheet, from what its bare paper sends back: around each place a plane in the logarithm through the paper nearest
 * to it, nearer paper counting more (W. S. Cleveland, Robust locally weighted regression, J. Am. Stat. Assoc. 74, 829 (1979)).
 * Slopes, soft shadows and lamps from several sides are followed; paper that something lies on is found by its neighbours.
 */
final readonly class PaperLight
{
    private const NEIGHBOURS = 14;

    /** A place of paper that differs from its neighbours by more, as a logarithm, or by so many median differences, is covered. */
    private const COVERED = 0.14;

    private const MEDIANS = 6.0;

    private const OVEREXPOSED = 253;

    private const MOST_OVEREXPOSED = 0.15;

    private const DARKEST = 0.02;

    /**
     * @param  list<array{float, float, array{float, float, float}}>  $paper  place in mm and logarithm of the light of each channel
     * @param  float  $unevenness  median of what one place of paper differs from its neighbours, as a logarithm
     * @param  float  $covered  share of the places of paper that something lies on
     */
    private function __construct(private array $paper, public float $unevenness, public float $covered)
    {
    }

    /**
     * @throws InvalidSheet when the paper is overexposed or too dark
     */
    public static function of(Photo $photo, Homography $map, SheetLayout $layout): self
    {
        $linear = Photo::decoded();
        $paper = [];
        $over = $places = 0;
        foreach ($layout->paper() as [$x, $y]) {
            $light = self::at($photo, $map, $x, $y, $linear);
            if ($light === null) {
                continue;
            }
            $places++;
            if ($light[3]) {
                $over++;
            } elseif (min($light[0], $light[1], $light[2]) > self::DARKEST) {
                $paper[] = [$x, $y, [log($light[0]), log($light[1]), log($light[2])]];
            }
        }
        if ($over > self::MOST_OVEREXPOSED * max(1, $places)) {
            throw InvalidSheet::overexposed($over / $places);
        }
        if (count($paper) < 0.4 * max(1, $places)) {
            throw InvalidSheet::noPaper();
        }
        [$kept, $unevenness] = self::uncovered($paper);

        return new self($kept, $unevenness, 1 - count($kept) / count($paper));
    }

    /** @return array{float, float, float} linear light of bare paper at a place in mm */
    public function light(float $x, float $y): array
    {
        return self::fitted($this->paper, $x, $y, null);
    }

    /**
     * The lighter half of the pixels of a place: print and paint are darker than paper.
     *
     * @param  list<float>  $linear
     * @return array{float, float, float, bool}|null mean linear light, and whether it is overexposed; null outside of the picture
     */
    private static function at(Photo $photo, Homography $map, float $x, float $y, array $linear): ?array
    {
        $pixels = [];
        foreach ([-0.5, -0.25, 0.0, 0.25, 0.5] as $dx) {
            foreach ([-0.5, -0.25, 0.0, 0.25, 0.5] as $dy) {
                $packed = $photo->packed(...$map->at($x + $dx, $y + $dy));
                if ($packed < 0) {
                    return null;
                }
                $pixels[$packed >> 8 & 255][] = $packed;
            }
        }
        krsort($pixels);
        $lighter = array_slice(array_merge(...$pixels), 0, 13);
        $sum = [0.0, 0.0, 0.0];
        $over = 0;
        foreach ($lighter as $packed) {
            $sum[0] += $linear[$packed >> 16];
            $sum[1] += $linear[$packed >> 8 & 255];
            $sum[2] += $linear[$packed & 255];
            $over += max($packed >> 16, $packed >> 8 & 255, $packed & 255) >= self::OVEREXPOSED ? 1 : 0;
        }
        $n = count($lighter);

        return [$sum[0] / $n, $sum[1] / $n, $sum[2] / $n, 2 * $over > $n];
    }

    /**
     * @param  list<array{float, float, array{float, float, float}}>  $paper
     * @return array{list<array{float, float, array{float, float, float}}>, float} without what is covered, and the median difference
     */
    private static function uncovered(array $paper): array
    {
        $median = 0.0;
        for ($round = 0; $round < 3; $round++) {
            $off = [];
            foreach ($paper as $i => [$x, $y, $light]) {
                $expected = self::fitted($paper, $x, $y, $i);
                $off[$i] = max(array_map(static fn (float $l, float $e): float => abs($l - log($e)), $light, $expected));
            }
            $sorted = $off;
            sort($sorted);
            $median = $sorted[intdiv(count($sorted), 2)];
            $most = max(self::COVERED, self::MEDIANS * $median);
            $kept = array_values(array_filter($paper, static fn (int $i): bool => $off[$i] <= $most, ARRAY_FILTER_USE_KEY));
            if (count($kept) === count($paper) || count($kept) < self::NEIGHBOURS) {
                break;
            }
            $paper = $kept;
        }

        return [$paper, $median];
    }

    /**
     * @param  list<array{float, float, array{float, float, float}}>  $paper
     * @param  int|null  $without  a place that is left out
     * @return array{float, float, float}
     */
    private static function fitted(array $paper, float $x, float $y, ?int $without): array
    {
        $distances = [];
        foreach ($paper as $i => [$px, $py]) {
            if ($i !== $without) {
                $distances[$i] = ($px - $x) ** 2 + ($py - $y) ** 2;
            }
        }
        asort($distances);
        $nearest = array_slice($distances, 0, self::NEIGHBOURS, true);
        $reach = sqrt((float) end($nearest)) * 1.05 + 1e-9;
        $n = $sx = $sy = $xx = $xy = $yy = 0.0;
        $l = $lx = $ly = [0.0, 0.0, 0.0];
        foreach ($nearest as $i => $square) {
            [$px, $py, $light] = $paper[$i];
            $w = (1 - (sqrt($square) / $reach) ** 3) ** 3;
            [$dx, $dy] = [$px - $x, $py - $y];
            $n += $w;
            $sx += $w * $dx;
            $sy += $w * $dy;
            $xx += $w * $dx * $dx;
            $xy += $w * $dx * $dy;
            $yy += $w * $dy * $dy;
            foreach ($light as $c => $v) {
                $l[$c] += $w * $v;
                $lx[$c] += $w * $dx * $v;
                $ly[$c] += $w * $dy * $v;
            }
        }
        // The plane of least squares at the place itself; a trace of ridge for paper on a line.
        [$mx, $my] = [$sx / $n, $sy / $n];
        [$cxx, $cxy, $cyy] = [$xx / $n - $mx * $mx + 0.5, $xy / $n - $mx * $my, $yy / $n - $my * $my + 0.5];
        $determinant = $cxx * $cyy - $cxy * $cxy;
        $light = [];
        foreach ([0, 1, 2] as $c) {
            $mean = $l[$c] / $n;
            [$cx, $cy] = [$lx[$c] / $n - $mx * $mean, $ly[$c] / $n - $my * $mean];
            $light[] = exp($mean - $mx * ($cyy * $cx - $cxy * $cy) / $determinant - $my * ($cxx * $cy - $cxy * $cx) / $determinant);
        }

        return [$light[0], $light[1], $light[2]];
    }
}
