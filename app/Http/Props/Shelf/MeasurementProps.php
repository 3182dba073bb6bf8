<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralSum;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Hiding;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;

/**
 * The result of a measurement of a pot, before it is kept.
 */
final readonly class MeasurementProps
{
    /**
     * @param  array<string, float>  $residuals  by Hyalin\Measuring\Swatch: CIEDE2000 between what was read and what K and S give back
     * @param  array<string, float>  $coats  by Hyalin\Measuring\Swatch: how thick a coat came out, in reference coats
     * @param  float  $known  share of the bands whose S is known well, 0..1
     * @param  float  $moved  CIEDE2000 between the half tint with white as predicted before and now
     */
    public function __construct(
        public OpticsQuality $quality,
        public array $residuals,
        public array $coats,
        public float $known,
        public bool $needsTint,
        public float $contrastRatio,
        public ?int $coatsToHide,
        public float $moved,
        public CurvesProps $curves,
    ) {
    }

    public static function of(Paint $pot, PotMeasurement $measured, ?Paint $white): self
    {
        $white = $white?->optics() ?? PaintOptics::of(array_fill(0, 36, 0.01), array_fill(0, 36, 5.0), OpticsQuality::Estimated);

        return new self(
            $measured->optics->quality,
            $measured->residualsBySwatch(),
            $measured->coats,
            known: $measured->knownShare(),
            needsTint: $measured->needsTint,
            contrastRatio: Hiding::contrastRatio($measured->optics, FilmThickness::coats(1.0)),
            coatsToHide: Hiding::coatsToHide($measured->optics),
            moved: self::difference(self::halfTint($pot->optics(), $white), self::halfTint($measured->optics, $white)),
            curves: CurvesProps::of($measured->optics),
        );
    }

    private static function halfTint(PaintOptics $paint, PaintOptics $white): Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz(PaintOptics::mixed([[$paint, 1.0], [$white, 1.0]])->masstone())->toLab();
    }

    private static function difference(Lab $p, Lab $q): float
    {
        return Ciede2000::between($p->lightness, $p->a, $p->b, $q->lightness, $q->a, $q->b);
    }
}
