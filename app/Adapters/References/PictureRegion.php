<?php

declare(strict_types=1);

namespace App\Adapters\References;

/**
 * A part of a picture: a spot, the inside of an outline, or a stroke; in pixels.
 */
final readonly class PictureRegion
{
    /** @param  list<array{int, int}>  $pixels  x, y of each pixel, none twice */
    private function __construct(public array $pixels)
    {
    }

    /**
     * @param  string  $method  spot, lasso or stroke
     * @param  list<array{float, float}>  $points  0..1 of width and height: of a spot its centre and [radius, 0], of a
     *                                             lasso its outline, of a stroke its path and last [half width, 0]
     */
    public static function of(string $method, array $points, int $width, int $height): self
    {
        $places = array_map(static fn (array $p): array => [$p[0] * $width, $p[1] * $height], $points);

        return new self(match ($method) {
            'spot' => self::disc($places[0] ?? [0.0, 0.0], max(0.5, ($points[1][0] ?? 0.0) * $width), $width, $height),
            'stroke' => self::brushed(array_slice($places, 0, -1), max(1.0, ($points[count($points) - 1][0] ?? 0.0) * $width), $width, $height),
            default => self::enclosed($places, $width, $height),
        });
    }

    /**
     * @param  array{float, float}  $centre
     * @return list<array{int, int}>
     */
    private static function disc(array $centre, float $r, int $width, int $height): array
    {
        [$cx, $cy] = $centre;

        return self::within(
            $cx - $r, $cy - $r, $cx + $r, $cy + $r, $width, $height,
            static fn (float $x, float $y): bool => ($x - $cx) ** 2 + ($y - $cy) ** 2 <= $r * $r,
        );
    }

    /**
     * @param  list<array{float, float}>  $path
     * @return list<array{int, int}>
     */
    private static function brushed(array $path, float $r, int $width, int $height): array
    {
        $found = [];
        foreach ($path as $i => $to) {
            $from = $path[max(0, $i - 1)];
            $steps = max(1, (int) ceil(hypot($to[0] - $from[0], $to[1] - $from[1]) / max(0.5, $r / 2)));
            for ($step = 0; $step <= $steps; $step++) {
                $t = $step / $steps;
                $at = [$from[0] + $t * ($to[0] - $from[0]), $from[1] + $t * ($to[1] - $from[1])];
                foreach (self::disc($at, $r, $width, $height) as $pixel) {
                    $found[$pixel[1] * $width + $pixel[0]] = $pixel;
                }
            }
        }

        return array_values($found);
    }

    /**
     * @param  list<array{float, float}>  $outline
     * @return list<array{int, int}>
     */
    private static function enclosed(array $outline, int $width, int $height): array
    {
        $xs = array_column($outline, 0);
        $ys = array_column($outline, 1);
        $n = count($outline);

        return self::within(
            min($xs ?: [0]), min($ys ?: [0]), max($xs ?: [0]), max($ys ?: [0]), $width, $height,
            // Even-odd rule: a ray to the right crosses the outline an odd number of times.
            static function (float $x, float $y) use ($xs, $ys, $n): bool {
                $inside = false;
                for ($i = 0, $j = $n - 1; $i < $n; $j = $i++) {
                    if (($ys[$i] > $y) !== ($ys[$j] > $y)
                        && $x < ($xs[$j] - $xs[$i]) * ($y - $ys[$i]) / ($ys[$j] - $ys[$i]) + $xs[$i]) {
                        $inside = ! $inside;
                    }
                }

                return $inside;
            },
        );
    }

    /**
     * @param  callable(float, float): bool  $holds  asked for pixel centres
     * @return list<array{int, int}>
     */
    private static function within(float $left, float $top, float $right, float $bottom, int $width, int $height, callable $holds): array
    {
        $pixels = [];
        $lastX = min($width - 1, (int) $right);
        $lastY = min($height - 1, (int) $bottom);
        for ($y = max(0, (int) $top); $y <= $lastY; $y++) {
            for ($x = max(0, (int) $left); $x <= $lastX; $x++) {
                if ($holds($x + 0.5, $y + 0.5)) {
                    $pixels[] = [$x, $y];
                }
            }
        }

        return $pixels;
    }
}
