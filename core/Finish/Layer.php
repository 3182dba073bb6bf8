<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\Reflectance;
use Hyalin\Optics\AreaCoverage;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;

/**
 * A technique with a mix, its dilution, its coats, on chosen zones.
 */
final readonly class Layer
{
    /** @param  non-empty-list<Zone>  $zones */
    private function __construct(
        public Technique $technique,
        public PaintOptics $mix,
        public float $thinner,
        public int $coats,
        public array $zones,
    ) {
    }

    /**
     * @param  PaintOptics  $mix  undiluted
     * @param  float  $thinner  parts of water or medium to one part of the mix, 0..20
     * @param  int  $coats  1..12
     * @param  list<Zone>  $zones  at least one
     *
     * @throws InvalidLayer outside these ranges
     */
    public static function of(Technique $technique, PaintOptics $mix, float $thinner, int $coats, array $zones): self
    {
        if (! is_finite($thinner) || $thinner < 0 || $thinner > 20) {
            throw InvalidLayer::thinner($thinner);
        }
        if ($coats < 1 || $coats > 12) {
            throw InvalidLayer::coats($coats);
        }
        if ($zones === []) {
            throw InvalidLayer::noZones();
        }

        return new self($technique, $mix, $thinner, $coats, $zones);
    }

    public function withCoats(int $coats): self
    {
        return self::of($this->technique, $this->mix, $this->thinner, $coats, $this->zones);
    }

    public function withThinner(float $thinner): self
    {
        return self::of($this->technique, $this->mix, $thinner, $this->coats, $this->zones);
    }

    /** @return float 0..1 of the zone under one coat */
    public function coverage(Zone $zone): float
    {
        return in_array($zone, $this->zones, true) ? $this->technique->profile()->coverage($zone) : 0.0;
    }

    /** @return float reference coats of the undiluted mix that one coat leaves where it covers */
    public function thickness(Zone $zone): float
    {
        return $this->technique->profile()->thickness($zone) / (1 + $this->thinner);
    }

    /** @return Reflectance of the zone when the layer has dried, without surface reflection */
    public function over(Zone $zone, Reflectance $beneath): Reflectance
    {
        $coverage = $this->coverage($zone);
        if ($coverage <= 0.0) {
            return $beneath;
        }
        $thickness = FilmThickness::coats($this->thickness($zone));
        if ($coverage >= 1.0) {
            // Full coats of one mix are one thicker film (the two-flux equations are autonomous).
            return $this->mix->filmOver($beneath, $thickness->times($this->coats));
        }
        $area = AreaCoverage::of($coverage);
        for ($coat = 0; $coat < $this->coats; $coat++) {
            $beneath = $area->blend($this->mix->filmOver($beneath, $thickness), $beneath);
        }

        return $beneath;
    }
}
