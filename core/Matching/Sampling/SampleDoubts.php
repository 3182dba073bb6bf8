<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

use Hyalin\Colour\Srgb;

/**
 * Why a sample might not be the colour of the paint: clipped, many colours in one, a highlight, or the edges of the
 * blocks that JPEG compression leaves. The limits are own estimates.
 */
final class SampleDoubts
{
    private const CLIPPED = 0.05;

    private const SPREAD = 10.0;

    /** A glint is at least so much lighter than the middle of the sample, in L*, on a small share of it. */
    private const GLINT_LIGHTER = 22.0;

    private const GLINT_SHARES = [0.02, 0.35];

    /** Steps across block edges over steps beside them. */
    private const BLOCKY = 2.5;

    private const BLOCK = 8;

    /**
     * @param  list<array{int, int, int}>  $pixels  x, y in the picture as it was compressed, and the packed 8-bit sRGB
     * @param  bool  $isJpeg  the picture was JPEG and its pixels still lie on the grid it was compressed on
     * @return list<string> in words
     */
    public static function of(SampleStatistics $sample, array $pixels, bool $isJpeg): array
    {
        $doubts = [];
        if ($sample->clipped > self::CLIPPED) {
            $doubts[] = sprintf('%.0f %% of it is clipped: the true colour is outside what the picture can record', 100 * $sample->clipped);
        }
        if (self::hasGlint($pixels)) {
            $doubts[] = 'part of it is a highlight: that is the lamp, not the paint';
        }
        if ($sample->spread > self::SPREAD) {
            $doubts[] = sprintf('its pixels differ by ΔE %.0f on average: it contains more than one colour', $sample->spread);
        }
        if ($isJpeg && self::blockiness($pixels) > self::BLOCKY) {
            $doubts[] = 'it crosses visible JPEG block edges: sample a larger spot or use a better file';
        }

        return $doubts;
    }

    /** @param  list<array{int, int, int}>  $pixels */
    private static function hasGlint(array $pixels): bool
    {
        $lightness = $known = [];
        foreach ($pixels as [, , $p]) {
            $lightness[] = $known[$p] ??= Srgb::of(($p >> 16) / 255, (($p >> 8) & 255) / 255, ($p & 255) / 255)->toXyz()->toLab()->lightness;
        }
        if (count($lightness) < 12) {
            return false;
        }
        sort($lightness);
        $middle = $lightness[intdiv(count($lightness), 2)];
        $lighter = count(array_filter($lightness, static fn (float $l): bool => $l > $middle + self::GLINT_LIGHTER));
        $share = $lighter / count($lightness);

        return $share >= self::GLINT_SHARES[0] && $share <= self::GLINT_SHARES[1];
    }

    /**
     * @param  list<array{int, int, int}>  $pixels
     * @return float mean step of green across the edges of 8 x 8 blocks over the mean step within them; 0 where the
     *               sample holds too little of either, or no step that can be seen
     */
    public static function blockiness(array $pixels): float
    {
        $green = [];
        foreach ($pixels as [$x, $y, $p]) {
            $green[$y][$x] = ($p >> 8) & 255;
        }
        $sums = [[0, 0], [0, 0]];
        foreach ($green as $y => $row) {
            foreach ($row as $x => $v) {
                foreach ([[$x + 1, $y, $x], [$x, $y + 1, $y]] as [$nx, $ny, $along]) {
                    if (isset($green[$ny][$nx])) {
                        $edge = $along % self::BLOCK === self::BLOCK - 1 ? 1 : 0;
                        $sums[$edge][0] += abs($v - $green[$ny][$nx]);
                        $sums[$edge][1]++;
                    }
                }
            }
        }
        if ($sums[0][1] < 30 || $sums[1][1] < 6 || $sums[1][0] / $sums[1][1] < 3) {
            return 0.0;
        }

        return ($sums[1][0] / $sums[1][1]) / max(0.25, $sums[0][0] / $sums[0][1]);
    }
}
