<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Hyalin\Finish\AreaForm;

/**
 * One area on the card.
 */
final readonly class CardAreaProps
{
    /** @param  list<LayerProps>  $layers */
    public function __construct(
        public string $name,
        public ?string $partName,
        public ?string $wish,
        public AreaForm $form,
        public array $layers,
        public SectionProps $section,
    ) {
    }

    /** @return list<self> the areas that have a finish */
    public static function allOf(Figure $figure): array
    {
        $cards = [];
        foreach ($figure->areasWithFinishes()->loadMissing('samples') as $area) {
            if ($area->layers->isNotEmpty()) {
                $cards[] = self::of($figure, $area);
            }
        }

        return $cards;
    }

    private static function of(Figure $figure, Area $area): self
    {
        $drafts = LayerDraft::stackOf($area);

        return new self(
            $area->name,
            $area->part?->name,
            $area->wish,
            $area->form,
            array_map(static fn (LayerDraft $d) => LayerProps::of($d), $drafts),
            SectionProps::predict($figure, $area, $drafts, false),
        );
    }
}
