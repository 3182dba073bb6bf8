<?php

declare(strict_types=1);

namespace Tests\Support;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Lch;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A picture of a painted figure that nobody has seen before: rounded bodies of one paint each, shaded from recess to edge by a
 * lamp, before a backdrop that grows darker downwards, with the noise of a camera. Made with nothing of what reads it.
 */
final readonly class PaintedFigure
{
    public const WIDTH = 180;

    public const HEIGHT = 240;

    /**
     * @param  list<int>  $packed  in rows from the top
     * @param  list<int>  $truth  number of the body at each pixel, 0 for the backdrop
     * @param  list<Lab>  $paints  middle tone of each body, from number 1
     */
    private function __construct(public array $packed, public array $truth, public array $paints)
    {
    }

    public static function of(int $seed): self
    {
        $random = new Randomizer(new Mt19937($seed));
        $any = static fn (float $from, float $to): float => $from + ($to - $from) * $random->getInt(0, 10_000) / 10_000;
        $count = $random->getInt(4, 7);
        $turn = $any(0, 360);
        $bodies = $paints = [];
        for ($n = 0; $n < $count; $n++) {
            // Hues well apart, as a painter chooses them; one of four is a grey.
            $isGrey = $n % 4 === 3;
            $lch = [$any(42, 66), $isGrey ? $any(0, 4) : $any(30, 62), fmod($turn + 360 * $n / $count + $any(-8, 8), 360)];
            $paints[] = Lch::of($lch[0], $lch[1], $lch[2])->toLab();
            $bodies[] = [self::WIDTH * $any(0.3, 0.7), self::HEIGHT * (0.18 + 0.66 * $n / ($count - 1)), $any(22, 44), self::HEIGHT * $any(0.09, 0.13), $lch];
        }
        $packed = $truth = [];
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                [$lab, $body] = self::seen($x, $y, $bodies);
                $rgb = $lab->toXyz()->toSrgb()->toBytes();
                $code = 0;
                foreach ($rgb as $v) {
                    $code = $code << 8 | max(0, min(255, (int) round($v + $random->getInt(-2, 2))));
                }
                $packed[] = $code;
                $truth[] = $body;
            }
        }

        return new self($packed, $truth, $paints);
    }

    /**
     * @param  list<array{float, float, float, float, array{float, float, float}}>  $bodies
     * @return array{Lab, int}
     */
    private static function seen(int $x, int $y, array $bodies): array
    {
        $best = [Lab::of(62 - 14 * $y / self::HEIGHT, 0.0, 0.6), 0];
        $near = -1.0;
        foreach ($bodies as $n => [$cx, $cy, $rx, $ry, [$l, $c, $h]]) {
            [$u, $v] = [($x - $cx) / $rx, ($y - $cy) / $ry];
            $out = 1 - $u * $u - $v * $v;
            if ($out <= 0.0) {
                continue;
            }
            $z = sqrt($out);
            if ($z * $rx > $near) {
                $near = $z * $rx;
                // Lambert's law from above and left, and folds; shadow loses chroma with its light, a highlight some as well.
                $light = max(0.0, -0.4 * $u - 0.6 * $v + 0.7 * $z) + 0.10 * sin(9 * $u + 2 * $v);
                $lightness = max(6.0, min(94.0, $l - 30 + 52 * $light));
                $chroma = $c * min(1.0, ($lightness + 8) / $l) * ($lightness > $l ? 1 - 0.5 * ($lightness - $l) / (100 - $l) : 1.0);
                $best = [Lch::of($lightness, $chroma, $h)->toLab(), $n + 1];
            }
        }

        return $best;
    }
}
