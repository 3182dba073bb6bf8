<?php

declare(strict_types=1);

namespace App\Devices;

use Hyalin\Colour\Illuminant;
use Hyalin\Numeric\Homography;
use Hyalin\Sheet\SheetLayout;
use Random\Randomizer;

/**
 * How a photo of a sheet is taken: where the camera is, by which lamp, how sharp, with what in the way.
 */
final readonly class SheetScene
{
    /** Distance from the lens to its picture, as a share of the longer side: that of a phone. */
    private const FOCAL = 0.75;

    /**
     * @param  float  $share  of the picture that the sheet takes, 0..1
     * @param  float  $turn  radians, clockwise
     * @param  float  $tilt  radians away from the viewer, along $tiltTo
     * @param  array{float, float, float}  $gains  of the channels: a cast
     * @param  float  $balance  how far the camera makes its lamp white by itself, 0..1
     * @param  float  $crosstalk  share of each channel that the other two take
     * @param  float  $noise  standard deviation in codes of 255
     * @param  float  $blur  pixels
     * @param  float  $gradient  factor of the light from one side of the sheet to the other
     * @param  float|null  $shadow  light that is left in a shadow over part of the sheet; null without one
     * @param  string  $card  grey, chart or none
     * @param  list<array{float, float, float}>  $covers  fingers: middle and radius, mm on the sheet
     */
    public function __construct(
        public int $width = 4000,
        public int $height = 3000,
        public float $share = 0.5,
        public float $turn = 0.06,
        public float $tilt = 0.2,
        public float $tiltTo = 1.1,
        public Illuminant $lamp = Illuminant::Led,
        public float $exposure = 0.75,
        public array $gains = [1.0, 1.0, 1.0],
        public float $balance = 0.7,
        public float $crosstalk = 0.03,
        public float $noise = 2.0,
        public float $blur = 1.0,
        public float $gradient = 1.3,
        public float $gradientTo = 0.4,
        public ?float $shadow = null,
        public int $quality = 92,
        public string $card = 'grey',
        public array $covers = [],
        public int $seed = 1,
    ) {
    }

    /** One of any that may be taken: tilted up to 35 degrees, turned anyhow, from two thirds to a tenth of the picture. */
    public static function any(int $seed, Randomizer $chance, string $card, int $width = 4000, int $height = 3000): self
    {
        $between = static fn (float $low, float $high): float => $low + ($high - $low) * $chance->getInt(0, 1_000_000) / 1_000_000;
        $lamps = [Illuminant::D65, Illuminant::D50, Illuminant::Led, Illuminant::A];

        return new self(
            $width, $height,
            share: exp($between(log(0.1), log(0.66))),
            turn: $between(0, 2 * M_PI),
            tilt: $between(0, 35 * M_PI / 180),
            tiltTo: $between(0, 2 * M_PI),
            lamp: $lamps[$chance->getInt(0, 3)],
            exposure: $between(0.5, 0.85),
            gains: [$between(0.9, 1.0), 1.0, $between(0.85, 1.0)],
            balance: $between(0.4, 1.0),
            crosstalk: $between(0.0, 0.06),
            noise: $between(1.0, 3.0),
            blur: $between(0.5, 2.0),
            gradient: $between(1.0, 2.0),
            gradientTo: $between(0, 2 * M_PI),
            shadow: $chance->getInt(0, 2) === 0 ? $between(0.45, 0.8) : null,
            quality: $chance->getInt(80, 95),
            card: $card,
            seed: $seed,
        );
    }

    /** @return Homography from mm on the sheet to pixels */
    public function map(): Homography
    {
        $corners = [[0.0, 0.0], [SheetLayout::WIDTH, 0.0], [SheetLayout::WIDTH, SheetLayout::HEIGHT], [0.0, SheetLayout::HEIGHT]];
        $focal = self::FOCAL * max($this->width, $this->height);
        // As far away as makes the sheet take its share, and nearer or farther until the tilted one does.
        $distance = $focal * sqrt(SheetLayout::WIDTH * SheetLayout::HEIGHT / ($this->share * $this->width * $this->height));
        for ($round = 0; $round < 12; $round++) {
            $seen = array_map(fn (array $p): array => $this->seen($p, $focal, $distance), $corners);
            // A sheet that would leave the picture is taken from farther away.
            $reach = max(array_map(fn (array $p): float => max(abs($p[0] / $this->width - 0.5), abs($p[1] / $this->height - 0.5)), $seen));
            $distance *= $round < 6 ? sqrt(self::area($seen) / ($this->share * $this->width * $this->height)) : max(1.0, $reach / 0.485);
        }

        return Homography::through($corners, array_map(fn (array $p): array => $this->seen($p, $focal, $distance), $corners));
    }

    /**
     * @param  array{float, float}  $at  mm on the sheet
     * @return array{float, float} pixels
     */
    private function seen(array $at, float $focal, float $distance): array
    {
        [$x, $y] = [$at[0] - SheetLayout::WIDTH / 2, $at[1] - SheetLayout::HEIGHT / 2];
        // Along the tilt it is foreshortened and goes away from the lens.
        [$c, $s] = [cos($this->tiltTo), sin($this->tiltTo)];
        $along = $c * $x + $s * $y;
        $depth = $distance + sin($this->tilt) * $along;
        $x += (cos($this->tilt) - 1) * $along * $c;
        $y += (cos($this->tilt) - 1) * $along * $s;
        [$c, $s] = [cos($this->turn), sin($this->turn)];

        return [$this->width / 2 + $focal * ($c * $x - $s * $y) / $depth, $this->height / 2 + $focal * ($s * $x + $c * $y) / $depth];
    }

    /** @param  array<int, array{float, float}>  $corners */
    private static function area(array $corners): float
    {
        $sum = 0.0;
        foreach (array_values($corners) as $i => [$x, $y]) {
            [$x1, $y1] = $corners[($i + 1) % 4];
            $sum += $x * $y1 - $x1 * $y;
        }

        return abs($sum) / 2;
    }
}
