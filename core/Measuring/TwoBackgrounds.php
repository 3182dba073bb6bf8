<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Optics\KubelkaMunk;

/**
 * K and S of one coat in one band from its reflectance over two known backgrounds.
 *
 * P. Kubelka, J. Opt. Soc. Am. 38, 448 (1948), solved for general backgrounds gb < gw: with
 * a = [(Rw - Rb)(1 + gw gb) - (gw - gb)(1 + Rw Rb)] / [2 (Rw gb - Rb gw)] the film is known but for its thickness,
 * which follows from either reading.
 */
final readonly class TwoBackgrounds
{
    private function __construct(public float $k, public float $s)
    {
    }

    /**
     * @return self|null null when the readings leave S undetermined: no light comes back from beneath, or noise has
     *                   carried them outside of what a film can do
     */
    public static function solve(float $overBlack, float $overWhite, float $black, float $white): ?self
    {
        // A glare reflects all light, and no film over a card does; one that lets nothing of a white card back is opaque.
        if (max($overBlack, $overWhite) >= 1.0 || max($black, $white) > 1.0 || min($overWhite, $white) <= 0.0) {
            return null;
        }
        // Cards that are alike tell one thing twice.
        if (abs($black - $white) < 1e-9) {
            return null;
        }
        $denominator = 2 * ($overWhite * $black - $overBlack * $white);
        if (abs($denominator) < 1e-12) {
            // Both scaled alike: a film that absorbs and does not scatter.
            return new self(max(0.0, 0.5 * log($white / $overWhite)), 0.0);
        }
        $a = (($overWhite - $overBlack) * (1 + $white * $black) - ($white - $black) * (1 + $overWhite * $overBlack)) / $denominator;
        if ($a < 1 - 1e-3) {
            return null;
        }
        $a = max(1.0, $a);
        $b = sqrt($a * $a - 1);
        $masstone = 1 / ($a + $b);
        // The background that differs more from the masstone tells more of the thickness.
        [$r, $g] = abs($black - $masstone) > abs($white - $masstone) ? [$overBlack, $black] : [$overWhite, $white];
        if ($b < 1e-7) {
            $s = ($r - $g) / ((1 - $r) * (1 - $g));

            return $s >= 0 ? new self(0.0, $s) : null;
        }
        if (abs($g - $masstone) < 1e-12) {
            // Both cards as the paint is, thick: no film over them tells how thick it lies.
            return null;
        }
        $ratio = ($r - $masstone) * (1 / $masstone - $g) / (($g - $masstone) * (1 / $masstone - $r));
        if ($ratio <= 0) {
            return null;
        }
        $s = -log($ratio) / (2 * $b);

        return $s >= 0 ? new self(($a - 1) * $s, $s) : null;
    }

    /**
     * The K with which a coat that scatters $s reflects, on the mean over both backgrounds, what was read there.
     */
    public static function absorptionFor(float $s, float $overBlack, float $overWhite, float $black, float $white): float
    {
        $read = $overBlack + $overWhite;
        $low = 0.0;
        $high = 1e4;
        // More absorption is always darker. 60 halvings reach the last digit.
        for ($step = 0; $step < 60; $step++) {
            $middle = ($low + $high) / 2;
            if (KubelkaMunk::film($middle, $s, 1.0, $black) + KubelkaMunk::film($middle, $s, 1.0, $white) > $read) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $high;
    }
}
