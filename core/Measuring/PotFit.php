<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Closure;
use Hyalin\Colour\Bands;
use Hyalin\Numeric\LevenbergMarquardt;

/**
 * The K and S, in every band, and the thickness of each coat that explain all readings of a pot together.
 *
 * The most probable of them (maximum a posteriori): readings have Gaussian noise, coats scatter about the reference in the
 * logarithm, and S runs smoothly over the wavelengths, as scattering by particles does, about a power of -0.8. How smoothly,
 * the readings say: of three roughnesses the one with the greatest evidence is taken (D. J. C. MacKay, Bayesian
 * interpolation, Neural Computation 4, 415 (1992)). Least squares in ln K and
 * ln S, so that both stay positive; the covariance is the inverse of the normal matrix at the solution, as usual.
 *
 * Flat arrays: unknowns are ln K of 36 bands, ln S of 36 bands, ln thickness of the coats.
 */
final readonly class PotFit
{
    /** Unknowns of the pot itself: ln K and ln S of every band. */
    public const OPTICS = 2 * Bands::COUNT;

    /** Standard deviations that a second difference of ln S from band to band may have. */
    private const ROUGHNESSES = [0.006, 0.02, 0.06];

    /** The same of ln K: absorption has bands of its own, only single bands do not leap. */
    private const LEAP = 0.7;

    /** ln S falls by this power of the wavelength, give or take; own estimate, as what follows. */
    private const POWER = 0.8;

    private const STEEPNESS = 0.05;

    /** The mean of ln S of paints, and how widely they differ. */
    private const USUAL_LOG_S = 0.4;

    private const LOG_S_DEVIATION = 1.3;

    private const USUAL_LOG_K = -1.2;

    private const LOG_K_DEVIATION = 10.0;

    private const LEVELS = 20;

    private const LEVEL_STEP = 0.2;

    private const LOWEST = -12.0;

    private const HIGHEST = 6.5;

    /**
     * @param  list<float>  $unknowns
     * @param  array<int, float>  $covariance  of all unknowns, row-major
     * @param  list<string>  $coats  readings whose thickness was free, in the order of the unknowns
     * @param  float  $evidence  logarithm of how probable the readings are, but for a constant
     */
    private function __construct(public array $unknowns, public array $covariance, private array $coats, private float $evidence)
    {
    }

    /**
     * @param  array<string, Reading>  $readings
     * @param  list<string>  $coats  those of them whose thickness is free
     * @param  float  $spread  standard deviation of the logarithm of a coat's thickness; 0: all are reference coats
     * @param  list<float>  $k  to begin with, > 0
     * @param  list<float>  $s  to begin with, > 0
     */
    public static function of(array $readings, array $coats, float $spread, array $k, array $s): self
    {
        $logs = static fn (float $v): float => max(self::LOWEST, min(self::HIGHEST, log(max(1e-9, $v))));
        $coats = $spread > 0 ? $coats : [];
        $at = [...array_map($logs, $k), ...array_map($logs, $s), ...array_fill(0, count($coats), 0.0)];
        $best = null;
        foreach (self::roughnesses($readings) as $roughness) {
            $fit = self::descended($readings, $coats, $best->unknowns ?? $at, self::prior(count($coats), $spread, $roughness), $roughness);
            $best = $best === null || $fit->evidence > $best->evidence ? $fit : $best;
        }

        return $best;
    }

    /**
     * Three sums over the bands say nothing of how smooth they are.
     *
     * @param  array<string, Reading>  $readings
     * @return non-empty-list<float>
     */
    private static function roughnesses(array $readings): array
    {
        foreach ($readings as $reading) {
            if ($reading->read()->isSpectrum()) {
                return self::ROUGHNESSES;
            }
        }

        return [self::ROUGHNESSES[1]];
    }

    /**
     * @param  array<string, Reading>  $readings
     * @param  list<string>  $coats
     * @param  list<float>  $at
     * @param  list<array{array<int, float>, float}>  $prior
     */
    private static function descended(array $readings, array $coats, array $at, array $prior, float $roughness): self
    {
        $thicknesses = array_flip($coats);
        $problem = self::problem($readings, $thicknesses, $prior);
        $least = LevenbergMarquardt::least($problem, $at, self::LOWEST, self::HIGHEST);
        [$at, $cost] = [$least->at, $least->cost];
        $n = count($at);
        $covariance = $least->normal->inverse();
        [$shift, $variance] = self::level($problem, $at, $cost);
        // What the quadratic form at the solution does not see: an opaque coat tells only that there is no less pigment.
        $missing = $variance - self::levelVariance($covariance, $n);
        if ($missing > 0.0) {
            for ($i = 0; $i < self::OPTICS; $i++) {
                $at[$i] = max(self::LOWEST, min(self::HIGHEST, $at[$i] + $shift));
                for ($j = 0; $j < self::OPTICS; $j++) {
                    $covariance[$i * $n + $j] += $missing;
                }
            }
        }

        return new self(array_values($at), $covariance, $coats, -($cost + $least->normal->logDeterminant()) / 2 - (Bands::COUNT - 2) * log($roughness));
    }

    /**
     * @param  int  $unknown  0..71: ln K of the bands, then ln S of the bands
     * @return float standard deviation
     */
    public function deviation(int $unknown): float
    {
        return sqrt(max(0.0, $this->covariance[$unknown * count($this->unknowns) + $unknown]));
    }

    /**
     * How far a reading that was not fitted is from what the fit expects of it.
     *
     * @param  float  $spread  standard deviation of the logarithm of its coat's thickness
     * @return float root mean square over the bands, in standard deviations of reading and expectation together
     */
    public function surprise(Reading $reading, float $spread): float
    {
        $read = $reading->read();
        $h = 1e-5;
        $squares = 0.0;
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $k = exp($this->unknowns[$band]);
            $s = exp($this->unknowns[Bands::COUNT + $band]);
            $expected = $reading->predicted($band, $k, $s, 1.0);
            $slopes = [
                ($reading->predicted($band, $k * (1 + $h), $s, 1.0) - $expected) / $h,
                ($reading->predicted($band, $k, $s * (1 + $h), 1.0) - $expected) / $h,
            ];
            $variance = $read->deviations[$band] ** 2 + ($spread * ($reading->predicted($band, $k, $s, 1 + $h) - $expected) / $h) ** 2;
            $n = count($this->unknowns);
            foreach ([$band, Bands::COUNT + $band] as $p => $i) {
                foreach ([$band, Bands::COUNT + $band] as $q => $j) {
                    $variance += $slopes[$p] * $slopes[$q] * $this->covariance[$i * $n + $j];
                }
            }
            $squares += ($expected - $read->values[$band]) ** 2 / $variance;
        }

        return sqrt($squares / Bands::COUNT);
    }

    /** @return float root mean square over the bands of what a fitted reading is missed by, in its standard deviations */
    public function missed(string $name, Reading $reading): float
    {
        $read = $reading->read();
        $coat = $this->coatOf($name);
        $squares = 0.0;
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $expected = $reading->predicted($band, exp($this->unknowns[$band]), exp($this->unknowns[Bands::COUNT + $band]), $coat);
            $squares += (($expected - $read->values[$band]) / $read->deviations[$band]) ** 2;
        }

        return sqrt($squares / Bands::COUNT);
    }

    /** @return float standard deviation of how strong the pot is in mixes: of the mean of ln S over the bands */
    public function levelDeviation(): float
    {
        return sqrt(self::levelVariance($this->covariance, count($this->unknowns)));
    }

    /** @return array<int, float> of ln K and then ln S of the bands, 72 x 72 row-major; thicknesses of the coats summed over */
    public function covarianceOfOptics(): array
    {
        $n = count($this->unknowns);
        $covariance = [];
        for ($i = 0; $i < self::OPTICS; $i++) {
            array_push($covariance, ...array_slice($this->covariance, $i * $n, self::OPTICS));
        }

        return $covariance;
    }

    /** @return list<float> of ln K (0) or ln S (36) onward, as K or S */
    public function spectrum(int $first): array
    {
        return array_map(exp(...), array_slice($this->unknowns, $first, Bands::COUNT));
    }

    /** @return float how thick the coat of a reading came out, in reference coats; 1 where that was not free */
    public function coatOf(string $reading): float
    {
        $n = array_search($reading, $this->coats, true);

        return $n === false ? 1.0 : exp($this->unknowns[self::OPTICS + $n]);
    }

    /**
     * @param  array<string, Reading>  $readings
     * @param  array<string, int>  $thicknesses
     * @param  list<array{array<int, float>, float}>  $prior
     * @return Closure(list<float>): array{float, array<int, float>, array<int, float>}
     */
    private static function problem(array $readings, array $thicknesses, array $prior): Closure
    {
        return static function (array $at) use ($readings, $thicknesses, $prior): array {
            /** @var list<float> $at */
            return self::linearised($readings, $thicknesses, $at, $prior);
        };
    }

    /**
     * How probable more or less pigment is, K and S together, the rest as it is: by sums over a grid of the logarithm.
     *
     * @param  callable(list<float>): array{float, array<int, float>, array<int, float>}  $problem
     * @param  list<float>  $at
     * @param  float  $least  cost there
     * @return array{float, float} mean shift of the logarithm, and its variance
     */
    private static function level(callable $problem, array $at, float $least): array
    {
        $sum = $first = $second = 0.0;
        for ($n = -self::LEVELS; $n <= self::LEVELS; $n++) {
            $shift = $n * self::LEVEL_STEP;
            $moved = $at;
            for ($i = 0; $i < self::OPTICS; $i++) {
                $moved[$i] += $shift;
            }
            $weight = exp(-($problem(array_values($moved))[0] - $least) / 2);
            $sum += $weight;
            $first += $weight * $shift;
            $second += $weight * $shift * $shift;
        }
        $mean = $first / $sum;

        return [$mean, $second / $sum - $mean * $mean];
    }

    /** @param  array<int, float>  $covariance */
    private static function levelVariance(array $covariance, int $n): float
    {
        $sum = 0.0;
        for ($i = Bands::COUNT; $i < self::OPTICS; $i++) {
            for ($j = Bands::COUNT; $j < self::OPTICS; $j++) {
                $sum += $covariance[$i * $n + $j];
            }
        }

        return max(0.0, $sum) / Bands::COUNT ** 2;
    }

    /**
     * The prior, as rows of a linear least squares problem.
     *
     * @return list<array{array<int, float>, float}> each: factors by unknown, and what their sum should be; over its deviation
     */
    private static function prior(int $coats, float $spread, float $roughness): array
    {
        $rows = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $s = Bands::COUNT + $band;
            $rows[] = self::expected([$band => 1.0], self::USUAL_LOG_K, self::LOG_K_DEVIATION);
            if ($band > 0) {
                $steps = log(Bands::nanometres($band) / Bands::nanometres($band - 1));
                $rows[] = self::expected([$s - 1 => -1.0, $s => 1.0], -self::POWER * $steps, self::STEEPNESS);
            }
            if ($band > 1) {
                $rows[] = self::expected([$band - 2 => 1.0, $band - 1 => -2.0, $band => 1.0], 0.0, self::LEAP);
                $rows[] = self::expected([$s - 2 => 1.0, $s - 1 => -2.0, $s => 1.0], 0.0, $roughness);
            }
        }
        $mean = array_fill(Bands::COUNT, Bands::COUNT, 1 / Bands::COUNT);
        $rows[] = self::expected($mean, self::USUAL_LOG_S, self::LOG_S_DEVIATION);
        for ($coat = 0; $coat < $coats; $coat++) {
            $rows[] = self::expected([self::OPTICS + $coat => 1.0], 0.0, $spread);
        }

        return $rows;
    }

    /**
     * @param  array<int, float>  $factors  by unknown
     * @return array{array<int, float>, float}
     */
    private static function expected(array $factors, float $sum, float $deviation): array
    {
        foreach ($factors as $unknown => $factor) {
            $factors[$unknown] = $factor / $deviation;
        }

        return [$factors, $sum / $deviation];
    }

    /**
     * @param  array<string, Reading>  $readings
     * @param  array<string, int>  $coats  which unknown is the thickness of which reading
     * @param  array<int, float>  $at
     * @param  list<array{array<int, float>, float}>  $prior
     * @return array{float, array<int, float>, array<int, float>} sum of squares, J'J (lower triangle) and J'e
     */
    private static function linearised(array $readings, array $coats, array $at, array $prior): array
    {
        $n = count($at);
        $normal = array_fill(0, $n * $n, 0.0);
        $gradient = array_fill(0, $n, 0.0);
        $cost = 0.0;
        foreach ($prior as [$factors, $expected]) {
            $error = -$expected;
            foreach ($factors as $i => $f) {
                $error += $f * $at[$i];
            }
            $cost += $error * $error;
            foreach ($factors as $i => $f) {
                $gradient[$i] += $f * $error;
                foreach ($factors as $j => $g) {
                    $normal[$i * $n + $j] += $f * $g;
                }
            }
        }
        $h = 1e-5;
        foreach ($readings as $name => $reading) {
            $thickness = isset($coats[$name]) ? self::OPTICS + $coats[$name] : null;
            $coat = $thickness === null ? 1.0 : exp($at[$thickness]);
            $read = $reading->read();
            $predicted = $ofK = $ofS = $ofCoat = [];
            for ($band = 0; $band < Bands::COUNT; $band++) {
                $k = exp($at[$band]);
                $s = exp($at[Bands::COUNT + $band]);
                $predicted[] = $r = $reading->predicted($band, $k, $s, $coat);
                $ofK[] = ($reading->predicted($band, $k * (1 + $h), $s, $coat) - $r) / $h;
                $ofS[] = ($reading->predicted($band, $k, $s * (1 + $h), $coat) - $r) / $h;
                $ofCoat[] = $thickness === null ? 0.0 : ($reading->predicted($band, $k, $s, $coat * (1 + $h)) - $r) / $h;
            }
            foreach ($read->sums as [$factors, $expected]) {
                $error = -$expected;
                $slopes = [];
                $along = 0.0;
                foreach ($factors as $band => $f) {
                    $error += $f * $predicted[$band];
                    $slopes[$band] = $f * $ofK[$band];
                    $along += $f * $ofCoat[$band];
                }
                foreach ($factors as $band => $f) {
                    $slopes[Bands::COUNT + $band] = $f * $ofS[$band];
                }
                if ($thickness !== null) {
                    $slopes[$thickness] = $along;
                }
                $cost += $error * $error;
                foreach ($slopes as $i => $f) {
                    $gradient[$i] += $f * $error;
                    $row = $i * $n;
                    // They rise: only the lower triangle is read.
                    foreach ($slopes as $j => $g) {
                        $normal[$row + $j] += $f * $g;
                        if ($j === $i) {
                            break;
                        }
                    }
                }
            }
        }

        return [$cost, $normal, $gradient];
    }
}
