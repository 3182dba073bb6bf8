<?php

declare(strict_types=1);

namespace Tests\Support;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use LogicException;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Invented paints of any number, the same for the same seed: absorption bands of random place, width and depth, and
 * scattering that falls with a power of the wavelength. Every tenth paint is near white, every fourteenth near black.
 */
final class InventedShelf
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @return list<PaintOptics> */
    public function paints(int $count): array
    {
        $paints = [];
        for ($i = 0; $i < $count; $i++) {
            $paints[] = $this->paint($i);
        }

        return $paints;
    }

    /**
     * Targets the shelf can reach: the seen colours of random continuous mixes of four of its paints.
     *
     * @param  list<PaintOptics>  $paints
     * @return non-empty-list<Lab>
     */
    public function reachableTargets(array $paints, MixTask $like, int $count): array
    {
        $targets = [];
        for ($i = 0; $i < $count; $i++) {
            $ingredients = [];
            for ($n = 0; $n < 4; $n++) {
                $ingredients[] = [$paints[$this->random->getInt(0, count($paints) - 1)], $this->between(0.05, 1.0)];
            }
            $mix = PaintOptics::mixed($ingredients);
            $targets[] = Lab::of(...(new MixEvaluator([$mix], $like))->lab([0], [1]));
        }

        return $targets ?: throw new LogicException('no target was asked for');
    }

    /** One coat over a mid grey, as one meets it over a primer. */
    public static function filmOverGrey(): Placement
    {
        return Placement::over(Reflectance::flat(0.35), FilmThickness::coats(1.0));
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    private function paint(int $i): PaintOptics
    {
        $white = $i % 10 === 3;
        $black = $i % 14 === 6;
        $k = array_fill(0, Bands::COUNT, $black ? $this->between(2, 5) : $this->between(0.004, 0.06));
        $peaks = $white || $black ? 0 : 1 + $this->random->getInt(0, 2);
        for ($n = 0; $n < $peaks; $n++) {
            $centre = $this->between(380, 700);
            $width = $this->between(25, 80);
            $depth = exp($this->between(log(0.3), log(9)));
            foreach ($k as $band => $v) {
                $k[$band] = $v + $depth * exp(-((Bands::nanometres($band) - $centre) / $width) ** 2);
            }
        }
        $level = $white ? $this->between(5, 9) : ($black ? $this->between(0.1, 0.3) : exp($this->between(log(0.2), log(5))));
        $power = $this->between(0.2, 1.4);
        $s = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $s[] = $level * (Bands::nanometres($band) / 550) ** -$power;
        }

        return PaintOptics::of(array_values($k), $s, OpticsQuality::Estimated);
    }
}
