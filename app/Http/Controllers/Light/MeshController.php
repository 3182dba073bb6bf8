<?php

declare(strict_types=1);

namespace App\Http\Controllers\Light;

use App\Actions\Light\AttachPart;
use App\Adapters\Light\AssembledFigure;
use App\Adapters\StoredFile;
use App\Http\Props\Light\MeshProps;
use App\Http\Requests\Light\PointRule;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * The print files of a figure, and how they stand on it.
 */
final class MeshController
{
    public function update(Request $request, Figure $figure, FigureMesh $mesh): JsonResponse
    {
        $request->validate([
            'partId' => ['sometimes', 'nullable', 'integer', Rule::exists('parts', 'id')->where('figure_id', $figure->id)],
            'unitMm' => ['sometimes', 'numeric', 'gt:0', 'max:1000'],
            'move' => ['sometimes', 'array', 'list', 'size:3'],
            'move.*' => ['numeric', 'between:-10000,10000'],
            'turn' => ['sometimes', 'numeric', 'between:-360,360'],
            'mirror' => ['sometimes', 'boolean'],
        ]);
        $mesh->part_id = $request->has('partId') ? ($request->filled('partId') ? $request->integer('partId') : null) : $mesh->part_id;
        $mesh->unit_mm = $request->has('unitMm') ? $request->float('unitMm') : $mesh->unit_mm;
        $move = array_values(array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, $request->array('move')));
        $pose = $mesh->pose ?? [];
        if ($request->hasAny(['move', 'turn', 'mirror', 'unitMm'])) {
            // Moved by hand it stands at its joint no more: turning it there would swing it about an empty place.
            unset($pose['joint']);
        }
        $mesh->pose = [
            ...$pose,
            'move' => count($move) === 3 ? $move : ($mesh->pose['move'] ?? [0.0, 0.0, 0.0]),
            'turn' => $request->has('turn') ? $request->float('turn') : ($mesh->pose['turn'] ?? 0.0),
            'mirror' => $request->boolean('mirror', $mesh->pose['mirror'] ?? false),
        ];
        $mesh->save();

        return new JsonResponse(MeshProps::of($mesh));
    }

    public function destroy(Figure $figure, FigureMesh $mesh): JsonResponse
    {
        $mesh->delete();
        StoredFile::forget($mesh->path);

        return new JsonResponse(['message' => 'The file was removed.']);
    }

    /** @throws ValidationException when both places are one part */
    public function join(Request $request, Figure $figure, AttachPart $join): JsonResponse
    {
        $request->validate(['at' => PointRule::LIST, 'at.*' => PointRule::EACH, 'onto' => PointRule::LIST, 'onto.*' => PointRule::EACH]);
        $light = LightRecord::ofFigure($figure);
        if ($light->path === null || AssembledFigure::isStale($figure, $light)) {
            throw ValidationException::withMessages(['at' => 'Calculate the lighting first: the view shows the earlier positions.']);
        }
        $mesh = $join($figure, $light, PointRule::of($request->array('at')), PointRule::of($request->array('onto')));

        return new JsonResponse(['message' => "\"{$mesh->title}\" was attached.", 'mesh' => MeshProps::of($mesh)]);
    }

    /** @throws ValidationException when it is set on no other part */
    public function turnAtJoint(Request $request, Figure $figure, FigureMesh $mesh, AttachPart $join): JsonResponse
    {
        $request->validate(['degrees' => ['required', 'numeric', 'between:-180,180']]);
        $join->turn($mesh, LightRecord::ofFigure($figure), $request->float('degrees'));

        return new JsonResponse(MeshProps::of($mesh));
    }
}
