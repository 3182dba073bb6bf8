<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\Surface;

/**
 * Front door of the module: the colour of every zone after every layer, under a chosen light and sheen.
 */
final readonly class SectionPrediction
{
    private function __construct(private SpectralSum $sum, private Surface $surface)
    {
    }

    public static function under(Illuminant $light, Surface $surface): self
    {
        return new self(SpectralSum::under($light), $surface);
    }

    /**
     * @param  Reflectance  $bare  what the finish starts from, without surface reflection
     * @param  list<Layer>  $layers  in the order they are painted; never rearranged
     */
    public function of(Reflectance $bare, array $layers): Section
    {
        return $this->onTop($this->start($bare), $layers);
    }

    /** The same everywhere: a bare print. */
    public function start(Reflectance $bare): SectionRow
    {
        $seen = $this->seen($bare, $this->surface);
        $cells = [];
        foreach (Zone::cases() as $zone) {
            $cells[$zone->value] = new SectionCell($zone, $bare, $seen, false, 0.0, $this->surface);
        }

        return new SectionRow($cells, OpticsQuality::Measured);
    }

    /**
     * @param  SectionRow  $start  what lies there already, such as the finish of the area that a decal lies on
     * @param  list<Layer>  $layers  in the order they are painted
     */
    public function onTop(SectionRow $start, array $layers): Section
    {
        $cells = array_map(fn (SectionCell $c): SectionCell => new SectionCell($c->zone, $c->inside, $this->seen($c->inside, $c->surface), false, 0.0, $c->surface), $start->cells);
        $quality = $start->quality;
        $rows = [new SectionRow($cells, $quality)];
        foreach ($layers as $layer) {
            $cells = array_map(fn (SectionCell $cell): SectionCell => $this->after($layer, $cell), $cells);
            $quality = $quality->orWorse($layer->mix->quality);
            $rows[] = new SectionRow($cells, $quality);
        }

        return new Section($rows);
    }

    /** @return float CIEDE2000 between a single dot or stroke of the layer and what it lies on */
    public function contrast(Layer $layer, SectionCell $beneath): float
    {
        $dot = $this->seen($layer->dot($beneath->zone, $beneath->inside), $beneath->surface);

        return DifferenceFormula::Ciede2000->between($this->seen($beneath->inside, $beneath->surface), $dot);
    }

    private function after(Layer $layer, SectionCell $before): SectionCell
    {
        if ($layer->coverage($before->zone) <= 0.0) {
            return new SectionCell($before->zone, $before->inside, $before->seen, false, 0.0, $before->surface);
        }
        $inside = $layer->over($before->zone, $before->inside);
        $surface = $layer->sheen === null ? $before->surface : Surface::of($layer->sheen);
        $seen = $this->seen($inside, $surface);

        return new SectionCell(
            $before->zone,
            $inside,
            $seen,
            true,
            DifferenceFormula::Ciede2000->between($before->seen, $seen),
            $surface,
        );
    }

    /** @return Lab of what lies inside a film, through its surface, under the light of the section */
    public function seen(Reflectance $inside, Surface $surface): Lab
    {
        return $this->sum->xyz($surface->seen($inside))->toLab();
    }
}
