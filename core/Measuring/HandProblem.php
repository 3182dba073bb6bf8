<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Bands;
use Hyalin\Optics\KubelkaMunk;

/**
 * The unknowns of a hand, and what they make of its chips: ln thickness and ln coverage over those of the usual profile, the
 * same of every chip over those of the hand, and how far each pot is along the directions of its spread.
 *
 * Flat arrays: it is the inner loop of HandFit.
 */
final readonly class HandProblem
{
    public const THICKNESS = 0;

    public const COVERAGE = 1;

    private const OWN = 2;

    private const STEP = 1e-5;

    /**
     * @param  non-empty-list<Chip>  $chips
     * @param  list<int>  $pots  unknown of the first direction of each chip's pot
     */
    private function __construct(private array $chips, private bool $covers, private float $coverage, private float $thickness, private array $pots, private int $unknowns)
    {
    }

    /** @param  non-empty-list<Chip>  $chips */
    public static function of(array $chips, bool $covers, float $coverage, float $thickness): self
    {
        $next = self::OWN + self::OWN * count($chips);
        $known = $pots = [];
        foreach ($chips as $chip) {
            if (! isset($known[$chip->pot])) {
                $known[$chip->pot] = $next;
                $next += count($chip->spread->modes);
            }
            $pots[] = $known[$chip->pot];
        }

        return new self($chips, $covers, $covers ? 1.0 : $coverage, $thickness, $pots, $next);
    }

    /** @return list<float> */
    public function start(): array
    {
        return array_fill(0, $this->unknowns, 0.0);
    }

    /** @return list<float> expected standard deviations of the unknowns; a coverage that is not fitted does not move */
    public function deviations(float $thickness, float $coverage, float $scatter): array
    {
        $fixed = 1e-6;
        $deviations = [$thickness, $this->covers ? $fixed : $coverage];
        foreach ($this->chips as $_) {
            array_push($deviations, $scatter, $this->covers ? $fixed : $scatter);
        }

        return array_pad($deviations, $this->unknowns, 1.0);
    }

    /** @return list<int> unknowns that are the chips' own thicknesses */
    public function ownThicknesses(): array
    {
        return array_map(static fn (int $n): int => self::OWN + self::OWN * $n, array_keys($this->chips));
    }

    /**
     * @param  list<float>  $at
     * @return array{float, float} coverage 0..1 and thickness in reference coats
     */
    public function hand(array $at): array
    {
        return [min(1.0, $this->coverage * exp($at[self::COVERAGE])), $this->thickness * exp($at[self::THICKNESS])];
    }

    /**
     * @param  list<float>  $at
     * @return float root mean square of reflectance left unexplained
     */
    public function residual(array $at): float
    {
        $sum = 0.0;
        foreach ($this->chips as $n => $chip) {
            for ($band = 0; $band < Bands::COUNT; $band++) {
                $sum += ($this->predicted($n, $band, $at) - $chip->read->values[$band]) ** 2;
            }
        }

        return sqrt($sum / (count($this->chips) * Bands::COUNT));
    }

    /**
     * @param  list<float>  $at
     * @param  list<float>  $deviations  expected of the unknowns
     * @param  float  $noise  standard deviation of a reading
     * @return array{float, array<int, float>, array<int, float>} sum of squares, J'J and J'e
     */
    public function linearised(array $at, array $deviations, float $noise): array
    {
        $n = $this->unknowns;
        $normal = array_fill(0, $n * $n, 0.0);
        $gradient = array_fill(0, $n, 0.0);
        $cost = 0.0;
        foreach ($at as $i => $v) {
            $weight = 1 / $deviations[$i] ** 2;
            $cost += $v * $v * $weight;
            $gradient[$i] += $v * $weight;
            $normal[$i * $n + $i] += $weight;
        }
        foreach ($this->chips as $number => $chip) {
            $own = self::OWN + self::OWN * $number;
            $touched = [self::THICKNESS, self::COVERAGE, $own, $own + 1];
            foreach ($chip->spread->modes as $mode => $_) {
                $touched[] = $this->pots[$number] + $mode;
            }
            for ($band = 0; $band < Bands::COUNT; $band++) {
                $predicted = $this->predicted($number, $band, $at);
                $error = ($predicted - $chip->read->values[$band]) / $noise;
                $cost += $error * $error;
                $slopes = [];
                foreach ($touched as $i) {
                    $moved = $at;
                    $moved[$i] += self::STEP;
                    $slopes[$i] = ($this->predicted($number, $band, $moved) - $predicted) / self::STEP / $noise;
                }
                foreach ($slopes as $i => $f) {
                    $gradient[$i] += $f * $error;
                    foreach ($slopes as $j => $g) {
                        $normal[$i * $n + $j] += $f * $g;
                    }
                }
            }
        }

        return [$cost, $normal, $gradient];
    }

    /**
     * @param  array<int, float>  $at
     * @return float reflectance of one band after the coats of a chip
     */
    private function predicted(int $number, int $band, array $at): float
    {
        $chip = $this->chips[$number];
        $own = self::OWN + self::OWN * $number;
        $k = $s = 0.0;
        foreach ($chip->spread->modes as $mode => $direction) {
            $along = $at[$this->pots[$number] + $mode];
            $k += $along * $direction['k'][$band];
            $s += $along * $direction['s'][$band];
        }
        $k = $chip->mix->k[$band] * exp($k);
        $s = $chip->mix->s[$band] * exp($s);
        $thickness = $this->thickness * exp($at[self::THICKNESS] + $at[$own]);
        $coverage = min(1.0, $this->coverage * exp($at[self::COVERAGE] + $at[$own + 1]));
        $r = $chip->card->values[$band];
        for ($coat = 0; $coat < $chip->coats; $coat++) {
            $r = $coverage * KubelkaMunk::film($k, $s, $thickness, $r) + (1 - $coverage) * $r;
        }

        return $r;
    }
}
