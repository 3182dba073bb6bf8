<?php

declare(strict_types=1);

namespace Database\Demo;

use GdImage;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Zone;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Draws a scene by sphere tracing, as if it were painted and photographed: the paint of each area follows the light
 * that falls on it, the lamp has a slight cast, the camera some noise. Also finds, for each area and zone, a spot that
 * a painter would sample.
 */
final class PictureRender
{
    /** @var list<float> */
    private const STOPS = [0.06, 0.26, 0.5, 0.74, 0.94];

    private const LIGHT = [-0.33, 0.80, 0.50];

    /** Linear gains of the lamp: a slightly warm bench light. */
    private const CAST = [1.02, 1.0, 0.965];

    /** @var array<string, list<array{float, float, float}>> linear RGB by area */
    private array $ramps = [];

    /** @var list<list<array{string, float}|null>> area and exposure by row and column */
    private array $map = [];

    public function __construct(private readonly Scene $scene, private readonly int $width, private readonly int $height)
    {
        foreach ($scene->ramps() as $area => $ramp) {
            $this->ramps[$area] = array_map(static fn (string $hex): array => Srgb::hex($hex)->linear(), $ramp);
        }
    }

    public function draw(int $seed): GdImage
    {
        $random = new Randomizer(new Mt19937($seed));
        $image = imagecreatetruecolor(max(1, $this->width), max(1, $this->height));
        [$left, $right, $bottom, $top] = $this->scene->window();
        for ($row = 0; $row < $this->height; $row++) {
            $line = [];
            for ($column = 0; $column < $this->width; $column++) {
                $x = $left + ($right - $left) * ($column + 0.5) / $this->width;
                $y = $top - ($top - $bottom) * ($row + 0.5) / $this->height;
                $hit = $this->trace($x, $y);
                $line[] = $hit;
                $linear = $hit === null ? $this->backdrop($row) : $this->paint(...$hit);
                $code = 0;
                foreach ($linear as $channel => $v) {
                    $noise = 1.6 * ($random->getInt(0, 1000) + $random->getInt(0, 1000) - 1000) / 1000;
                    $byte = (int) round(255 * Srgb::encode(min(1.0, $v * self::CAST[$channel])) + $noise);
                    $code = $code * 256 + max(0, min(255, $byte));
                }
                imagesetpixel($image, $column, $row, $code);
            }
            $this->map[] = $line;
        }

        return $image;
    }

    /**
     * What is to be seen where, without any paint: red is the number of the area, from 1 in the order of the ramps, or
     * 0 for the backdrop; green is the light that falls there. The simulated camera paints it.
     */
    public function map(): GdImage
    {
        $numbers = array_flip(array_keys($this->ramps));
        $image = imagecreatetruecolor(max(1, $this->width), max(1, $this->height));
        foreach ($this->map as $row => $line) {
            foreach ($line as $column => $hit) {
                imagesetpixel($image, $column, $row, $hit === null ? 0 : ($numbers[$hit[0]] + 1) << 16 | (int) round(255 * $hit[1]) << 8);
            }
        }

        return $image;
    }

    /**
     * A spot well inside each zone of each area.
     *
     * @return array<string, array<string, array{float, float, float}>> centre 0..1 and radius 0..1 of the width, by
     *                                                                   area and zone; a zone that is not to be seen
     *                                                                   is left out
     */
    public function spots(): array
    {
        $found = [];
        foreach ([5, 4, 3, 2] as $radius) {
            for ($row = $radius; $row < $this->height - $radius; $row++) {
                for ($column = $radius; $column < $this->width - $radius; $column++) {
                    $here = $this->map[$row][$column];
                    if ($here === null) {
                        continue;
                    }
                    $zone = self::zone($here[1])->value;
                    if (! isset($found[$here[0]][$zone]) && $this->isEven($row, $column, $radius)) {
                        $found[$here[0]][$zone] = [
                            ($column + 0.5) / $this->width,
                            ($row + 0.5) / $this->height,
                            $radius / $this->width,
                        ];
                    }
                }
            }
        }

        return $found;
    }

    private function isEven(int $row, int $column, int $radius): bool
    {
        $here = $this->map[$row][$column];
        foreach ([[-1, 0], [1, 0], [0, -1], [0, 1], [-0.7, -0.7], [0.7, 0.7], [-0.7, 0.7], [0.7, -0.7]] as [$dy, $dx]) {
            $there = $this->map[$row + (int) round($dy * $radius)][$column + (int) round($dx * $radius)] ?? null;
            if ($here === null || $there === null || $there[0] !== $here[0] || self::zone($there[1]) !== self::zone($here[1])) {
                return false;
            }
        }

        return true;
    }

    private static function zone(float $exposure): Zone
    {
        $nearest = 0;
        foreach (self::STOPS as $i => $stop) {
            if (abs($exposure - $stop) < abs($exposure - self::STOPS[$nearest])) {
                $nearest = $i;
            }
        }

        return Zone::cases()[$nearest];
    }

    /** @return array{string, float}|null area and exposure 0..1 of what is seen along a line into the picture */
    private function trace(float $x, float $y): ?array
    {
        $z = 6.0;
        for ($step = 0; $step < 70; $step++) {
            [$d, $area] = $this->scene->distance($x, $y, $z);
            if ($d < 0.004) {
                return [$area, $this->exposure($x, $y, $z)];
            }
            $z -= $d * 0.85;
            if ($z < -4) {
                return null;
            }
        }

        return null;
    }

    private function exposure(float $x, float $y, float $z): float
    {
        $e = 0.012;
        $d = fn (float $dx, float $dy, float $dz): float => $this->scene->distance($x + $dx, $y + $dy, $z + $dz)[0];
        $nx = $d($e, 0, 0) - $d(-$e, 0, 0);
        $ny = $d(0, $e, 0) - $d(0, -$e, 0);
        $nz = $d(0, 0, $e) - $d(0, 0, -$e);
        $length = sqrt($nx * $nx + $ny * $ny + $nz * $nz) ?: 1.0;
        $nx /= $length;
        $ny /= $length;
        $nz /= $length;
        $facing = max(0.0, $nx * self::LIGHT[0] + $ny * self::LIGHT[1] + $nz * self::LIGHT[2]);
        // How open the surface is: free room along the normal, near and farther.
        $open = min(1.0, $d(0.15 * $nx, 0.15 * $ny, 0.15 * $nz) / 0.15) * min(1.0, 0.35 + $d(0.6 * $nx, 0.6 * $ny, 0.6 * $nz) / 0.9);

        return max(0.0, min(1.0, (0.22 + 0.16 * $ny + 0.68 * $facing) * (0.25 + 0.75 * $open)));
    }

    /** @return array{float, float, float} linear RGB */
    private function paint(string $area, float $exposure): array
    {
        $ramp = $this->ramps[$area];
        $i = 0;
        while ($i < 3 && $exposure > self::STOPS[$i + 1]) {
            $i++;
        }
        $t = self::between(self::STOPS[$i], self::STOPS[$i + 1], $exposure);
        // Soft steps: each zone has a plateau, as layers of paint have.
        $t = $t * $t * (3 - 2 * $t);

        return [
            $ramp[$i][0] + $t * ($ramp[$i + 1][0] - $ramp[$i][0]),
            $ramp[$i][1] + $t * ($ramp[$i + 1][1] - $ramp[$i][1]),
            $ramp[$i][2] + $t * ($ramp[$i + 1][2] - $ramp[$i][2]),
        ];
    }

    /** @return float 0 at $from, 1 at $to, never beyond */
    private static function between(float $from, float $to, float $v): float
    {
        return max(0.0, min(1.0, ($v - $from) / ($to - $from)));
    }

    /** @return array{float, float, float} */
    private function backdrop(int $row): array
    {
        $v = 0.30 - 0.12 * $row / $this->height;

        return [$v, $v, $v];
    }
}
