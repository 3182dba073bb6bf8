<?php

declare(strict_types=1);

namespace App\Actions\Finish;

use App\Actions\SaveVersioned;
use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;
use Hyalin\Limit;
use Hyalin\Pot\DropCount;
use Hyalin\Pot\Volume;

/**
 * Replaces the stack of layers of an area. Layers keep their keys, which the notes of runs hang on. Runs inside the
 * transaction of SaveVersioned.
 */
final class SaveFinish
{
    private const MOST_PARTS = 60;

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
            $parts = self::whole($draft);
            foreach ($draft->mix as $place => [$paint]) {
                $layer->paints()->create(['paint_id' => $paint->id, 'drops' => $parts[$place], 'position' => $place]);
            }
        }
    }

    /** @return list<int> a plan is in whole parts within their limit; what a cup held becomes the nearest of about MOST_PARTS */
    private static function whole(LayerDraft $draft): array
    {
        $parts = array_column($draft->mix, 1);
        $isPlan = array_filter($parts, static fn (int|float $p): bool => ! is_int($p) || ! Limit::Parts->holds($p)) === [];
        $whole = $isPlan || $parts === [] ? array_map(intval(...), $parts) : DropCount::of($parts, [], Volume::parts(self::MOST_PARTS)->millilitres);

        return array_map(static fn (int $p): int => (int) min(Limit::Parts->most(), $p), $whole);
    }
}
