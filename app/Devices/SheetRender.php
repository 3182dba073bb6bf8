<?php

declare(strict_types=1);

namespace App\Devices;

use Hyalin\Colour\Bradford;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Colour\Xyz;
use Hyalin\Numeric\Homography;
use Hyalin\Sheet\SheetLayout;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A photo of a printed and painted sheet: light summed over the spectrum under the lamp, through a camera that is not quite
 * sRGB, in perspective, with a slope of the light, shadow, noise, blur and JPEG. What the lens blurs is drawn smaller.
 *
 * Flat arrays and bytes: it is a loop over every pixel.
 */
final class SheetRender
{
    private const CODES = 4096;

    public static function jpeg(SheetPrint $print, SheetScene $scene): string
    {
        $shrunk = max(1.0, 1.3 * $scene->blur);
        [$width, $height] = [(int) round($scene->width / $shrunk), (int) round($scene->height / $shrunk)];
        $map = $scene->map();
        $corners = [[0.0, 0.0], [SheetLayout::WIDTH, 0.0], [SheetLayout::WIDTH, SheetLayout::HEIGHT], [0.0, SheetLayout::HEIGHT]];
        $back = Homography::through(
            array_map(static fn (array $p): array => [$map->at(...$p)[0] * $width / $scene->width, $map->at(...$p)[1] * $height / $scene->height], $corners),
            $corners,
        );
        $image = imagecreatefromstring(self::bitmap($print, $scene, $back, $width, $height));
        if ($image === false) {
            throw new \LogicException('a bitmap made here is one');
        }
        $photo = imagecreatetruecolor(max(1, $scene->width), max(1, $scene->height));
        imagecopyresampled($photo, $image, 0, 0, 0, 0, $scene->width, $scene->height, $width, $height);
        ob_start();
        imagejpeg($photo, null, $scene->quality);

        return (string) ob_get_clean();
    }

    /** @return string a Windows bitmap of 24 bits, rows from the lowest up */
    private static function bitmap(SheetPrint $print, SheetScene $scene, Homography $back, int $width, int $height): string
    {
        $codes = $print->bitmap();
        [$mapWidth, $mapHeight] = $print->size();
        // A bitmap has 54 bytes of head and its rows from the lowest up, each filled to a multiple of four bytes.
        $stride = intdiv(3 * $mapWidth + 3, 4) * 4;
        $highest = 54 + ($mapHeight - 1) * $stride;
        $lights = array_map(static fn (Reflectance $r): array => self::light($r, $scene), $print->things);
        $table = array_map(static fn (int $n): float => 255 * Srgb::encode($n / (self::CODES - 1)), range(0, self::CODES - 1));
        $random = new Randomizer(new Mt19937($scene->seed));
        $noise = new SimulatedNoise($random);
        $noises = array_map(static fn (int $_): float => $scene->noise * $noise->next(), range(0, 8190));
        [$gx, $gy] = [cos($scene->gradientTo), sin($scene->gradientTo)];
        $slope = log($scene->gradient) / 160;
        [$sx, $sy, $at] = [cos($scene->seed), sin($scene->seed), 40.0 * sin(2 * $scene->seed)];
        $pad = str_repeat("\0", (4 - 3 * $width % 4) % 4);
        $rows = [];
        $n = 0;
        for ($y = 0; $y < $height; $y++) {
            $row = '';
            $shade = 1.0;
            [$us, $vs] = $back->alongRow(0.5, $y + 0.5, $width);
            foreach ($us as $x => $u) {
                $v = $vs[$x];
                $i = SheetPrint::SCALE * (SheetPrint::RIM + $u);
                $j = SheetPrint::SCALE * (SheetPrint::RIM + $v);
                $thing = SheetPrint::TABLE;
                if ($i >= 0.0 && $j >= 0.0 && $i < $mapWidth && $j < $mapHeight) {
                    $place = $highest - (int) $j * $stride + 3 * (int) $i;
                    $thing = ord($codes[$place]) | ord($codes[$place + 1]) << 8;
                }
                // The light changes slowly: every fourth pixel will do.
                if ($x % 4 === 0) {
                    $du = $u - SheetLayout::WIDTH / 2;
                    $dv = $v - SheetLayout::HEIGHT / 2;
                    $shade = exp(-abs($slope) * 80 + max(-1.5, min(1.5, $slope * ($gx * $du + $gy * $dv))));
                    if ($scene->shadow !== null) {
                        $edge = max(0.0, min(1.0, 0.5 + ($sx * $du + $sy * $dv - $at) / 24));
                        $shade *= $scene->shadow + (1 - $scene->shadow) * $edge * $edge * (3 - 2 * $edge);
                    }
                }
                foreach ($scene->covers as [$cx, $cy, $radius]) {
                    if (($u - $cx) ** 2 + ($v - $cy) ** 2 < $radius * $radius) {
                        $thing = SheetPrint::FINGER;
                    }
                }
                $light = $lights[$thing];
                $n = ($n + 3) % 8188;
                $r = (int) (($table[(int) ($shade * $light[0])] ?? 255.0) + $noises[$n] + 0.5);
                $g = (int) (($table[(int) ($shade * $light[1])] ?? 255.0) + $noises[$n + 1] + 0.5);
                $b = (int) (($table[(int) ($shade * $light[2])] ?? 255.0) + $noises[$n + 2] + 0.5);
                $row .= chr($b < 0 ? 0 : ($b > 255 ? 255 : $b)).chr($g < 0 ? 0 : ($g > 255 ? 255 : $g)).chr($r < 0 ? 0 : ($r > 255 ? 255 : $r));
            }
            $rows[] = $row.$pad;
        }
        $pixels = implode('', array_reverse($rows));

        return 'BM'.pack('VvvV', 54 + strlen($pixels), 0, 0, 54).pack('VVVvvVVVVVV', 40, $width, $height, 1, 24, 0, strlen($pixels), 2835, 2835, 0, 0).$pixels;
    }

    /** @return array{float, float, float} linear light of the channels, 0..4095 */
    private static function light(Reflectance $surface, SheetScene $scene): array
    {
        $sum = SpectralSum::under($scene->lamp);
        $daylight = SpectralSum::under(Illuminant::D65)->white();
        $white = array_map(static fn (float $lamp, float $day): float => $lamp + $scene->balance * ($day - $lamp), $sum->white(), $daylight);
        [$x, $y, $z] = Bradford::between($sum->tristimulus($surface->values), $sum->white(), [$white[0], $white[1], $white[2]]);
        $linear = Xyz::of($scene->exposure * $x, $scene->exposure * $y, $scene->exposure * $z, Illuminant::D65)->toSrgb()->linear();
        $sum = array_sum($linear);
        $light = [];
        foreach ($linear as $channel => $v) {
            $light[] = max(0.0, (self::CODES - 1) * $scene->gains[$channel] * ((1 - 3 * $scene->crosstalk) * $v + $scene->crosstalk * $sum));
        }

        return [$light[0], $light[1], $light[2]];
    }
}
