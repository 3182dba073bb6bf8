<?php

declare(strict_types=1);

namespace App\Adapters;

use App\Models\Figure;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;

/**
 * What the core needs to know of a figure: its bare print, its sheen, the light it is looked at in.
 */
final readonly class FigureOptics
{
    private function __construct(
        public Reflectance $bare,
        public Surface $surface,
        public SectionPrediction $prediction,
    ) {
    }

    public static function of(Figure $figure): self
    {
        $surface = Surface::of($figure->sheen);

        return new self(
            Surface::of(Sheen::Gloss)->inside(SpectralRecovery::of(Srgb::hex($figure->bare_hex)->toXyz())),
            $surface,
            SectionPrediction::under($figure->light, $surface),
        );
    }

    /** @param  list<LayerDraft>  $layers */
    public function section(array $layers): Section
    {
        return $this->prediction->of($this->bare, array_map(static fn (LayerDraft $l) => $l->toLayer(), $layers));
    }
}
