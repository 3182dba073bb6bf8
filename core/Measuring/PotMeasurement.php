<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Bands;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;

/**
 * K and S of a pot from readings of its swatches: all of them together, each coat as thick as it came out (PotFit).
 *
 * A pot is called measured when it gives back every reading of its own within 1.0, and its strength in mixes is known. An
 * opaque coat tells nothing of the level of S: a tint of one part in five of white does, as well as that white is measured.
 */
final readonly class PotMeasurement
{
    /** CIEDE2000 within which a measured pot gives back each of its own readings. */
    public const GIVEN_BACK = 1.0;

    /** Readings further from what the others make of them are of another paint, or of none. */
    private const CONTRADICTION = 8.0;

    /** A coat that is to be seen and is not is an unpainted card. */
    private const TO_BE_SEEN = 4.0;

    /** And by so many standard deviations, in the mean over the bands. */
    private const CERTAIN = 3.0;

    /** Above this standard deviation of ln S, on the mean of the bands, the strength in mixes is unknown. */
    private const STRENGTH_KNOWN = 0.18;

    /** A band is its own where ln S is known to this. */
    private const BAND_KNOWN = 0.2;

    /** ... and the closed form of two backgrounds is as good, where to this. */
    private const CLOSED = 0.01;

    /** How many noises two readings of a band must differ by to begin with their own S. */
    private const SURE = 6.0;

    /**
     * @param  list<float>  $logKDeviations  standard deviations of ln K by band
     * @param  list<float>  $logSDeviations  standard deviations of ln S by band
     * @param  non-empty-array<string, float>  $residuals  CIEDE2000 under D65 between each reading and what K and S make of it
     * @param  array<string, float>  $coats  how thick each coat came out, in reference coats
     * @param  bool  $needsTint  strength in mixes is unknown until a tint is read
     * @param  OpticsSpread  $spread  how far K and S may be from the truth
     */
    private function __construct(
        public PaintOptics $optics,
        public array $logKDeviations,
        public array $logSDeviations,
        public array $residuals,
        public array $coats,
        public bool $needsTint,
        public OpticsSpread $spread,
    ) {
    }

    /**
     * @param  Surface|null  $surface  through which the swatches are seen, for the residuals; null for none
     *
     * @throws InvalidReadings when a card was left unpainted, or the readings are not of one paint
     */
    public static function solve(SwatchReadings $readings, ?Surface $surface = null): self
    {
        $surface ??= Surface::none();
        self::refuseBare($readings, $surface);
        $all = $readings->all();
        $fit = self::fitted($readings, $all);
        $residuals = self::residuals($all, $fit, $surface);
        foreach ($residuals as $name => $residual) {
            // Of what is nearly black the noise alone makes a difference of colour.
            if ($residual > self::CONTRADICTION && $fit->missed($name, $all[$name]) > self::CERTAIN) {
                throw InvalidReadings::notOfOnePaint(self::words($name), $residual);
            }
        }
        $needsTint = $fit->levelDeviation() > self::STRENGTH_KNOWN;
        $quality = $needsTint || max($residuals) > self::GIVEN_BACK ? OpticsQuality::PartlyMeasured : OpticsQuality::Measured;
        foreach ($readings->tints as $tint) {
            $quality = $tint->with->quality === OpticsQuality::Measured ? $quality : OpticsQuality::PartlyMeasured;
        }
        $optics = PaintOptics::of(...self::closed($readings, $fit), quality: $quality);
        $deviations = array_map($fit->deviation(...), range(0, PotFit::OPTICS - 1));

        return new self(
            $optics,
            array_slice($deviations, 0, Bands::COUNT),
            array_slice($deviations, Bands::COUNT),
            $residuals,
            ['overBlack' => $fit->coatOf('overBlack'), 'overWhite' => $fit->coatOf('overWhite')],
            $needsTint,
            OpticsSpread::ofCovariance($optics, $fit->covarianceOfOptics()),
        );
    }

    /** @return non-empty-array<string, float> CIEDE2000 under D65 between what was read and what K and S give back, by Swatch */
    public function residualsBySwatch(): array
    {
        $found = [];
        foreach ($this->residuals as $reading => $residual) {
            $found[match ($reading) {
                'masstone' => Swatch::Thick->value,
                'tint1' => Swatch::Tint->value,
                default => $reading,
            }] = $residual;
        }

        return $found;
    }

    /** @return float share of the bands whose S is known well, 0..1 */
    public function knownShare(): float
    {
        return count(array_filter($this->logSDeviations, static fn (float $d): bool => $d < self::BAND_KNOWN)) / Bands::COUNT;
    }

    /**
     * A coat that reads as its card is none, if the other readings make a paint that would be seen there.
     *
     * @throws InvalidReadings
     */
    private static function refuseBare(SwatchReadings $readings, Surface $surface): void
    {
        $bare = array_keys(array_filter(['overBlack' => $readings->overBlack->isBare(), 'overWhite' => $readings->overWhite->isBare()]));
        if (count($bare) === 2) {
            throw InvalidReadings::bothUnpainted();
        }
        foreach ($bare as $coat) {
            $all = $readings->all();
            $others = $all;
            unset($others[$coat]);
            $fit = self::fitted($readings, $others);
            $expected = self::residuals([$coat => $all[$coat]], $fit, $surface)[$coat];
            if ($expected > self::TO_BE_SEEN && $fit->surprise($all[$coat], $readings->coatSpread) > self::CERTAIN) {
                throw InvalidReadings::unpainted(self::words($coat));
            }
        }
    }

    /**
     * Of two reference coats and nothing else, the closed form is the answer in every band that it tells as well.
     *
     * @return array{list<float>, list<float>} K and S
     */
    private static function closed(SwatchReadings $readings, PotFit $fit): array
    {
        $k = $fit->spectrum(0);
        $s = $fit->spectrum(Bands::COUNT);
        if ($readings->coatSpread > 0 || $readings->masstone !== null || $readings->tints !== []) {
            return [$k, $s];
        }
        foreach ($s as $band => $_) {
            $solved = $fit->deviation(Bands::COUNT + $band) < self::CLOSED ? self::twoBackgrounds($readings, $band) : null;
            if ($solved !== null) {
                [$k[$band], $s[$band]] = [$solved->k, $solved->s];
            }
        }

        return [array_values($k), array_values($s)];
    }

    private static function twoBackgrounds(SwatchReadings $readings, int $band): ?TwoBackgrounds
    {
        [$black, $white] = [$readings->overBlack, $readings->overWhite];

        return TwoBackgrounds::solve($black->read->values[$band], $white->read->values[$band], $black->card->values[$band], $white->card->values[$band]);
    }

    /** @param  array<string, Reading>  $fitted  of the readings, those that are to be fitted */
    private static function fitted(SwatchReadings $readings, array $fitted): PotFit
    {
        [$k, $s] = self::beginning($readings, $fitted);

        return PotFit::of($fitted, array_values(array_intersect(['overBlack', 'overWhite'], array_keys($fitted))), $readings->coatSpread, $k, $s);
    }

    /**
     * Where the fit begins: S of the bands that light comes through, a smooth curve for the others, at the level that the
     * tints ask for.
     *
     * @param  array<string, Reading>  $fitted
     * @return array{list<float>, list<float>} K and S
     */
    private static function beginning(SwatchReadings $readings, array $fitted): array
    {
        [$black, $white] = [$readings->overBlack, $readings->overWhite];
        $own = $weights = [];
        if (isset($fitted['overBlack'], $fitted['overWhite'])) {
            for ($band = 0; $band < Bands::COUNT; $band++) {
                $solved = self::twoBackgrounds($readings, $band);
                $sure = ($white->read->values[$band] - $black->read->values[$band]) / $white->read->deviations[$band];
                if ($solved !== null && $solved->s > 1e-6 && $sure > self::SURE) {
                    $own[$band] = $solved->s;
                    $weights[$band] = 1.0;
                }
            }
        }
        $curve = ScatteringCurve::through($own, $weights) ?? ScatteringCurve::flat(1.5);
        $thick = isset($fitted['overWhite']) ? (isset($fitted['overBlack']) ? [$black, $white] : [$white, $white]) : [$black, $black];
        $best = INF;
        $beginning = [[], []];
        foreach (range(-3.0, 3.0, 0.5) as $log) {
            $k = $s = [];
            for ($band = 0; $band < Bands::COUNT; $band++) {
                $s[] = $scattering = $curve->at($band) * exp($log);
                $k[] = TwoBackgrounds::absorptionFor(
                    $scattering, $thick[0]->read->values[$band], $thick[1]->read->values[$band], $thick[0]->card->values[$band], $thick[1]->card->values[$band],
                );
            }
            $miss = self::miss($fitted, $k, $s);
            if ($miss < $best) {
                $best = $miss;
                $beginning = [$k, $s];
            }
        }

        return $beginning;
    }

    /**
     * @param  array<string, Reading>  $fitted
     * @param  list<float>  $k
     * @param  list<float>  $s
     * @return float sum of squares, each over its noise
     */
    private static function miss(array $fitted, array $k, array $s): float
    {
        $sum = 0.0;
        foreach ($fitted as $reading) {
            $read = $reading->read();
            foreach ($k as $band => $absorption) {
                $sum += (($reading->predicted($band, $absorption, $s[$band], 1.0) - $read->values[$band]) / $read->deviations[$band]) ** 2;
            }
        }

        return $sum;
    }

    /**
     * @param  non-empty-array<string, Reading>  $readings
     * @return non-empty-array<string, float>
     */
    private static function residuals(array $readings, PotFit $fit, Surface $surface): array
    {
        $sum = SpectralSum::under(Illuminant::D65);
        $k = $fit->spectrum(0);
        $s = $fit->spectrum(Bands::COUNT);
        $residuals = [];
        foreach ($readings as $name => $reading) {
            $coat = $fit->coatOf($name);
            $predicted = array_map(static fn (int $band): float => $reading->predicted($band, $k[$band], $s[$band], $coat), range(0, Bands::COUNT - 1));
            $residuals[$name] = DifferenceFormula::Ciede2000->between(self::lab($reading->read()->values, $surface), self::lab($predicted, $surface));
        }

        return $residuals;
    }

    /** @param  list<float>  $inside */
    private static function lab(array $inside, Surface $surface): Lab
    {
        $within = Reflectance::of(array_map(static fn (float $r): float => max(0.0, min(1.0, $r)), $inside));

        return SpectralSum::under(Illuminant::D65)->xyz($surface->seen($within))->toLab();
    }

    private static function words(string $reading): string
    {
        return match ($reading) {
            'overBlack' => 'the coat over black',
            'overWhite' => 'the coat over white',
            'masstone' => 'the thick swatch',
            default => 'the tint',
        };
    }
}
