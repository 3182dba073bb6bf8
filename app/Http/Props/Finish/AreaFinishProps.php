<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Http\Props\References\SampleProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\References\Sample;
use Hyalin\Finish\AreaForm;
use Hyalin\Optics\Sheen;

/**
 * The finish of one area with what it gives.
 */
final readonly class AreaFinishProps
{
    /**
     * @param  list<LayerProps>  $layers
     * @param  list<SampleProps>  $samples
     * @param  Sheen  $sheen  its own, or that of the figure
     * @param  float  $darkest  L* that nothing of this sheen is darker than
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?string $wish,
        public int $version,
        public array $layers,
        public SectionProps $section,
        public array $samples,
        public Sheen $sheen,
        public float $darkest,
        public AreaForm $form,
    ) {
    }

    public static function of(Figure $figure, Area $area): self
    {
        $area->load(['layers.paints.paint', 'samples']);
        $drafts = LayerDraft::stackOf($area);
        $sheen = FigureOptics::sheen($figure, $area);

        return new self(
            $area->id,
            $area->name,
            $area->wish,
            version: $area->version,
            layers: array_map(LayerProps::of(...), $drafts),
            section: SectionProps::predict($figure, $area, $drafts),
            samples: array_values($area->samples->map(static fn (Sample $s) => SampleProps::of($s))->all()),
            sheen: $sheen,
            darkest: $sheen->darkest(),
            form: $area->form,
        );
    }
}
