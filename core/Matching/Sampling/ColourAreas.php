<?php

declare(strict_types=1);

namespace Hyalin\Matching\Sampling;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Zone;

/**
 * The main areas of a figure from the colours of one picture: what hangs together with the rim and changes only slowly is
 * the backdrop; the rest is clustered by hue and saturation - chroma over lightness -, as shaded paint loses both together.
 * What is alike but apart is one area: who paints it mixes the same cup. Limits are own estimates, tried on rendered figures.
 */
final readonly class ColourAreas
{
    /** A difference in lightness counts as much less than one in hue and saturation. */
    private const LIGHTNESS = 0.14;

    /** Saturation is chroma over lightness, so that a ramp stays one cloud; what is added keeps the noise of near black small. */
    private const SATURATION = 55.0;

    private const DARKEST = 14.0;

    /** Of greys it counts by so much more; and the saturation up to which a colour is one. */
    private const GREY = 0.4;

    private const NEUTRAL = 7.0;

    /** Saturation counts by its logarithm: between dull and vivid of one hue lies less than between hues. */
    private const STRETCH = 14.0;

    /** An area with a smaller share of its pixels well inside is the rim of others. */
    private const LEAST_INSIDE = 0.3;

    /** Clusters nearer than this are one area. */
    private const ALIKE = 10.0;

    private const CLUSTERS = 14;

    /** Side of a cell of the histogram. */
    private const CELL = 3.0;

    /** An area with a smaller share of the figure is no main one. */
    private const LEAST_SHARE = 0.012;

    /** Pixels from which on a share says anything. */
    private const LEAST_PIXELS = 30;

    /** From pixel to pixel the backdrop changes by no more than this (CIE 1976), and it is no farther from the rim's colour. */
    private const STEP = 3.0;

    private const FARTHEST = 30.0;

    /** Chroma by which the backdrop may differ from the rim. */
    private const CHROMA = 9.0;

    /** Share of the rim that a backdrop has at least. */
    private const LEAST_RIM = 0.6;

    /** A backdrop covers between these shares of the picture; otherwise there is none. */
    private const BACKDROP = [0.05, 0.97];

    /** Places of the zones among the pixels of an area from dark to light, and how many pixels make up each. */
    private const RANKS = [0.04, 0.2, 0.5, 0.8, 0.96];

    private const RANK_WIDTH = 0.04;

    /** A difference to a neighbour counts as much as so much of one to the colour that is looked for. */
    private const UNEVEN = 0.3;

    /** L* between recess and edge from which on there is a ramp. */
    private const LEAST_RANGE = 6.0;

    /**
     * @param  list<ColourArea>  $areas  largest first
     * @param  list<array{float, float, float}>  $labs  L*, a*, b* of all pixels: flat, as there are tens of thousands
     */
    private function __construct(public array $areas, private array $labs, private int $width, private int $height)
    {
    }

    /**
     * @param  int  $width  of the picture, 3..400 pixels
     * @param  list<int>  $packed  8-bit sRGB pixels, in rows from the top
     *
     * @throws InvalidSample without pixels
     */
    public static function of(int $width, array $packed, ?ColourCorrection $correction = null): self
    {
        $height = intdiv(count($packed), max(1, $width));
        if ($width < 3 || $height < 3) {
            throw InvalidSample::noPixels();
        }
        $labs = self::labs($packed, $correction);
        $figure = self::figure($labs, $width, $height);
        if (count($figure) < self::LEAST_PIXELS) {
            throw InvalidSample::noPixels();
        }
        $centres = self::centres($labs, $figure);
        $of = self::assigned($labs, $figure, $centres, $width);
        $found = [];
        foreach ($of as $pixel => $cluster) {
            $found[$cluster][] = $pixel;
        }
        $areas = [];
        foreach ($found as $pixels) {
            $inner = self::inner($pixels, $width);
            if (count($pixels) >= max(self::LEAST_PIXELS, self::LEAST_SHARE * count($figure)) && count($inner) >= self::LEAST_INSIDE * count($pixels)) {
                $areas[] = self::area($labs, $pixels, count($figure), $width, $height);
            }
        }
        usort($areas, static fn (ColourArea $p, ColourArea $q): int => $q->share <=> $p->share);

        return new self($areas, $labs, $width, $height);
    }

    /**
     * Some of them as one.
     *
     * @param  non-empty-list<int>  $which  by their places
     *
     * @throws InvalidSample when there is none in such a place
     */
    public function together(array $which): ColourArea
    {
        $pixels = [];
        $share = 0.0;
        foreach ($which as $place) {
            $area = $this->areas[$place] ?? throw InvalidSample::noPixels();
            $pixels = [...$pixels, ...$area->pixels];
            $share += $area->share;
        }
        if ($pixels === []) {
            throw InvalidSample::noPixels();
        }

        return self::area($this->labs, $pixels, (int) round(count($pixels) / $share), $this->width, $this->height);
    }

    /**
     * @param  list<int>  $packed
     * @return list<array{float, float, float}> L*, a*, b*
     */
    private static function labs(array $packed, ?ColourCorrection $correction): array
    {
        $known = $labs = [];
        foreach ($packed as $pixel) {
            // Codes that differ by less than noise are one.
            $labs[] = $known[$pixel & 0xFEFEFE] ??= self::lab($pixel, $correction);
        }

        return $labs;
    }

    /** @return array{float, float, float} */
    private static function lab(int $pixel, ?ColourCorrection $correction): array
    {
        $light = [Srgb::decode(($pixel >> 16 & 255) / 255), Srgb::decode(($pixel >> 8 & 255) / 255), Srgb::decode(($pixel & 255) / 255)];
        $lab = Srgb::fromLinear($correction?->corrected($light) ?? $light)->toXyz()->toLab();

        return [$lab->lightness, $lab->a, $lab->b];
    }

    /**
     * @param  list<array{float, float, float}>  $labs
     * @return list<int> pixels that are no backdrop
     */
    private static function figure(array $labs, int $width, int $height): array
    {
        $rim = self::rim($width, $height);
        $middle = static fn (int $axis): float => self::median(array_map(static fn (int $pixel): float => $labs[$pixel][$axis], $rim));
        $rimColour = [$middle(0), $middle(1), $middle(2)];
        $backdrop = [];
        $left = [];
        foreach ($rim as $pixel) {
            if (self::isNear($labs[$pixel], $rimColour)) {
                $backdrop[$pixel] = true;
                $left[] = $pixel;
            }
        }
        // A backdrop is all around.
        if (count($left) < self::LEAST_RIM * count($rim)) {
            return array_keys($labs);
        }
        while ($left !== []) {
            $pixel = array_pop($left);
            $x = $pixel % $width;
            foreach ([$x > 0 ? $pixel - 1 : -1, $x < $width - 1 ? $pixel + 1 : -1, $pixel - $width, $pixel + $width] as $next) {
                if (isset($labs[$next]) && ! isset($backdrop[$next]) && self::isNear($labs[$next], $rimColour) && self::apart($labs[$pixel], $labs[$next]) < self::STEP) {
                    $backdrop[$next] = true;
                    $left[] = $next;
                }
            }
        }
        $share = count($backdrop) / count($labs);
        if ($share < self::BACKDROP[0] || $share > self::BACKDROP[1]) {
            return array_keys($labs);
        }

        return array_values(array_filter(array_keys($labs), static fn (int $pixel): bool => ! isset($backdrop[$pixel])));
    }

    /**
     * Whether a colour may be of a backdrop with this rim.
     *
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $rim
     */
    private static function isNear(array $p, array $rim): bool
    {
        return abs($p[0] - $rim[0]) < self::FARTHEST && hypot($p[1] - $rim[1], $p[2] - $rim[2]) < self::CHROMA;
    }

    /** @return list<int> the outermost pixels */
    private static function rim(int $width, int $height): array
    {
        $rim = [];
        for ($x = 0; $x < $width; $x++) {
            array_push($rim, $x, ($height - 1) * $width + $x);
        }
        for ($y = 1; $y < $height - 1; $y++) {
            array_push($rim, $y * $width, ($y + 1) * $width - 1);
        }

        return $rim;
    }

    /** @param  list<float>  $values  at least one */
    private static function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)];
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     */
    private static function apart(array $p, array $q): float
    {
        return sqrt(($p[0] - $q[0]) ** 2 + ($p[1] - $q[1]) ** 2 + ($p[2] - $q[2]) ** 2);
    }

    /**
     * @param  list<array{float, float, float}>  $labs
     * @param  non-empty-list<int>  $figure
     * @return non-empty-list<array{float, float, float}> of lightness, as it counts, a*, b*
     */
    private static function centres(array $labs, array $figure): array
    {
        $sums = [];
        foreach ($figure as $pixel) {
            [$l, $a, $b] = self::seen($labs[$pixel]);
            $cell = ((int) floor($l / self::CELL)).' '.((int) floor($a / self::CELL)).' '.((int) floor($b / self::CELL));
            [$sl, $sa, $sb, $n] = $sums[$cell] ?? [0.0, 0.0, 0.0, 0];
            $sums[$cell] = [$sl + $l, $sa + $a, $sb + $b, $n + 1];
        }
        ksort($sums);
        $cells = array_values(array_map(static fn (array $s): array => [$s[0] / $s[3], $s[1] / $s[3], $s[2] / $s[3], (float) $s[3]], $sums));

        return self::joined(Clusters::of($cells, self::CLUSTERS));
    }

    /**
     * @param  array{float, float, float}  $lab
     * @return array{float, float, float} as it is clustered
     */
    private static function seen(array $lab): array
    {
        $chroma = hypot($lab[1], $lab[2]);
        $saturation = self::SATURATION * $chroma / ($lab[0] + self::DARKEST);
        $by = $chroma > 0.0 ? self::STRETCH * log(1 + $saturation / self::NEUTRAL) / $chroma : 0.0;
        // Greys have nothing else to tell them apart.
        $grey = self::GREY * exp(-$saturation / self::NEUTRAL);

        return [(self::LIGHTNESS + $grey) * $lab[0], $by * $lab[1], $by * $lab[2]];
    }

    /**
     * @param  non-empty-list<array{float, float, float, float}>  $centres
     * @return non-empty-list<array{float, float, float}> no two of which are alike: the nearest are joined first
     */
    private static function joined(array $centres): array
    {
        while (count($centres) > 1) {
            $best = null;
            $least = INF;
            foreach ($centres as $i => $p) {
                foreach (array_slice($centres, $i + 1, null, true) as $j => $q) {
                    $off = sqrt(Clusters::squared($p, $q)) / self::ALIKE;
                    if ($off < $least) {
                        [$least, $best] = [$off, [$i, $j]];
                    }
                }
            }
            if ($best === null || $least >= 1.0) {
                break;
            }
            [$p, $q] = [$centres[$best[0]], $centres[$best[1]]];
            $n = $p[3] + $q[3];
            $centres[$best[0]] = [($p[0] * $p[3] + $q[0] * $q[3]) / $n, ($p[1] * $p[3] + $q[1] * $q[3]) / $n, ($p[2] * $p[3] + $q[2] * $q[3]) / $n, $n];
            unset($centres[$best[1]]);
            $centres = array_values($centres);
        }

        return array_map(static fn (array $c): array => [$c[0], $c[1], $c[2]], $centres);
    }

    /**
     * @param  list<array{float, float, float}>  $labs
     * @param  list<int>  $figure
     * @param  non-empty-list<array{float, float, float}>  $centres
     * @return array<int, int> centre by pixel: that of most of its neighbours, so that no speck is left
     */
    private static function assigned(array $labs, array $figure, array $centres, int $width): array
    {
        $of = [];
        foreach ($figure as $pixel) {
            [$l, $a, $b] = self::seen($labs[$pixel]);
            $least = INF;
            $of[$pixel] = 0;
            foreach ($centres as $i => [$cl, $ca, $cb]) {
                $d = ($l - $cl) ** 2 + ($a - $ca) ** 2 + ($b - $cb) ** 2;
                if ($d < $least) {
                    [$least, $of[$pixel]] = [$d, $i];
                }
            }
        }
        $calm = [];
        foreach ($of as $pixel => $own) {
            $votes = [$own => 1.5];
            foreach ([-$width - 1, -$width, -$width + 1, -1, 1, $width - 1, $width, $width + 1] as $step) {
                if (isset($of[$pixel + $step])) {
                    $votes[$of[$pixel + $step]] = ($votes[$of[$pixel + $step]] ?? 0.0) + 1;
                }
            }
            arsort($votes);
            $calm[$pixel] = array_key_first($votes);
        }

        return $calm;
    }

    /**
     * @param  list<int>  $pixels
     * @return list<int> those with neighbours of the same area all around
     */
    private static function inner(array $pixels, int $width): array
    {
        $own = array_fill_keys($pixels, true);

        return array_values(array_filter($pixels, static fn (int $p): bool => isset($own[$p - 1], $own[$p + 1], $own[$p - $width], $own[$p + $width])));
    }

    /**
     * @param  list<array{float, float, float}>  $labs
     * @param  non-empty-list<int>  $pixels
     */
    private static function area(array $labs, array $pixels, int $all, int $width, int $height): ColourArea
    {
        $byLightness = $pixels;
        usort($byLightness, static fn (int $p, int $q): int => $labs[$p][0] <=> $labs[$q][0] ?: $p <=> $q);
        $count = count($byLightness);
        $inner = self::inner($pixels, $width) ?: $pixels;
        $ramp = [];
        foreach (Zone::cases() as $n => $zone) {
            $half = max(1, (int) (self::RANK_WIDTH * $count));
            $middle = (int) (self::RANKS[$n] * ($count - 1));
            $around = array_slice($byLightness, max(0, $middle - $half), 2 * $half + 1);
            $sum = [0.0, 0.0, 0.0];
            foreach ($around as $pixel) {
                foreach ($labs[$pixel] as $axis => $v) {
                    $sum[$axis] += $v / count($around);
                }
            }
            $best = $inner[0];
            $least = INF;
            foreach ($inner as $pixel) {
                $off = self::apart($labs[$pixel], $sum);
                if ($off < $least) {
                    // Even all around, so that a spot there shows it and nothing else.
                    foreach ([$pixel - 1, $pixel + 1, $pixel - $width, $pixel + $width] as $next) {
                        $off += self::UNEVEN * self::apart($labs[$pixel], $labs[$next] ?? $labs[$pixel]);
                    }
                }
                if ($off < $least) {
                    [$least, $best] = [$off, $pixel];
                }
            }
            $ramp[$zone->value] = [Lab::of(...$sum), ($best % $width + 0.5) / $width, (intdiv($best, $width) + 0.5) / $height];
        }
        $range = $ramp[Zone::Edge->value][0]->lightness - $ramp[Zone::Recess->value][0]->lightness;

        return new ColourArea($count / $all, $range < self::LEAST_RANGE ? [Zone::Mid->value => $ramp[Zone::Mid->value]] : $ramp, $pixels);
    }
}
