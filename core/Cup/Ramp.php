<?php

declare(strict_types=1);

namespace Hyalin\Cup;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lch;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use Hyalin\Pot\Volume;

/**
 * Shade and light mixes that grow from one base mix, evenly spaced in lightness: each is the cup of the step before
 * with drops added, never a new cup (common practice: highlights are the same mix moved step by step).
 */
final class Ramp
{
    /**
     * @param  array<string, PaintOptics>  $shelf  by ingredient; holds all that is in the base
     * @param  Cup  $base  the mid-tone
     * @param  float  $contrast  L* from step to step, 2..30
     * @param  int  $steps  to each side, 1..4
     * @return list<RampStep> darkest first, without the base itself; a side ends where the shelf cannot go on
     */
    public static function around(array $shelf, Cup $base, float $contrast, int $steps, HueDrift $drift, Surface $surface): array
    {
        $sum = SpectralSum::under(Illuminant::D65);
        $mid = $sum->xyz($surface->seen($base->optics($shelf)->masstone()))->toLab()->toLch();
        $sides = [];
        foreach ([-1, 1] as $side) {
            $cup = $base;
            $before = $mid->lightness;
            for ($n = 1; $n <= $steps; $n++) {
                $lightness = $mid->lightness + $side * $n * $contrast;
                if ($lightness < 2 || $lightness > 98) {
                    break;
                }
                // Towards white and black there is less room for chroma.
                $room = $side > 0 ? (100 - $lightness) / max(1e-6, 100 - $mid->lightness) : $lightness / max(1e-6, $mid->lightness);
                $wanted = Lch::of($lightness, $mid->chroma * min(1.0, 0.4 + 0.6 * $room), $drift->turned($mid->hue, $side * $n))->toLab();
                $addition = (new Steering($shelf, $wanted, $surface))->of($cup);
                // Half the step is the least that counts as one; less means that the shelf has nothing for it.
                if ($addition->drops === [] || $side * ($addition->lab->lightness - $before) < $contrast / 2) {
                    break;
                }
                foreach ($addition->drops as $key => $drops) {
                    $cup = $cup->adding($key, $drops * Volume::DROP);
                }
                $before = $addition->lab->lightness;
                $sides[] = new RampStep($side * $n, $addition->drops, $cup, $addition->lab, $wanted, $addition->difference);
            }
        }
        usort($sides, static fn (RampStep $p, RampStep $q): int => $p->step <=> $q->step);

        return $sides;
    }
}
