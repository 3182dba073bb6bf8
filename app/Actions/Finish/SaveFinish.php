<?php

declare(strict_types=1);

namespace App\Actions\Finish;

use App\Actions\SaveVersioned;
use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;

/**
 * Replaces the stack of layers of an area. Layers keep their keys, which the notes of runs hang on. Runs inside the
 * transaction of SaveVersioned.
 */
final class SaveFinish
{
    /** @param  list<LayerDraft>  $drafts */
    public function __invoke(Area $area, array $drafts): void
    {
        $area->layers()->delete();
        foreach ($drafts as $position => $draft) {
            $layer = $area->layers()->create([
                'key' => $draft->key,
                'position' => $position,
                'technique' => $draft->technique,
                'zones' => $draft->zones,
                'thinner' => $draft->thinner,
                'coats' => $draft->coats,
                'note' => $draft->note,
            ]);
            foreach ($draft->mix as $place => [$paint, $drops]) {
                $layer->paints()->create(['paint_id' => $paint->id, 'drops' => $drops, 'position' => $place]);
            }
        }
    }
}
