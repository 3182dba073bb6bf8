<?php

declare(strict_types=1);

namespace App\Http\Controllers\Finish;

use App\Http\Props\Finish\RecipeProps;
use App\Http\Props\PotProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The recipe book: every finish the painter has, found by colour, pot, figure or word.
 */
final class RecipesController
{
    public function index(Request $request, #[CurrentUser] Painter $painter): Response
    {
        $request->validate([
            'hex' => ['nullable', 'regex:/^#?[0-9a-fA-F]{6}\z/'],
            'word' => ['nullable', 'string', 'max:80'],
            'paintId' => ['nullable', 'integer'],
            'figureId' => ['nullable', 'integer'],
        ]);
        $hex = $request->filled('hex') ? '#'.ltrim($request->string('hex')->lower()->value(), '#') : null;
        $wanted = $hex === null ? null : Srgb::hex($hex)->toXyz()->toLab();

        return Inertia::render('recipes/index', [
            'recipes' => static fn () => self::recipes($request, $painter, $wanted),
            'hex' => $hex,
            'word' => static fn () => $request->string('word')->value(),
            'paintId' => static fn () => $request->integer('paintId') ?: null,
            'figureId' => static fn () => $request->integer('figureId') ?: null,
            'pots' => static fn () => array_values($painter->paints->map(static fn (Paint $p) => PotProps::of($p))->all()),
            'figures' => static fn () => array_values($painter->figures->map(static fn (Figure $f): array => ['id' => $f->id, 'name' => $f->name])->all()),
        ]);
    }

    /** @return list<RecipeProps> nearest to the wanted colour first; without one, in the order of the figures */
    private static function recipes(Request $request, Painter $painter, ?Lab $wanted): array
    {
        $recipes = array_values(self::areas($request, $painter)->get()->map(static fn (Area $a): RecipeProps => RecipeProps::of($a, $wanted))->all());
        if ($wanted !== null) {
            usort($recipes, static fn (RecipeProps $p, RecipeProps $q): int => $p->difference <=> $q->difference);
        }

        return $recipes;
    }

    /** @return Builder<Area> */
    private static function areas(Request $request, Painter $painter): Builder
    {
        $word = '%'.strtr(mb_strtolower($request->string('word')->trim()->value()), ['!' => '!!', '%' => '!%', '_' => '!_']).'%';
        $like = static fn (string $column): string => "lower({$column}) like ? escape '!'";

        return Area::query()->whereHas('layers')->with(['layers.paints.paint', 'figure', 'part'])
            ->whereHas(
                'figure',
                static fn (Builder $q) => $q->where('painter_id', $painter->id)->when($request->filled('figureId'), static fn (Builder $f) => $f->whereKey($request->integer('figureId'))),
            )
            ->when($request->filled('paintId'), static fn (Builder $q) => $q->whereHas('layers.paints', static fn (Builder $p) => $p->where('paint_id', $request->integer('paintId'))))
            ->when($request->filled('word'), static fn (Builder $q) => $q->where(static fn (Builder $any) => $any
                ->whereRaw($like('areas.name'), [$word])->orWhereRaw($like('areas.wish'), [$word])
                ->orWhereHas('figure', static fn (Builder $f) => $f->whereRaw($like('figures.name'), [$word]))
                ->orWhereHas('layers', static fn (Builder $l) => $l->whereRaw($like('technique'), [$word])->orWhereRaw($like('note'), [$word]))
                ->orWhereHas('layers.paints.paint', static fn (Builder $p) => $p->whereRaw($like('paints.name'), [$word]))))
            ->orderBy('figure_id')->orderBy('position');
    }
}
