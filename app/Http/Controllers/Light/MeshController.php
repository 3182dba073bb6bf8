<?php

declare(strict_types=1);

namespace App\Http\Controllers\Light;

use App\Actions\Light\AttachPart;
use App\Actions\Light\FitParts;
use App\Actions\Light\MendMesh;
use App\Actions\Light\PoseParts;
use App\Adapters\Light\BareMesh;
use App\Adapters\StoredFile;
use App\Http\Props\Light\MeshProps;
use App\Http\Requests\Light\PointRule;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use Hyalin\InvalidInput;
use Hyalin\Light\Pose;
use Hyalin\Mesh\FindingKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * The print files of a figure, and how they stand on it.
 */
final class MeshController
{
    public function update(Request $request, Figure $figure, FigureMesh $mesh, PoseParts $poseParts): JsonResponse
    {
        $request->validate([
            'partId' => ['sometimes', 'nullable', 'integer', Rule::exists('parts', 'id')->where('figure_id', $figure->id)],
            'unitMm' => ['sometimes', 'numeric', 'gt:0', 'max:1000'],
            'move' => ['sometimes', 'array', 'list', 'size:3'],
            'move.*' => ['numeric', 'between:-10000,10000'],
            'rotation' => ['sometimes', 'array', 'list', 'size:4'],
            'rotation.*' => ['numeric', 'between:-1.001,1.001'],
            'turnBy' => ['sometimes', 'array'],
            'turnBy.axis' => ['required_with:turnBy', Rule::in(['x', 'y', 'z'])],
            'turnBy.degrees' => ['required_with:turnBy', 'numeric', 'between:-360,360'],
            'mirror' => ['sometimes', 'boolean'],
            'detach' => ['sometimes', 'boolean'],
        ]);
        if ($request->hasAny(['partId', 'unitMm'])) {
            $mesh->part_id = $request->has('partId') ? ($request->filled('partId') ? $request->integer('partId') : null) : $mesh->part_id;
            $mesh->unit_mm = $request->has('unitMm') ? $request->float('unitMm') : $mesh->unit_mm;
            $mesh->save();
        }
        $light = LightRecord::ofFigure($figure);
        if ($request->hasAny(['move', 'rotation', 'turnBy', 'mirror', 'detach'])) {
            $poseParts->byHand($figure, $mesh, self::posed($request, $mesh, $mesh->stands($light->axis())), $request->boolean('detach'));
        }

        return new JsonResponse(MeshProps::of($mesh->refresh(), $light));
    }

    /** @throws ValidationException when the rotation is none */
    private static function posed(Request $request, FigureMesh $mesh, Pose $pose): Pose
    {
        $numbers = static fn (string $key): array => array_values(array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, $request->array($key)));
        [$move, $rotation] = [$numbers('move'), $numbers('rotation')];
        try {
            $pose = Pose::of(
                isset($move[0], $move[1], $move[2]) ? [$move[0], $move[1], $move[2]] : $pose->move,
                isset($rotation[0], $rotation[1], $rotation[2], $rotation[3]) ? [$rotation[0], $rotation[1], $rotation[2], $rotation[3]] : $pose->rotation,
                $pose->mirrored,
                $pose->scale,
            );
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['rotation' => ucfirst($e->getMessage()).'.']);
        }
        // Turned and mirrored about its own middle: it stays where it is.
        [$low, $high] = $mesh->measures['boundsMm'];
        $middle = [($low[0] + $high[0]) / 2, ($low[1] + $high[1]) / 2, ($low[2] + $high[2]) / 2];
        if ($request->has('turnBy')) {
            $axis = ['x' => [1.0, 0.0, 0.0], 'y' => [0.0, 1.0, 0.0], 'z' => [0.0, 0.0, 1.0]][$request->string('turnBy.axis')->value()] ?? [0.0, 0.0, 1.0];
            $pose = $pose->turnedAt($pose->place($middle), $axis, $request->float('turnBy.degrees'));
        }
        if ($request->has('mirror') && $request->boolean('mirror') !== $pose->mirrored) {
            $pose = $pose->mirroredAt($middle);
        }

        return $pose;
    }

    public function destroy(Figure $figure, FigureMesh $mesh): JsonResponse
    {
        $mesh->delete();
        foreach ($mesh->files() as $path) {
            StoredFile::forget($path);
        }

        return new JsonResponse(['message' => 'The file was removed.']);
    }

    /**
     * What was found in a file is left out, or put back.
     *
     * @throws ValidationException when nothing of the kind was found
     */
    public function mend(Request $request, Figure $figure, FigureMesh $mesh, MendMesh $mend): JsonResponse
    {
        $request->validate(['kind' => ['required', Rule::enum(FindingKind::class)], 'isMended' => ['required', 'boolean']]);
        $mend($mesh, FindingKind::from($request->string('kind')->value()), $request->boolean('isMended'));

        return new JsonResponse(MeshProps::of($mesh->refresh(), LightRecord::ofFigure($figure)));
    }

    /**
     * A plate of several parts becomes as many files, or one again.
     *
     * @throws ValidationException when it holds one part only, or was never pulled apart
     */
    public function pullApart(Request $request, Figure $figure, FigureMesh $mesh, MendMesh $mend): JsonResponse
    {
        $request->validate(['isApart' => ['sometimes', 'boolean']]);
        if (! $request->boolean('isApart', true)) {
            return new JsonResponse(['message' => "\"{$mend->putTogether($mesh)->title}\" is one print file again."]);
        }

        return new JsonResponse(['message' => "\"{$mesh->title}\" became {$mend->pullApart($mesh)} print files."]);
    }

    /**
     * Face on face.
     *
     * @throws ValidationException when both places are one part
     */
    public function join(Request $request, Figure $figure, AttachPart $join): JsonResponse
    {
        $own = Rule::exists('meshes', 'id')->where('figure_id', $figure->id);
        $request->validate([
            'part' => ['required', 'integer', $own],
            'at' => ['required', new PointRule],
            'onto' => ['required', 'integer', $own],
            'ontoAt' => ['required', new PointRule],
        ]);
        $part = $figure->meshes()->findOrFail($request->integer('part'));
        $join($figure, $part, PointRule::of($request->array('at')), $figure->meshes()->findOrFail($request->integer('onto')), PointRule::of($request->array('ontoAt')));

        return new JsonResponse(['message' => "\"{$part->title}\" was attached.", 'mesh' => MeshProps::of($part->refresh(), LightRecord::ofFigure($figure))]);
    }

    /** @throws ValidationException when no peg fits a socket */
    public function fit(Figure $figure, FitParts $fit): JsonResponse
    {
        return new JsonResponse(['message' => $fit($figure)]);
    }

    /** @throws ValidationException when it is set on no other part */
    public function turnAtJoint(Request $request, Figure $figure, FigureMesh $mesh, AttachPart $join): JsonResponse
    {
        $request->validate(['degrees' => ['required', 'numeric', 'between:-180,180']]);
        $join->turn($figure, $mesh, $request->float('degrees'));

        return new JsonResponse(MeshProps::of($mesh->refresh(), LightRecord::ofFigure($figure)));
    }

    /** @throws ValidationException when there is nothing to take back */
    public function undo(Figure $figure, PoseParts $poseParts): JsonResponse
    {
        return $poseParts->undo($figure) ? new JsonResponse(['message' => 'The parts stand as before.']) : throw ValidationException::withMessages(['parts' => 'There is nothing to undo.']);
    }

    /** @throws ValidationException when there is nothing to do again */
    public function redo(Figure $figure, PoseParts $poseParts): JsonResponse
    {
        return $poseParts->redo($figure) ? new JsonResponse(['message' => 'Done again.']) : throw ValidationException::withMessages(['parts' => 'There is nothing to redo.']);
    }

    /** For the view before there is light: described in docs/formats.md. */
    public function bare(Figure $figure, FigureMesh $mesh): Response
    {
        return new Response(
            (string) gzencode(BareMesh::of($mesh), 4),
            200,
            ['Content-Type' => 'application/octet-stream', 'Content-Encoding' => 'gzip', 'Cache-Control' => 'private, max-age=3600'],
        );
    }
}
