<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AssignArea;
use App\Actions\CastGlow;
use App\Actions\StudyLight;
use App\Actions\TakeInMesh;
use App\Actions\TakeMeasures;
use App\Adapters\Meshes\Store;
use App\Http\Props\FigureProps;
use App\Http\Props\LightProps;
use App\Http\Props\MeshProps;
use App\Jobs\ComputeLight;
use App\Models\Area;
use App\Models\Figure;
use App\Models\FigureMesh;
use App\Models\LightRecord;
use Hyalin\InvalidInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The printed mesh and the light on it.
 */
final class LightController
{
    private const UPS = ['x', 'y', 'z', '-x', '-y', '-z'];

    public function show(Figure $figure): Response
    {
        return Inertia::render('light/index', [
            'figure' => FigureProps::of($figure, 'Light'),
            'meshes' => array_values($figure->meshes()->get()->map(static fn (FigureMesh $m) => MeshProps::of($m))->all()),
            'parts' => array_values($figure->parts()->get()->map(static fn ($p): array => ['id' => $p->id, 'name' => $p->name])->all()),
            'light' => LightProps::of($figure),
        ]);
    }

    /** @throws ValidationException when it is no mesh, or too large */
    public function store(Request $request, Figure $figure, TakeInMesh $take): JsonResponse
    {
        $request->validate(['partId' => ['nullable', 'integer', Rule::exists('parts', 'id')->where('figure_id', $figure->id)]]);
        $file = $request->file('mesh');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw ValidationException::withMessages(['mesh' => 'No file arrived: it may be larger than this server takes. Nothing was added.']);
        }
        ini_set('memory_limit', '1G');
        try {
            $mesh = $take($figure, $file->getPathname(), $file->getClientOriginalName(), $request->filled('partId') ? $request->integer('partId') : null);
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['mesh' => ucfirst($e->getMessage()).'. Nothing was added.']);
        }

        return new JsonResponse(MeshProps::of($mesh), JsonResponse::HTTP_CREATED);
    }

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
        $mesh->pose = [
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
        Store::forget($mesh->path);

        return new JsonResponse(['message' => 'The file was taken off.']);
    }

    /** How it is sprayed; what needs new shadows is computed in the queue, the rest at once. */
    public function settings(Request $request, Figure $figure): JsonResponse
    {
        $request->validate([
            'up' => ['sometimes', Rule::in(self::UPS)],
            'heightMm' => ['sometimes', 'nullable', 'numeric', 'between:1,5000'],
            'spread' => ['sometimes', 'numeric', 'between:0,'.LightRecord::WIDEST],
        ]);
        $light = self::record($figure);
        $light->up = $request->has('up') ? $request->string('up')->value() : $light->up;
        $light->height_mm = $request->has('heightMm') ? ($request->filled('heightMm') ? $request->float('heightMm') : null) : $light->height_mm;
        $spread = $request->has('spread') ? $request->float('spread') : $light->spread;
        $narrowed = $spread !== $light->spread;
        $light->spread = $spread;
        $light->save();
        if ($narrowed && $light->path !== null && $light->result !== null) {
            StudyLight::weigh($light);
        }

        return new JsonResponse(LightProps::of($figure));
    }

    /** @throws ValidationException when there is no mesh */
    public function compute(Figure $figure): JsonResponse
    {
        if (! $figure->meshes()->exists()) {
            throw ValidationException::withMessages(['mesh' => 'Bring in a print file first: STL, OBJ or 3MF.']);
        }
        $light = self::record($figure);
        $light->update(['state' => 'waiting', 'progress' => 0.0, 'stop_asked' => false, 'problem' => null]);
        ComputeLight::dispatch($light, $figure->id);

        return new JsonResponse(LightProps::of($figure), JsonResponse::HTTP_ACCEPTED);
    }

    public function progress(Figure $figure): JsonResponse
    {
        $light = self::record($figure);

        return new JsonResponse(['state' => $light->state, 'progress' => $light->progress, 'problem' => $light->problem]);
    }

    public function stop(Figure $figure): JsonResponse
    {
        self::record($figure)->update(['stop_asked' => true]);

        return new JsonResponse(['message' => 'It is being stopped.']);
    }

    /** The view's own format: counts, positions, corners, exposure, zones, areas; little-endian, described in docs/formats.md. */
    public function data(Figure $figure): PlainResponse
    {
        $light = $figure->lightStudy()->first();
        abort_if($light === null || $light->path === null || $light->result === null, 404);
        $mesh = Store::mesh("{$light->path}.work");
        $exposure = Store::get("{$light->path}.exposure");
        $zones = Store::get("{$light->path}.zones");
        $bytes = pack('V2', $mesh->vertices(), $mesh->triangles()).$mesh->positions.$mesh->indices.Store::get("{$light->path}.workAreas").$exposure.$zones;

        return new PlainResponse((string) gzencode($bytes, 4), 200, ['Content-Type' => 'application/octet-stream', 'Content-Encoding' => 'gzip', 'Cache-Control' => 'private, max-age=3600']);
    }

    /** How an area that shines lights the rest: one byte a vertex. */
    public function glow(Figure $figure, Area $area, CastGlow $glow): PlainResponse
    {
        $light = $figure->lightStudy()->first();
        $bytes = $light === null || $light->path === null || $light->result === null ? null : $glow($light, $area->id);
        abort_if($bytes === null, 404, 'The mesh shows nothing of this area yet.');

        return new PlainResponse((string) gzencode($bytes, 4), 200, ['Content-Type' => 'application/octet-stream', 'Content-Encoding' => 'gzip']);
    }

    /** @throws ValidationException when no light is computed yet, or the area is of another figure */
    public function assign(Request $request, Figure $figure, AssignArea $assign): JsonResponse
    {
        $request->validate([
            'at' => ['required', 'array', 'list', 'size:3'],
            'at.*' => ['numeric'],
            'tool' => ['required', Rule::in(['piece', 'crease', 'brush'])],
            'size' => ['required', 'numeric', 'between:0.1,180'],
            'areaId' => ['nullable', 'integer', Rule::exists('areas', 'id')->where('figure_id', $figure->id)],
        ]);
        $light = self::record($figure);
        if ($light->path === null) {
            throw ValidationException::withMessages(['at' => 'Compute the light first.']);
        }
        $at = array_values(array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, $request->array('at')));
        $assign($light, [$at[0] ?? 0.0, $at[1] ?? 0.0, $at[2] ?? 0.0], $request->string('tool')->value(), $request->float('size'), $request->integer('areaId'));

        return new JsonResponse(LightProps::of($figure));
    }

    /** The measured areas and borders, for order and quantities. */
    public function measures(Figure $figure, TakeMeasures $take): JsonResponse
    {
        return new JsonResponse(['message' => $take($figure)]);
    }

    private static function record(Figure $figure): LightRecord
    {
        $light = $figure->lightStudy()->first();
        if ($light === null) {
            $light = new LightRecord(['figure_id' => $figure->id]);
            $light->painter_id = $figure->painter_id;
            $light->save();
        }

        return $light;
    }
}
