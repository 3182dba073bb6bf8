<?php

declare(strict_types=1);

namespace App\Http\Controllers\Light;

use App\Actions\Light\AssignArea;
use App\Http\Props\Light\ActProps;
use App\Http\Props\Light\LightProps;
use App\Http\Requests\Light\PointRule;
use App\Jobs\ProposeLitAreas;
use App\Jobs\SetLitGradient;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * Which part of the mesh is which area.
 */
final class LitAreasController
{
    /** @throws ValidationException when no light is computed yet, or the area is of another figure */
    public function assign(Request $request, Figure $figure, AssignArea $assign): JsonResponse
    {
        $request->validate([
            'at' => ['required', new PointRule],
            'tool' => ['required', Rule::in(['piece', 'crease', 'brush'])],
            'size' => ['required', 'numeric', 'between:0.1,180'],
            'areaId' => ['nullable', 'integer', self::own($figure)],
            'instead' => ['nullable', 'integer'],
        ]);
        $light = self::lit($figure);
        $isDone = $assign($light, PointRule::of($request->array('at')), $request->string('tool')->value(), $request->float('size'), $request->integer('areaId'), $request->filled('instead') ? $request->integer('instead') : null);

        return $isDone ? new JsonResponse(ActProps::of($figure, $light)) : throw ValidationException::withMessages(['instead' => 'Something else was changed since. Click again to fill.']);
    }

    /**
     * Everything that hangs together with the seeds is divided between them.
     *
     * @throws ValidationException
     */
    public function divide(Request $request, Figure $figure, AssignArea $assign): JsonResponse
    {
        $request->validate([
            'seeds' => ['required', 'array', 'list', 'between:2,60'],
            'seeds.*.at' => ['required', new PointRule],
            'seeds.*.areaId' => ['required', 'integer', self::own($figure)],
        ]);
        $seeds = [];
        foreach ($request->array('seeds') as $seed) {
            if (is_array($seed) && is_array($seed['at'] ?? null) && is_numeric($seed['areaId'] ?? null)) {
                $seeds[] = [PointRule::of($seed['at']), (int) $seed['areaId']];
            }
        }
        $light = self::lit($figure);
        if ($seeds !== [] && ! $assign->divide($light, $seeds)) {
            throw ValidationException::withMessages(['seeds' => 'All of it was chosen for other areas: take some away first, or give seeds to those as well.']);
        }

        return new JsonResponse(ActProps::of($figure, $light));
    }

    /**
     * What a line around it closes in.
     *
     * @throws ValidationException when it closes nothing in
     */
    public function lasso(Request $request, Figure $figure, AssignArea $assign): JsonResponse
    {
        $request->validate([
            'points' => ['required', 'array', 'list', 'between:3,60'],
            'points.*' => ['required', new PointRule],
            'areaId' => ['nullable', 'integer', self::own($figure)],
        ]);
        $points = array_values(array_map(PointRule::of(...), array_filter($request->array('points'), is_array(...))));
        $light = self::lit($figure);
        if (! $assign->lasso($light, $points, $request->integer('areaId'))) {
            throw ValidationException::withMessages(['points' => 'The line closes nothing in: click at least three points around the place.']);
        }

        return new JsonResponse(ActProps::of($figure, $light));
    }

    /**
     * The border of an area moves along the surface.
     *
     * @throws ValidationException when there is none
     */
    public function grow(Request $request, Figure $figure, AssignArea $assign): JsonResponse
    {
        $request->validate(['areaId' => ['required', 'integer', self::own($figure)], 'mm' => ['required', 'numeric', 'between:-50,50', 'not_in:0']]);
        $light = self::lit($figure);
        if (! $assign->grow($light, $request->integer('areaId'), $request->float('mm'))) {
            throw ValidationException::withMessages(['areaId' => 'No border to move: this area has none of the mesh, or all of it. Fill or brush first.']);
        }

        return new JsonResponse(ActProps::of($figure, $light));
    }

    /**
     * The other side of an area.
     *
     * @throws ValidationException when the figure looks otherwise there
     */
    public function mirror(Request $request, Figure $figure, AssignArea $assign): JsonResponse
    {
        $request->validate(['areaId' => ['required', 'integer', self::own($figure)], 'toId' => ['nullable', 'integer', self::own($figure)]]);
        $light = self::lit($figure);
        $area = $request->integer('areaId');
        if (! $assign->mirror($light, $area, $request->filled('toId') ? $request->integer('toId') : $area)) {
            throw ValidationException::withMessages(['areaId' => 'Nothing on the other side looks like this area. Fill or brush it there.']);
        }

        return new JsonResponse(ActProps::of($figure, $light));
    }

    /**
     * The zones of an area as places along it, or as depths again.
     *
     * @throws ValidationException when root and tip are one point, or the area has no extent from one to the other
     */
    public function gradient(Request $request, Figure $figure, Area $area): JsonResponse
    {
        $request->validate([
            'isGradient' => ['required', 'boolean'],
            'from' => ['nullable', 'required_with:to', new PointRule],
            'to' => ['nullable', 'required_with:from', new PointRule],
            'along' => ['sometimes', Rule::in(['side', 'front'])],
        ]);
        $light = self::lit($figure);
        $points = $request->filled('from') ? ['from' => PointRule::of($request->array('from')), 'to' => PointRule::of($request->array('to'))] : null;
        if ($points !== null && $points['from'] === $points['to']) {
            throw ValidationException::withMessages(['to' => 'Root and tip must be two points.']);
        }
        $along = match (true) {
            ! $request->boolean('isGradient') || $points !== null => null,
            $request->input('along') === 'front' => 'front',
            $request->input('along') === 'side' => 'side',
            default => 'up',
        };
        (new SetLitGradient($light, $area, $request->boolean('isGradient') ? $points : null, $along))->begin($figure);

        return new JsonResponse(LightProps::of($figure->refresh()));
    }

    /**
     * A first proposal: what is no area yet becomes areas of the brief.
     *
     * @throws ValidationException when nothing large is left
     */
    public function propose(Figure $figure): JsonResponse
    {
        (new ProposeLitAreas($figure, self::lit($figure)))->begin($figure);

        return new JsonResponse(LightProps::of($figure));
    }

    /** @throws ValidationException when there is nothing to take back */
    public function undo(Figure $figure, AssignArea $assign): JsonResponse
    {
        return $assign->undo(self::lit($figure)) ? new JsonResponse(LightProps::of($figure)) : throw ValidationException::withMessages(['areas' => 'There is nothing to undo.']);
    }

    /** @throws ValidationException when there is nothing to do again */
    public function redo(Figure $figure, AssignArea $assign): JsonResponse
    {
        return $assign->redo(self::lit($figure)) ? new JsonResponse(LightProps::of($figure)) : throw ValidationException::withMessages(['areas' => 'There is nothing to redo.']);
    }

    private static function own(Figure $figure): mixed
    {
        // Asked for once, and not for every seed of a division.
        return Rule::in($figure->areas()->pluck('id')->all());
    }

    /** @throws ValidationException when no light is computed yet */
    private static function lit(Figure $figure): LightRecord
    {
        $light = LightRecord::ofFigure($figure);

        return $light->path === null || $light->result === null ? throw ValidationException::withMessages(['at' => 'Calculate the lighting first.']) : $light;
    }
}
