<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\Reflectance;
use Hyalin\Limit;
use Hyalin\Optics\AreaCoverage;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;

/**
 * A technique with a mix, its dilution, its coats, on chosen zones.
 */
final readonly class Layer
{
    /** A platelet lets nothing through: as good as so many coats of paint of its colour. */
    private const OPAQUE_COATS = 20.0;

    /** The deposit of one coat on each zone of an area of that form. */
    private DepositProfile $profile;

    /** @param  non-empty-list<Zone>  $zones */
    private function __construct(
        public Technique $technique,
        public PaintOptics $mix,
        public float $thinner,
        public int $coats,
        public array $zones,
        public ?Sheen $sheen,
        public bool $flake,
        public LayerContext $context,
    ) {
        // Once: a mix search asks for coverage, thickness and scattering of every zone again and again.
        $this->profile = $context->deposit($technique);
    }

    /**
     * @param  PaintOptics  $mix  undiluted
     * @param  float  $thinner  parts of water or medium to one part of the mix, 0..20
     * @param  int  $coats  1..12
     * @param  list<Zone>  $zones  at least one
     * @param  Sheen|null  $sheen  what a varnish makes of the surface; null leaves it as it is
     * @param  Hand|null  $hand  of the painter, where test chips have told it; null for the usual profile
     * @param  bool  $flake  metal or colour-shift platelets: opaque where they lie, and a coat covers 1 - 1/e
     *
     * @throws InvalidLayer outside these ranges
     */
    public static function of(
        Technique $technique,
        PaintOptics $mix,
        float $thinner,
        int $coats,
        array $zones,
        ?Sheen $sheen = null,
        bool $flake = false,
        ?Hand $hand = null,
    ): self {
        if (! Limit::Thinner->holds($thinner)) {
            throw InvalidLayer::thinner($thinner);
        }
        if (! Limit::Coats->holds($coats)) {
            throw InvalidLayer::coats($coats);
        }
        if ($zones === []) {
            throw InvalidLayer::noZones();
        }

        return new self($technique, $mix, $thinner, $coats, $zones, $sheen, $flake, new LayerContext($hand));
    }

    /** @throws InvalidLayer outside 1..12 */
    public function withCoats(int $coats): self
    {
        return $this->but($this->thinner, $coats, $this->zones);
    }

    /** @throws InvalidLayer outside 0..20 */
    public function withThinner(float $thinner): self
    {
        return $this->but($thinner, $this->coats, $this->zones);
    }

    /** @param  list<Zone>  $zones  at least one */
    public function onZones(array $zones): self
    {
        return $this->but($this->thinner, $this->coats, $zones);
    }

    /** @param  PaintOptics  $mix  undiluted */
    public function withMix(PaintOptics $mix): self
    {
        return new self($this->technique, $mix, $this->thinner, $this->coats, $this->zones, $this->sheen, $this->flake, $this->context);
    }

    public function withHand(Hand $hand): self
    {
        return $this->in($this->context->withHand($hand));
    }

    /** @return bool whether one coat covers all of every zone that it is put on, however it is put on */
    public function coversAll(): bool
    {
        foreach ($this->zones as $zone) {
            if ($this->flake || $this->profile->coverage($zone) < 1.0) {
                return false;
            }
        }

        return true;
    }

    /** Blended while the coat beneath is wet: the two mixes run into each other instead of lying side by side. */
    public function blendedInto(PaintOptics $wet): self
    {
        return $this->in($this->context->withInto($wet));
    }

    /** @param  list<float>|null  $factors  36, each above 0 */
    public function correctedBy(?array $factors): self
    {
        return $this->in($this->context->withFactors($factors));
    }

    /**
     * A spray from a direction gives each zone what the mesh says, where it says something; any other layer stays as it is.
     *
     * @param  array<string, list<float|null>>  $exposures  0..1 of the five zones, recess to edge, by technique
     */
    public function sprayedAs(array $exposures): self
    {
        return $this->in($this->context->withExposure($exposures[$this->technique->value] ?? null));
    }

    /** On an area of that form: what the zones of a gradient get is not what depths of a relief get. */
    public function onForm(AreaForm $form): self
    {
        return $this->in($this->context->withForm($form));
    }

    /** @param  list<Zone>  $zones */
    private function but(float $thinner, int $coats, array $zones): self
    {
        return self::of($this->technique, $this->mix, $thinner, $coats, $zones, $this->sheen, $this->flake)->in($this->context);
    }

    private function in(LayerContext $context): self
    {
        return new self($this->technique, $this->mix, $this->thinner, $this->coats, $this->zones, $this->sheen, $this->flake, $context);
    }

    /** @return float 0..1 of the zone under one coat */
    public function coverage(Zone $zone): float
    {
        if (! in_array($zone, $this->zones, true)) {
            return 0.0;
        }
        $covered = min(1.0, $this->profile->coverage($zone) * ($this->context->hand->coverage ?? 1.0));

        // Platelets lie where they fall: one dusting covers 63 %, three 95 % (common practice: three dustings).
        return $this->flake ? $covered * AreaCoverage::ofRandomHits(1.0)->fraction : $covered;
    }

    /** @return float reference coats of the undiluted mix that one coat leaves where it covers */
    public function thickness(Zone $zone): float
    {
        return $this->flake
            ? self::OPAQUE_COATS
            : $this->profile->thickness($zone) * ($this->context->hand->thickness ?? 1.0) / (1 + $this->thinner);
    }

    /** @return float share of the scattering that a film of this thickness has in the zone, 0..1 */
    public function scattering(Zone $zone): float
    {
        return $this->flake ? 1.0 : $this->profile->scattering($zone);
    }

    /** @return PaintOptics of the mix as it lies in the zone, per reference coat */
    public function mixIn(Zone $zone): PaintOptics
    {
        return $this->mix->withScattering($this->scattering($zone));
    }

    /** @return Reflectance of the zone when the layer has dried, without surface reflection */
    public function over(Zone $zone, Reflectance $beneath): Reflectance
    {
        $coverage = $this->coverage($zone);
        if ($coverage <= 0.0) {
            return $beneath;
        }
        $over = $this->film($zone, $coverage, $beneath);

        return $this->context->factors === null ? $over : Reflectance::of(array_map(
            static fn (float $r, float $factor): float => max(0.0, min(1.0, $r * (1 + $coverage * ($factor - 1)))),
            $over->values,
            $this->context->factors,
        ));
    }

    /** @return Reflectance of a single dot or stroke of one coat in the zone, without surface reflection */
    public function dot(Zone $zone, Reflectance $beneath): Reflectance
    {
        return $this->mixIn($zone)->filmOver($beneath, FilmThickness::coats($this->thickness($zone)));
    }

    private function film(Zone $zone, float $coverage, Reflectance $beneath): Reflectance
    {
        $thickness = FilmThickness::coats($this->thickness($zone));
        if ($this->context->into !== null && $coverage < 1.0) {
            // Where it is drawn out it is a mix of both, by volume.
            return PaintOptics::mixed([[$this->mixIn($zone), $coverage], [$this->context->into, 1 - $coverage]])->filmOver($beneath, $thickness->times($this->coats));
        }
        if ($coverage >= 1.0) {
            // Full coats of one mix are one thicker film (the two-flux equations are autonomous).
            return $this->mixIn($zone)->filmOver($beneath, $thickness->times($this->coats));
        }
        $area = AreaCoverage::of($coverage);
        $mix = $this->mixIn($zone);
        for ($coat = 0; $coat < $this->coats; $coat++) {
            $beneath = $area->blend($mix->filmOver($beneath, $thickness), $beneath);
        }

        return $beneath;
    }
}
