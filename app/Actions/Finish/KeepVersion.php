<?php

declare(strict_types=1);

namespace App\Actions\Finish;

use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Figure;
use App\Models\Finish\RecipeVersion;
use App\Models\NextNumber;

/**
 * Keeps the finishes of a figure as they stand, before something replaces them: any version can come back.
 *
 * @phpstan-import-type KeptLayer from RecipeVersion
 */
final class KeepVersion
{
    public function __invoke(Figure $figure, string $why, ?int $runId = null): RecipeVersion
    {
        $finishes = [];
        foreach ($figure->areas()->with(['layers.paints.paint', 'part'])->get() as $area) {
            $finishes[] = ['areaId' => $area->id, 'area' => $area->name, 'layers' => self::layers(LayerDraft::stackOf($area))];
        }

        return $figure->versions()->create(['number' => NextNumber::of($figure->versions(), 'number'), 'run_id' => $runId, 'why' => $why, 'finishes' => $finishes]);
    }

    /**
     * @param  list<LayerDraft>  $drafts
     * @return list<KeptLayer>
     */
    public static function layers(array $drafts): array
    {
        return array_map(static fn (LayerDraft $d): array => [
            'key' => $d->key,
            'technique' => $d->technique->value,
            'zones' => array_column($d->zones, 'value'),
            'thinner' => $d->thinner,
            'coats' => $d->coats,
            'note' => $d->note,
            'mix' => array_map(static fn (array $e): array => ['paintId' => $e[0]->id, 'drops' => $e[1]], $d->mix),
        ], $drafts);
    }
}
