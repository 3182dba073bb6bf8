<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;

/**
 * The main colours of a picture: clusters in CIELAB over a histogram, those that are one cloud joined.
 */
final class Palette
{
    /** Cells of the histogram a channel. */
    private const CELLS = 32;

    /** Two colours nearer than this (CIEDE2000) are one. */
    private const ALIKE = 5.0;

    /**
     * And so are two whose distance is less than this many times the spread of their own pixels: halves of one cloud.
     * Neighbouring pieces of a long gradient lie 3.5 times apart and stay two.
     */
    private const ONE_CLOUD = 2.2;

    /** A colour with a smaller share than this is no main colour. */
    private const LEAST_SHARE = 0.01;

    /**
     * @param  list<int>  $packed  8-bit sRGB pixels
     * @param  int  $most  1..16
     * @return non-empty-list<PaletteColour> largest share first
     *
     * @throws InvalidSample without pixels
     */
    public static function of(array $packed, int $most, ?ColourCorrection $correction = null): array
    {
        if ($packed === []) {
            throw InvalidSample::noPixels();
        }
        $cells = self::histogram($packed, $correction);
        $centres = Clusters::of($cells, $most);
        $merged = self::merged($centres, self::spreads($cells, $centres));
        $total = array_sum(array_column($merged, 3));
        usort($merged, static fn (array $p, array $q): int => $q[3] <=> $p[3]);
        $colours = [];
        foreach ($merged as [$l, $a, $b, $weight]) {
            if ($colours === [] || $weight / $total >= self::LEAST_SHARE) {
                $colours[] = new PaletteColour(Lab::of($l, $a, $b), $weight / $total);
            }
        }

        return $colours;
    }

    /**
     * @param  non-empty-list<int>  $packed
     * @return non-empty-list<array{float, float, float, float}> L*, a*, b*, pixels; in the order of the codes
     */
    private static function histogram(array $packed, ?ColourCorrection $correction): array
    {
        // Flat sums by cell, as there may be millions of pixels.
        $shift = 8 - (int) log(self::CELLS, 2);
        $sums = [];
        foreach ($packed as $p) {
            $cell = (($p >> 16) >> $shift) << 16 | ((($p >> 8) & 255) >> $shift) << 8 | (($p & 255) >> $shift);
            if (isset($sums[$cell])) {
                $sums[$cell][0] += $p >> 16;
                $sums[$cell][1] += ($p >> 8) & 255;
                $sums[$cell][2] += $p & 255;
                $sums[$cell][3]++;
            } else {
                $sums[$cell] = [$p >> 16, ($p >> 8) & 255, $p & 255, 1];
            }
        }
        ksort($sums);
        $cells = [];
        foreach ($sums as [$r, $g, $b, $n]) {
            $light = [Srgb::decode($r / $n / 255), Srgb::decode($g / $n / 255), Srgb::decode($b / $n / 255)];
            $lab = Srgb::fromLinear($correction?->corrected($light) ?? $light)->toXyz()->toLab();
            $cells[] = [$lab->lightness, $lab->a, $lab->b, (float) $n];
        }

        return $cells;
    }

    /**
     * @param  non-empty-list<array{float, float, float, float}>  $cells
     * @param  non-empty-list<array{float, float, float, float}>  $centres
     * @return list<float> mean squared distance of the pixels to their centre
     */
    private static function spreads(array $cells, array $centres): array
    {
        $sums = array_map(static fn (): float => 0.0, $centres);
        foreach ($cells as $cell) {
            $squares = array_map(static fn (array $centre): float => Clusters::squared($cell, $centre), $centres);
            $best = (int) array_search(min($squares), $squares, true);
            $sums[$best] = ($sums[$best] ?? 0.0) + $cell[3] * $squares[$best];
        }

        return array_map(static fn (float $sum, array $centre): float => $sum / $centre[3], array_values($sums), $centres);
    }

    /**
     * @param  non-empty-list<array{float, float, float, float}>  $centres
     * @param  list<float>  $spreads
     * @return non-empty-list<array{float, float, float, float}> no two of which are one colour
     */
    private static function merged(array $centres, array $spreads): array
    {
        for ($i = 0; $i < count($centres); $i++) {
            for ($j = $i + 1; $j < count($centres); $j++) {
                [$p, $q] = [$centres[$i], $centres[$j]];
                $n = $p[3] + $q[3];
                $spread = ($spreads[$i] * $p[3] + $spreads[$j] * $q[3]) / $n;
                if (Ciede2000::between($p[0], $p[1], $p[2], $q[0], $q[1], $q[2]) < self::ALIKE
                    || Clusters::squared($p, $q) < self::ONE_CLOUD ** 2 * $spread) {
                    $centres[$i] = [($p[0] * $p[3] + $q[0] * $q[3]) / $n, ($p[1] * $p[3] + $q[1] * $q[3]) / $n, ($p[2] * $p[3] + $q[2] * $q[3]) / $n, $n];
                    $spreads[$i] = $spread;
                    unset($centres[$j], $spreads[$j]);

                    return self::merged(array_values($centres), array_values($spreads));
                }
            }
        }

        return $centres;
    }
}
