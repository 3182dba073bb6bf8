<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Reflectance;
use Hyalin\Optics\KubelkaMunk;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;

/**
 * K and S of a pot from readings of its swatches.
 *
 * Band by band from two backgrounds (TwoBackgrounds) where the two readings differ by ten times the reader's noise; where
 * they differ by less than three times, S comes from a smooth curve through the other bands (ScatteringCurve) and K from
 * the readings; between, from both. An opaque coat tells nothing of the level of S: it is then fixed by a tint of one
 * part in five of white, or, without one, set to the least that hides as the coats did, and the result says so.
 */
final readonly class PotMeasurement
{
    /** Volume of white to one of the pot in the tint that is asked for. */
    public const TINT_WHITE = 5.0;

    private const SURE = 10.0;

    private const UNSURE = 3.0;

    /** Below this mean trust the level of S is unknown. */
    private const ENOUGH = 0.5;

    /** K/S grows without bound towards 0 and 1. */
    private const DARKEST = 0.001;

    private const LIGHTEST = 0.999;

    /**
     * @param  list<float>  $trust  by band, 0..1: how much of S is that band's own two readings
     * @param  float  $residual  largest difference, in reflectance, between what was read over the cards and what this
     *                           K and S give
     * @param  bool  $needsTint  strength in mixes is unknown until a tint is read
     */
    private function __construct(
        public PaintOptics $optics,
        public array $trust,
        public float $residual,
        public bool $needsTint,
    ) {
    }

    /**
     * @param  PaintOptics|null  $tintedWhite  the white that the tint was mixed with
     *
     * @throws InvalidReadings
     */
    public static function solve(SwatchReadings $readings, ?PaintOptics $tintedWhite = null): self
    {
        if ($readings->tint !== null && $tintedWhite === null) {
            throw InvalidReadings::tintWithoutWhite();
        }
        $own = $trust = $weights = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $difference = $readings->overWhite->values[$band] - $readings->overBlack->values[$band];
            $solved = TwoBackgrounds::solve(
                $readings->overBlack->values[$band], $readings->overWhite->values[$band],
                $readings->black->values[$band], $readings->white->values[$band],
            );
            $trust[$band] = $solved === null ? 0.0 : max(0.0, min(1.0, ($difference / $readings->noise - self::UNSURE) / (self::SURE - self::UNSURE)));
            if ($solved !== null && $trust[$band] > 0) {
                $own[$band] = $solved;
                $weights[$band] = $trust[$band];
            }
        }
        $curve = ScatteringCurve::through(
            array_filter(array_map(static fn (TwoBackgrounds $b): float => $b->s, $own), static fn (float $s): bool => $s > 1e-6),
            $weights,
        ) ?? ScatteringCurve::flat(self::leastThatHides($readings));
        $at = static fn (float $level): PaintOptics => self::joined($readings, $own, $trust, $curve, $level);
        $needsTint = array_sum($trust) / Bands::COUNT < self::ENOUGH;
        $level = 1.0;
        if ($readings->tint !== null && $tintedWhite !== null) {
            $level = self::levelOfTint($at, $tintedWhite, $readings->tint);
            $quality = OpticsQuality::Measured;
            $needsTint = false;
        } else {
            $quality = $needsTint ? OpticsQuality::PartlyMeasured : OpticsQuality::Measured;
        }
        $optics = $at($level);

        return new self(
            PaintOptics::of($optics->k, $optics->s, $quality),
            array_values($trust),
            self::residual($readings, $optics),
            $needsTint,
        );
    }

    /**
     * @param  array<int, TwoBackgrounds>  $own
     * @param  array<int, float>  $trust
     * @param  float  $level  what S of the untrusted bands is multiplied by
     */
    private static function joined(SwatchReadings $readings, array $own, array $trust, ScatteringCurve $curve, float $level): PaintOptics
    {
        $ks = $ss = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            if (isset($own[$band]) && $trust[$band] >= 1.0) {
                $ks[] = $own[$band]->k;
                $ss[] = $own[$band]->s;

                continue;
            }
            $smooth = $curve->at($band) * $level;
            $s = isset($own[$band]) && $own[$band]->s > 0 ? $own[$band]->s ** $trust[$band] * $smooth ** (1 - $trust[$band]) : $smooth;
            $ss[] = $s;
            // A thick swatch tells K/S of an opaque band better than two thin coats do.
            $ks[] = $readings->masstone !== null && $trust[$band] <= 0.0
                ? $s * KubelkaMunk::absorptionOverScattering(max(self::DARKEST, min(self::LIGHTEST, $readings->masstone->values[$band])))
                : TwoBackgrounds::absorptionFor(
                    $s,
                    $readings->overBlack->values[$band],
                    $readings->overWhite->values[$band],
                    $readings->black->values[$band],
                    $readings->white->values[$band],
                );
        }

        return PaintOptics::of($ks, $ss, OpticsQuality::PartlyMeasured);
    }

    /** The S at which a coat of the lightest band would let just so little through that the reader cannot tell. */
    private static function leastThatHides(SwatchReadings $readings): float
    {
        $lightest = max([0.0, ...$readings->overBlack->values]);
        $band = (int) array_search($lightest, $readings->overBlack->values, true);
        $seen = max(self::DARKEST, min(self::LIGHTEST, $lightest));
        $ratio = KubelkaMunk::absorptionOverScattering($seen);
        $low = 1e-3;
        $high = 1e3;
        for ($step = 0; $step < 60; $step++) {
            $s = sqrt($low * $high);
            $through = KubelkaMunk::film($ratio * $s, $s, 1.0, $readings->white->values[$band])
                - KubelkaMunk::film($ratio * $s, $s, 1.0, $readings->black->values[$band]);
            if ($through > self::UNSURE * $readings->noise) {
                $low = $s;
            } else {
                $high = $s;
            }
        }

        return $high;
    }

    /**
     * The level at which the tint comes out as it was read: least squares of reflectance, by golden section over four
     * decades, after a coarse look for the right valley.
     *
     * @param  callable(float): PaintOptics  $at
     */
    private static function levelOfTint(callable $at, PaintOptics $white, Reflectance $tint): float
    {
        $miss = static function (float $log) use ($at, $white, $tint): float {
            $predicted = PaintOptics::mixed([[$at(exp($log)), 1.0], [$white, self::TINT_WHITE]])->masstone()->values;
            $sum = 0.0;
            foreach ($tint->values as $band => $read) {
                $sum += ($predicted[$band] - $read) ** 2;
            }

            return $sum;
        };
        $logs = range(-5.0, 5.0, 0.5);
        $misses = array_map($miss, $logs);
        $best = $logs[(int) array_search(min($misses), $misses, true)];
        $low = $best - 0.5;
        $high = $best + 0.5;
        $golden = (sqrt(5) - 1) / 2;
        for ($step = 0; $step < 50; $step++) {
            $left = $high - $golden * ($high - $low);
            $right = $low + $golden * ($high - $low);
            if ($miss($left) < $miss($right)) {
                $high = $right;
            } else {
                $low = $left;
            }
        }

        return exp(($low + $high) / 2);
    }

    private static function residual(SwatchReadings $readings, PaintOptics $optics): float
    {
        $worst = 0.0;
        for ($band = 0; $band < Bands::COUNT; $band++) {
            foreach ([[$readings->black, $readings->overBlack], [$readings->white, $readings->overWhite]] as [$card, $read]) {
                $film = KubelkaMunk::film($optics->k[$band], $optics->s[$band], 1.0, $card->values[$band]);
                $worst = max($worst, abs($film - $read->values[$band]));
            }
        }

        return $worst;
    }
}
