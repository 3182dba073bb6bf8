<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Actions\Finish\KeepVersion;
use App\Actions\Finish\SaveFinish;
use App\Adapters\Bench\RunFinish;
use App\Adapters\Finish\LayerDraft;
use App\Models\Bench\Run;
use App\Models\Brief\Figure;
use App\Models\Finish\RecipeVersion;
use App\Models\Shelf\Paint;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * What was done becomes the recipe; what the recipe was before is kept as a version, and any version can come back.
 *
 * @phpstan-import-type KeptFinish from RecipeVersion
 */
final readonly class AdoptRun
{
    public function __construct(private SaveFinish $save, private KeepVersion $keep)
    {
    }

    /** @return int areas whose finish changed; nothing is written when none did */
    public function __invoke(Run $run): int
    {
        return DB::transaction(function () use ($run): int {
            $figure = $run->figure()->firstOrFail();
            $changes = [];
            foreach ($figure->areas()->with(['layers.paints.paint', 'part'])->get() as $area) {
                $done = RunFinish::of($area, $run);
                if ($done !== [] && KeepVersion::layers($done) !== KeepVersion::layers(LayerDraft::stackOf($area))) {
                    $changes[] = [$area, self::withOwnKeys($done)];
                }
            }
            if ($changes !== []) {
                ($this->keep)($figure, "before run {$run->number} became the recipe", $run->id);
            }
            foreach ($changes as [$area, $drafts]) {
                ($this->save)($area, $drafts);
                $area->update(['version' => $area->version + 1]);
            }

            return count($changes);
        });
    }

    /** Back to a version; what stands now is kept as another one. */
    public function restore(Figure $figure, RecipeVersion $version): void
    {
        DB::transaction(function () use ($figure, $version): void {
            ($this->keep)($figure, "before version {$version->number} was restored");
            foreach ($version->finishes as $finish) {
                $area = $figure->areas()->find($finish['areaId']);
                if ($area !== null) {
                    ($this->save)($area, self::drafts($finish));
                    $area->update(['version' => $area->version + 1]);
                }
            }
        });
    }

    /**
     * A layer that was done twice is two layers from now on.
     *
     * @param  list<LayerDraft>  $drafts
     * @return list<LayerDraft>
     */
    private static function withOwnKeys(array $drafts): array
    {
        $seen = [];
        foreach ($drafts as $n => $d) {
            $drafts[$n] = isset($seen[$d->key]) ? new LayerDraft(Str::ulid()->toBase32(), $d->technique, $d->zones, $d->thinner, $d->coats, $d->mix, $d->note) : $d;
            $seen[$d->key] = true;
        }

        return array_values($drafts);
    }

    /**
     * @param  KeptFinish  $finish
     * @return list<LayerDraft>
     */
    private static function drafts(array $finish): array
    {
        $drafts = [];
        foreach ($finish['layers'] as $layer) {
            $mix = [];
            foreach ($layer['mix'] as $entry) {
                $mix[] = [Paint::withTrashed()->findOrFail($entry['paintId']), $entry['drops']];
            }
            $zones = array_map(Zone::from(...), $layer['zones']);
            $technique = Technique::from($layer['technique']);
            if ($mix !== []) {
                $drafts[] = new LayerDraft($layer['key'], $technique, $zones ?: $technique->spec()->usualZones, (float) $layer['thinner'], $layer['coats'], $mix, $layer['note']);
            }
        }

        return $drafts;
    }
}
