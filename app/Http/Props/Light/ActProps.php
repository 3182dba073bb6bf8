<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Adapters\Light\AreaHistory;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;

/**
 * The immediate changes of an act on areas. Numbers follow when the painter pauses.
 */
final readonly class ActProps
{
    /**
     * @param  string|null  $areasUrl  of which area the triangles of the view are
     * @param  bool  $canUndo  the last act of giving part of the mesh to an area
     * @param  int|null  $lastAct  its number
     * @param  bool  $isMeasured  whether the numbers are those of the areas as they are now
     */
    public function __construct(
        public ?string $areasUrl,
        public bool $canUndo,
        public bool $canRedo,
        public ?int $lastAct,
        public bool $isMeasured,
    ) {
    }

    public static function of(Figure $figure, LightRecord $light): self
    {
        $study = StoredStudy::of($light);
        $history = $study === null ? null : AreaHistory::of($study);

        return new self(
            $study === null || $light->result === null ? null : route('light.areas', [$figure, 'of' => $study->stampOfAreas()], false),
            $history?->canGoBack() ?? false,
            $history?->canGoForth() ?? false,
            $history?->last(),
            $study?->isMeasured($light) ?? true,
        );
    }
}
