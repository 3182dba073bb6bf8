<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\Colour\Bands;
use Hyalin\Colour\InvalidSpectrum;

/**
 * How far K and S of a pot may be from what is held of them: a few independent directions in ln K and ln S, each one
 * standard deviation long. Their sum of squares is the covariance, as far as it matters to colour.
 */
final readonly class OpticsSpread
{
    private const MODES = 6;

    private const ITERATIONS = 60;

    /** What is left of the variance below this share is left out. */
    private const LEAST_SHARE = 1e-3;

    /**
     * What a stated colour, opacity and strength leave open, as standard deviations of logarithms: own estimates. Strength moves
     * K and S together; opacity S alone; the colour of a drop is seen to a tenth of K/S; spectra of one colour differ in tilt.
     */
    private const ESTIMATED_STRENGTH = 0.35;

    private const ESTIMATED_OPACITY = 0.10;

    private const ESTIMATED_TILT = 0.20;

    /** A pot measured before its spread was kept: its coats may have been a tenth off. */
    private const MEASURED_STRENGTH = 0.10;

    private const PARTLY_STRENGTH = 0.25;

    /** And its thick colour is read to this of K/S. */
    private const READ_COLOUR = 0.05;

    /** @param  list<array{k: list<float>, s: list<float>}>  $modes */
    private function __construct(public array $modes)
    {
    }

    /** Known exactly: what does nothing to light. */
    public static function none(): self
    {
        return new self([]);
    }

    /** The usual spread of a pot by the source of its K and S alone. */
    public static function usual(OpticsQuality $quality): self
    {
        $flat = static fn (float $v): array => array_fill(0, Bands::COUNT, $v);
        $tilt = array_map(static fn (int $band): float => self::ESTIMATED_TILT * (2 * $band / (Bands::COUNT - 1) - 1), range(0, Bands::COUNT - 1));

        return new self(match ($quality) {
            OpticsQuality::Measured => [
                ['k' => $flat(self::MEASURED_STRENGTH), 's' => $flat(self::MEASURED_STRENGTH)],
                ['k' => $flat(self::READ_COLOUR), 's' => $flat(0.0)],
            ],
            OpticsQuality::PartlyMeasured => [
                ['k' => $flat(self::PARTLY_STRENGTH), 's' => $flat(self::PARTLY_STRENGTH)],
                ['k' => $flat(2 * self::READ_COLOUR), 's' => $flat(0.0)],
            ],
            OpticsQuality::Estimated => [
                ['k' => $flat(self::ESTIMATED_STRENGTH), 's' => $flat(self::ESTIMATED_STRENGTH)],
                ['k' => $flat(0.0), 's' => $flat(self::ESTIMATED_OPACITY)],
                ['k' => $tilt, 's' => $flat(0.0)],
                ['k' => $flat(0.0), 's' => $tilt],
            ],
        });
    }

    /**
     * The leading directions of a covariance, by power iteration, judged by what they do to a thick layer and to a coat.
     *
     * @param  array<int, float>  $covariance  of ln K and then ln S of the bands, 72 x 72 row-major
     */
    public static function ofCovariance(PaintOptics $optics, array $covariance): self
    {
        $weights = self::sensitivities($optics);
        $n = 2 * Bands::COUNT;
        $weighed = [];
        $whole = 0.0;
        for ($i = 0; $i < $n; $i++) {
            for ($j = 0; $j < $n; $j++) {
                $weighed[] = $weights[$i] * $covariance[$i * $n + $j] * $weights[$j];
            }
            $whole += $weighed[$i * $n + $i];
        }
        $modes = [];
        for ($mode = 0; $mode < self::MODES; $mode++) {
            [$value, $vector] = self::leading($weighed, $n, $mode);
            if ($value <= self::LEAST_SHARE * $whole || $value <= 0.0) {
                break;
            }
            $direction = [];
            for ($i = 0; $i < $n; $i++) {
                $sum = 0.0;
                for ($j = 0; $j < $n; $j++) {
                    $sum += $covariance[$i * $n + $j] * $weights[$j] * $vector[$j];
                    $weighed[$i * $n + $j] -= $value * $vector[$i] * $vector[$j];
                }
                $direction[] = $sum / sqrt($value);
            }
            $modes[] = ['k' => array_slice($direction, 0, Bands::COUNT), 's' => array_slice($direction, Bands::COUNT)];
        }

        return new self($modes);
    }

    /**
     * @param  mixed  $modes  as toArray() writes them
     *
     * @throws InvalidSpectrum
     */
    public static function parse(mixed $modes): self
    {
        $parsed = [];
        foreach (is_array($modes) ? $modes : [] as $mode) {
            $mode = is_array($mode) ? $mode : [];
            $parsed[] = [
                'k' => Bands::parse($mode['k'] ?? null, 'ln K', -20.0, 20.0),
                's' => Bands::parse($mode['s'] ?? null, 'ln S', -20.0, 20.0),
            ];
        }

        return new self($parsed);
    }

    /**
     * @param  list<float>  $shifts  how far along each direction, in its standard deviations
     * @return PaintOptics the same pot, there
     */
    public function moved(PaintOptics $optics, array $shifts): PaintOptics
    {
        $k = $optics->k;
        $s = $optics->s;
        foreach ($this->modes as $n => $mode) {
            foreach ($k as $band => $_) {
                $k[$band] *= exp(($shifts[$n] ?? 0.0) * $mode['k'][$band]);
                $s[$band] *= exp(($shifts[$n] ?? 0.0) * $mode['s'][$band]);
            }
        }

        return PaintOptics::of(array_values($k), array_values($s), $optics->quality);
    }

    /** @param  list<float>  $left  what is left of each direction, as a share of its length, 0..1 */
    public function narrowed(array $left): self
    {
        $modes = [];
        foreach ($this->modes as $n => $mode) {
            $share = static fn (float $v): float => $v * ($left[$n] ?? 1.0);
            $modes[] = ['k' => array_map($share, $mode['k']), 's' => array_map($share, $mode['s'])];
        }

        return new self($modes);
    }

    /** @return list<array{k: list<float>, s: list<float>}> to four digits */
    public function toArray(): array
    {
        $short = static fn (float $v): float => round($v, 4);

        return array_map(static fn (array $m): array => ['k' => array_map($short, $m['k']), 's' => array_map($short, $m['s'])], $this->modes);
    }

    /**
     * The largest eigenvalue of a symmetric matrix and its vector.
     *
     * @param  array<int, float>  $matrix
     * @return array{float, list<float>}
     */
    private static function leading(array $matrix, int $n, int $start): array
    {
        $vector = [];
        for ($i = 0; $i < $n; $i++) {
            // Any beginning that is not orthogonal to it.
            $vector[] = 1.0 + 0.5 * sin(1.7 * $i * ($start + 1));
        }
        $value = 0.0;
        for ($step = 0; $step < self::ITERATIONS; $step++) {
            $next = [];
            $length = 0.0;
            for ($i = 0; $i < $n; $i++) {
                $sum = 0.0;
                for ($j = 0; $j < $n; $j++) {
                    $sum += $matrix[$i * $n + $j] * $vector[$j];
                }
                $next[] = $sum;
                $length += $sum * $sum;
            }
            $value = sqrt($length);
            if ($value <= 0.0) {
                break;
            }
            $vector = array_map(static fn (float $v): float => $v / $value, $next);
        }

        return [$value, $vector];
    }

    /** @return list<float> what a change of each logarithm does to reflectance, thick and as a coat over grey, root mean square */
    private static function sensitivities(PaintOptics $optics): array
    {
        $h = 1e-4;
        $weights = [];
        foreach ([[1 + $h, 1.0], [1.0, 1 + $h]] as [$k, $s]) {
            foreach ($optics->k as $band => $absorption) {
                $scattering = $optics->s[$band];
                $thick = KubelkaMunk::masstone($absorption * $k, $scattering * $s) - KubelkaMunk::masstone($absorption, $scattering);
                $coat = KubelkaMunk::film($absorption * $k, $scattering * $s, 1.0, 0.4) - KubelkaMunk::film($absorption, $scattering, 1.0, 0.4);
                $weights[] = sqrt($thick * $thick + $coat * $coat) / $h + 1e-6;
            }
        }

        return $weights;
    }
}
