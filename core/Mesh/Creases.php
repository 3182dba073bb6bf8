<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

use Hyalin\Progress;
use Hyalin\ProgressShare;
use Hyalin\Stopped;

/**
 * How deep a surface is creased at the widths that a painter sees: the grooves between plates, the folds of a sleeve, the
 * neck between head and body.
 */
final class Creases
{
    /** Widths in tips of a brush: 0.4, 1 and 2.2 mm of a figure that is painted with the finest one. */
    private const WIDTHS = [1.3, 3.3, 7.3];

    /** Of a crease that is as deep along and flat across: own choice. */
    private const NECK = 0.25;

    /**
     * @param  list<float>  $curvature  mean curvature by vertex, per mm
     * @param  float  $tip  mm
     * @return list<float> by vertex, without unit: how far the surface bends inwards within the width where it does most; negative
     *                     where it bends outwards
     *
     * @throws Stopped
     */
    public static function ofVertices(SurfaceGraph $surface, array $curvature, float $tip, ?Progress $progress = null): array
    {
        $most = \array_fill(0, \count($curvature), -\INF);
        $done = 0.0;
        $widest = \max(self::WIDTHS) * $tip;
        foreach (self::WIDTHS as $width) {
            $sigma = $width * $tip;
            // Gaussians add by their squares: the wider one goes on from the narrower. So do the steps that they take.
            $share = ProgressShare::of($progress, ($done / $widest) ** 2, ($sigma / $widest) ** 2);
            $curvature = $surface->smoothed($curvature, \sqrt($sigma * $sigma - $done * $done), $share);
            $done = $sigma;
            foreach ($curvature as $v => $bend) {
                if (-$bend * $sigma > $most[$v]) {
                    $most[$v] = -$bend * $sigma;
                }
            }
        }

        return \array_values($most);
    }

    /**
     * And where a limb is thinnest: there it bends inwards along its length, however round it is across. Such a place is no
     * crease, and counts for half of one.
     *
     * @param  list<float>  $curvature  mean curvature by vertex, per mm
     * @param  list<float>  $lacks  Gaussian curvature times area by vertex
     * @param  float  $tip  mm
     * @return list<float> by vertex, alike
     *
     * @throws Stopped
     */
    public static function andNecks(SurfaceGraph $surface, array $curvature, array $lacks, float $tip, ?Progress $progress = null): array
    {
        $sigma = \max(self::WIDTHS) * $tip;
        // Each of the three is smoothed over the same width, and takes as many steps.
        $third = static fn (int $n): ?Progress => ProgressShare::of($progress, $n / 3, ($n + 1) / 3);
        $mean = $surface->smoothed($curvature, $sigma, $third(0));
        $gauss = $surface->smoothed(\array_map(static fn (float $lack, float $mm2): float => $mm2 > 0.0 ? $lack / $mm2 : 0.0, $lacks, \array_values($surface->area)), $sigma, $third(1));
        $necks = [];
        foreach (self::ofVertices($surface, $curvature, $tip, $third(2)) as $v => $crease) {
            $h = $mean[$v];
            // The lesser of the two principal curvatures is H - sqrt(H^2 - K).
            $inwards = $gauss[$v] < 0.0 ? \sqrt($h * $h - $gauss[$v]) - $h : 0.0;
            $necks[] = \max($crease, self::NECK * $inwards * $sigma);
        }

        return $necks;
    }
}
