<?php

declare(strict_types=1);

namespace Hyalin\Mixing;

use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Lab;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Task\InvalidMixTask;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;

/**
 * The part of colour space a shelf reaches, over one background: its pots alone and every two of them in a few ratios.
 * Mixes of three lie between these; what is out of reach of all pairs is, but for a little, out of reach.
 */
final readonly class ShelfReach
{
    public const HUES = 12;

    public const LIGHTS = 5;

    private const RATIOS = [[11, 1], [5, 1], [2, 1], [1, 1], [1, 2], [1, 5], [1, 11]];

    /**
     * @param  list<array{float, float, float}>  $colours
     * @param  array<int, array{float, float, float}>  $farthest  the most chromatic colour by cell, hue sector + 12 x
     *                                                            lightness band
     */
    private function __construct(private array $colours, public array $farthest)
    {
    }

    /**
     * @param  list<PaintOptics>  $paints
     * @param  Surface|null  $surface  what it is seen through; none by default
     *
     * @throws InvalidMixTask on an empty shelf
     */
    public static function of(array $paints, Placement $placement, ?Surface $surface = null): self
    {
        if ($paints === []) {
            throw InvalidMixTask::emptyShelf();
        }
        $evaluator = new MixEvaluator($paints, MixTask::of(Lab::of(50, 0, 0), $placement, surface: $surface));
        $colours = [];
        for ($i = 0; $i < count($paints); $i++) {
            $colours[] = $evaluator->lab([$i], [1]);
            for ($j = $i + 1; $j < count($paints); $j++) {
                foreach (self::RATIOS as $ratio) {
                    $colours[] = $evaluator->lab([$i, $j], $ratio);
                }
            }
        }
        $farthest = [];
        foreach ($colours as $lab) {
            $cell = self::cell($lab);
            if (! isset($farthest[$cell]) || hypot($lab[1], $lab[2]) > hypot($farthest[$cell][1], $farthest[$cell][2])) {
                $farthest[$cell] = $lab;
            }
        }

        return new self($colours, $farthest);
    }

    /** @return array{Lab, float} the nearest colour that is reached, and CIEDE2000 to it */
    public function nearest(Lab $target): array
    {
        $best = $this->colours[0];
        $least = INF;
        foreach ($this->colours as $lab) {
            // Lightness alone: CIEDE2000 is at least dL*/1.75.
            if (abs($lab[0] - $target->lightness) / 1.75 > $least) {
                continue;
            }
            $difference = Ciede2000::between($target->lightness, $target->a, $target->b, $lab[0], $lab[1], $lab[2]);
            if ($difference < $least) {
                $least = $difference;
                $best = $lab;
            }
        }

        return [Lab::of(...$best), $least];
    }

    /**
     * Pots that are near doubles: alike thick, and one coat over black and over white.
     *
     * @param  list<PaintOptics>  $paints
     * @param  non-empty-list<Placement>  $placements
     * @param  float  $alike  CIEDE2000 up to which two count as one
     * @return list<array{int, int, float}> places on the shelf and the largest difference, nearest first
     */
    public static function doubles(array $paints, array $placements, float $alike = 2.5, ?Surface $surface = null): array
    {
        $seen = [];
        foreach ($placements as $placement) {
            $evaluator = new MixEvaluator($paints, MixTask::of(Lab::of(50, 0, 0), $placement, surface: $surface));
            $seen[] = array_map(static fn (int $i): array => $evaluator->lab([$i], [1]), array_keys($paints));
        }
        $found = [];
        for ($i = 0; $i < count($paints); $i++) {
            for ($j = $i + 1; $j < count($paints); $j++) {
                $most = 0.0;
                foreach ($seen as $labs) {
                    [$l, $a, $b] = $labs[$i];
                    $most = max($most, Ciede2000::between($l, $a, $b, ...$labs[$j]));
                }
                if ($most <= $alike) {
                    $found[] = [$i, $j, $most];
                }
            }
        }
        usort($found, static fn (array $p, array $q): int => $p[2] <=> $q[2]);

        return $found;
    }

    /** @param  array{float, float, float}  $lab */
    private static function cell(array $lab): int
    {
        $hue = rad2deg(atan2($lab[2], $lab[1]));
        $sector = (int) floor(($hue + 360.0) / (360 / self::HUES)) % self::HUES;
        $band = max(0, min(self::LIGHTS - 1, (int) floor($lab[0] / (100 / self::LIGHTS))));

        return $sector + self::HUES * $band;
    }
}
