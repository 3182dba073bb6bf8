<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Broken rock: boulders that are what some planes leave of a ball, side by side.
 */
final readonly class Boulders
{
    private const PLANES = 13;

    /** @param  list<array{float, float, float, float, list<array{float, float, float, float}>}>  $boulders  middle, radius, planes */
    private function __construct(private array $boulders)
    {
    }

    /** @param  list<array{float, float, float, float}>  $balls  middle and radius */
    public static function of(array $balls, int $seed): self
    {
        $random = new Randomizer(new Mt19937($seed));
        $boulders = [];
        foreach ($balls as [$x, $y, $z, $r]) {
            $planes = [];
            for ($n = 0; $n < self::PLANES; $n++) {
                // Evenly over the ball, a little less from below.
                $up = 1 - 1.7 * ($n + 0.5) / self::PLANES;
                $turn = 2.39996 * $n + 0.0008 * $random->getInt(0, 1000);
                $flat = sqrt(1 - $up * $up);
                $planes[] = [$flat * cos($turn), $flat * sin($turn), $up, $r * (0.72 + 0.00026 * $random->getInt(0, 1000))];
            }
            $boulders[] = [$x, $y, $z, $r, $planes];
        }

        return new self($boulders);
    }

    public function distance(float $x, float $y, float $z): float
    {
        $best = 1e9;
        foreach ($this->boulders as [$cx, $cy, $cz, $r, $planes]) {
            [$px, $py, $pz] = [$x - $cx, $y - $cy, $z - $cz];
            $from = \sqrt($px * $px + $py * $py + $pz * $pz) - $r;
            if ($from > $best) {
                continue;
            }
            $inside = -1e9;
            foreach ($planes as [$nx, $ny, $nz, $d]) {
                $at = $nx * $px + $ny * $py + $nz * $pz - $d;
                $inside = $at > $inside ? $at : $inside;
            }
            $best = Solid::blend($best, $inside, 0.5);
        }

        // Weathered: no face is quite flat.
        return $best + 0.1 * \sin(1.3 * $x + 0.7 * \sin(0.9 * $z)) * \sin(1.1 * $y + 1.7 * $z) + 0.04 * \sin(4.1 * $x + 2 * $z) * \sin(3.7 * $y - 1.3 * $z);
    }
}
