<?php

declare(strict_types=1);

namespace App\Http\Controllers\Finish;

use App\Actions\Finish\KeepVersion;
use App\Actions\Finish\SaveFinish;
use App\Actions\SaveVersioned;
use App\Adapters\Finish\LayerDraft;
use App\Http\Props\Brief\AreaProps;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Finish\AreaFinishProps;
use App\Http\Props\Finish\CopySourceProps;
use App\Http\Props\Finish\LayerProps;
use App\Http\Props\Finish\SectionProps;
use App\Http\Props\Finish\TechniqueProps;
use App\Http\Props\PotProps;
use App\Http\Requests\Finish\FinishRequest;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Shelf\TechniqueHand;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The stack of layers of each area, and the section it gives.
 */
final class FinishController
{
    public function show(Figure $figure, #[CurrentUser] Painter $painter, ?Area $area = null): Response
    {
        $open = $area?->exists ? $area : $figure->areas()->first();

        return Inertia::render('finishes/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Finishes'),
            'areas' => static fn () => AreaProps::allOf($figure),
            'sources' => Inertia::defer(static fn (): array => CopySourceProps::all($painter), 'sources'),
            'area' => static fn () => $open === null ? null : AreaFinishProps::of($figure, $open),
            'pots' => static fn () => array_values($painter->paints->map(static fn (Paint $p) => PotProps::of($p))->all()),
            'techniques' => static fn () => TechniqueProps::all(
                $painter->paints,
                array_values(TechniqueHand::query()->where('painter_id', $painter->id)->get()->map(static fn (TechniqueHand $h): string => $h->technique->value)->all()),
            ),
        ]);
    }

    /** Predicts layers that are not saved yet. */
    public function section(FinishRequest $request, Figure $figure, Area $area, #[CurrentUser] Painter $painter): JsonResponse
    {
        return new JsonResponse(SectionProps::predict($figure, $area, $request->drafts($painter)));
    }

    /** The layers as they are stored. */
    public function layers(Figure $figure, Area $area): JsonResponse
    {
        return new JsonResponse(array_map(LayerProps::of(...), LayerDraft::stackOf($area->load('layers.paints.paint'))));
    }

    public function update(
        FinishRequest $request,
        Figure $figure,
        Area $area,
        SaveVersioned $save,
        SaveFinish $saveFinish,
        KeepVersion $keep,
        #[CurrentUser] Painter $painter,
    ): JsonResponse {
        $drafts = $request->drafts($painter);
        $why = $request->filled('keepAs') ? $request->string('keepAs')->value() : null;
        $kept = null;
        $save(
            $painter->id,
            $area,
            $request->integer('version'),
            $request->validated(),
            static function (Area $area) use ($saveFinish, $drafts, $why, $keep, $figure, &$kept): void {
                // What replaces a finish made by hand can be taken back.
                $kept = $why !== null && $area->layers()->exists() ? $keep($figure, $why)->id : null;
                $saveFinish($area, $drafts);
            },
            static fn (Area $area): AreaFinishProps => AreaFinishProps::of($figure, $area),
        );

        return new JsonResponse(['version' => $area->version, 'kept' => $kept]);
    }
}
