<?php

declare(strict_types=1);

namespace Hyalin\Training;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;

/**
 * What a wash will do, before it is shown: the true section of a painted area among likely mistakes.
 */
final readonly class WashGuess
{
    private const GREY_PRIMER = 0.2;

    private const COATS = 2;

    private const TOO_OFTEN = 4;

    public function __construct(private PaintOptics $base, private PaintOptics $wash)
    {
    }

    /** @return list<Lab> recess to edge, before the wash */
    public function before(): array
    {
        return $this->seen([$this->baseCoat()]);
    }

    /**
     * The first is the true one: the wash at its usual dilution. The others: as if it covered everything alike, as if it had been
     * put on four times, as if nothing but the recesses took it.
     *
     * @return array{list<Lab>, list<Lab>, list<Lab>, list<Lab>}
     */
    public function after(): array
    {
        $usual = Technique::Wash->spec()->usualThinner;
        $wash = fn (float $thinner, int $coats): Layer => Layer::of(Technique::Wash, $this->wash, $thinner, $coats, Zone::cases());
        $true = $this->seen([$this->baseCoat(), $wash($usual, 1)]);
        $often = $this->seen([$this->baseCoat(), $wash($usual, self::TOO_OFTEN)]);
        $flat = $this->seen([$this->baseCoat(), Layer::of(Technique::Glaze, $this->wash, Technique::Glaze->spec()->usualThinner, self::COATS, Zone::cases())]);
        $before = $this->before();

        return [$true, $flat, $often, [$often[0], $before[1], $before[2], $before[3], $before[4]]];
    }

    private function baseCoat(): Layer
    {
        return Layer::of(Technique::BaseCoat, $this->base, Technique::BaseCoat->spec()->usualThinner, self::COATS, Zone::cases());
    }

    /**
     * @param  list<Layer>  $layers
     * @return list<Lab>
     */
    private function seen(array $layers): array
    {
        $top = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt))->of(Reflectance::flat(self::GREY_PRIMER), $layers)->top();

        return array_map(static fn (Zone $zone): Lab => $top->cell($zone)->seen, Zone::cases());
    }
}
