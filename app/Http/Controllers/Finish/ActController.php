<?php

declare(strict_types=1);

namespace App\Http\Controllers\Finish;

use App\Actions\Finish\ActOnAreas;
use App\Adapters\Finish\AskedLayers;
use App\Adapters\Finish\LayerDraft;
use App\Http\Requests\LimitRule;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\RecipeVersion;
use App\Models\Painter;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Limit;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * One act over many areas, undone by its version.
 */
final class ActController
{
    /** @throws ValidationException when a pot is not on the shelf */
    public function layer(Request $request, Figure $figure, ActOnAreas $act, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate([
            ...self::AREAS,
            'isOnTop' => ['required', 'boolean'],
            'layer.technique' => ['required', Rule::enum(Technique::class)],
            'layer.zones' => ['sometimes', 'array', 'list', 'max:5'],
            'layer.zones.*' => ['required', Rule::enum(Zone::class)],
            'layer.thinner' => ['required', ...LimitRule::of(Limit::Thinner)],
            'layer.coats' => ['required', ...LimitRule::of(Limit::Coats)],
            'layer.mix' => ['required', 'array', 'list', 'min:1', 'max:8'],
            'layer.mix.*.paintId' => ['required', 'integer'],
            'layer.mix.*.drops' => ['required', ...LimitRule::of(Limit::Parts)],
        ]);
        $draft = AskedLayers::of([$request->array('layer')], $painter)[0] ?? throw ValidationException::withMessages(['layer' => 'Choose what is put on.']);

        return self::done($act->layer($figure, self::areas($request, $figure), $draft, $request->boolean('isOnTop')));
    }

    /** @throws ValidationException when the area that is copied has no layer, or is not the painter's */
    public function copy(Request $request, Figure $figure, ActOnAreas $act, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate([...self::AREAS, 'fromAreaId' => ['required', 'integer']]);
        $from = Area::query()->whereHas('figure', static fn ($q) => $q->where('painter_id', $painter->id))->with(['figure', 'layers.paints.paint'])->find($request->integer('fromAreaId'))
            ?? throw ValidationException::withMessages(['fromAreaId' => 'This area is not one of yours.']);
        $stack = LayerDraft::stackOf($from);
        if ($stack === []) {
            throw ValidationException::withMessages(['fromAreaId' => "{$from->name} has no layer to copy."]);
        }
        $areas = self::areas($request, $figure)->where('id', '!=', $from->id)->values();
        if ($areas->isEmpty()) {
            throw ValidationException::withMessages(['areaIds' => 'Choose another area to copy it to.']);
        }

        return self::done($act->copy($figure, $areas, $stack, $from->name));
    }

    private const AREAS = ['areaIds' => ['required', 'array', 'list', 'min:1', 'max:500'], 'areaIds.*' => ['integer']];

    /**
     * @return Collection<int, Area>
     *
     * @throws ValidationException when one of them is on another figure
     */
    private static function areas(Request $request, Figure $figure): Collection
    {
        $ids = array_unique(array_map(intval(...), array_filter($request->array('areaIds'), is_numeric(...))));
        $areas = $figure->areas()->whereKey($ids)->get();

        return $areas->count() === count($ids) ? $areas : throw ValidationException::withMessages(['areaIds' => 'One of these areas is not on this figure. Nothing was changed.']);
    }

    private static function done(RecipeVersion $kept): JsonResponse
    {
        return new JsonResponse(['kept' => $kept->id, 'why' => $kept->why]);
    }
}
