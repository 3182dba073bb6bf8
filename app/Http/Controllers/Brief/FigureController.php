<?php

declare(strict_types=1);

namespace App\Http\Controllers\Brief;

use App\Actions\Brief\DeleteFigure;
use App\Actions\SaveVersioned;
use App\Http\Props\Brief\FigureProps;
use App\Http\Requests\Brief\FigureRequest;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class FigureController
{
    public function store(FigureRequest $request, #[CurrentUser] Painter $painter): RedirectResponse
    {
        $figure = new Figure($request->attributesOfFigure());
        $figure->painter_id = $painter->id;
        $figure->save();

        return redirect()->route($figure->is_guided ? 'figures.references' : 'figures.brief', $figure);
    }

    public function update(
        FigureRequest $request,
        Figure $figure,
        SaveVersioned $save,
        #[CurrentUser] Painter $painter,
    ): JsonResponse {
        $show = static fn (Figure $f): FigureProps => FigureProps::of($f, 'Brief');
        $save(
            $painter->id,
            $figure,
            $request->integer('version'),
            $request->validated(),
            static function (Figure $figure) use ($request): void {
                $figure->fill($request->attributesOfFigure());
            },
            $show,
        );

        return new JsonResponse($show($figure));
    }

    /** On the way to the first session, or off it: at any point. */
    public function guide(Request $request, Figure $figure): JsonResponse
    {
        $request->validate(['on' => ['required', 'boolean']]);
        $figure->update(['is_guided' => $request->boolean('on')]);

        return new JsonResponse(['on' => $figure->is_guided]);
    }

    public function destroy(Figure $figure, DeleteFigure $delete): RedirectResponse
    {
        $delete($figure);

        return redirect()->route('home');
    }
}
