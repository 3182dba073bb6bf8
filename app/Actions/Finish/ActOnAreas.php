<?php

declare(strict_types=1);

namespace App\Actions\Finish;

use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\RecipeVersion;
use Closure;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * One act over many areas: a layer on top of or beneath what each has, or the finish of another area. What each had is kept
 * as a version.
 */
final readonly class ActOnAreas
{
    public function __construct(private SaveFinish $save, private KeepVersion $keep)
    {
    }

    /** @param  Collection<int, Area>  $areas  of the figure */
    public function layer(Figure $figure, Collection $areas, LayerDraft $layer, bool $isOnTop): RecipeVersion
    {
        $why = "before {$layer->technique->value} ".($isOnTop ? 'over' : 'beneath').' '.self::words($areas);

        return $this->act($figure, $areas, $why, static fn (array $stack): array => $isOnTop ? [...$stack, self::again($layer)] : [self::again($layer), ...$stack]);
    }

    /**
     * @param  Collection<int, Area>  $areas  of the figure
     * @param  list<LayerDraft>  $stack  of the area that is copied
     */
    public function copy(Figure $figure, Collection $areas, array $stack, string $from): RecipeVersion
    {
        return $this->act($figure, $areas, "before the finish of {$from} was copied to ".self::words($areas), static fn (): array => array_map(self::again(...), $stack));
    }

    /**
     * @param  Collection<int, Area>  $areas
     * @param  Closure(list<LayerDraft>): list<LayerDraft>  $change
     */
    private function act(Figure $figure, Collection $areas, string $why, Closure $change): RecipeVersion
    {
        return DB::transaction(function () use ($figure, $areas, $why, $change): RecipeVersion {
            $kept = ($this->keep)($figure, mb_substr($why, 0, 250));
            foreach ($areas->load('layers.paints.paint') as $area) {
                ($this->save)($area, $change(LayerDraft::stackOf($area)));
                $area->update(['version' => $area->version + 1]);
            }

            return $kept;
        });
    }

    /** A layer of its own on each area: a key names one layer of one area. */
    private static function again(LayerDraft $d): LayerDraft
    {
        return new LayerDraft(Str::ulid()->toBase32(), $d->technique, $d->zones, $d->thinner, $d->coats, $d->mix, $d->note);
    }

    /** @param  Collection<int, Area>  $areas */
    private static function words(Collection $areas): string
    {
        return $areas->count() === 1 ? (string) $areas->first()?->name : "{$areas->count()} areas";
    }
}
