<?php

declare(strict_types=1);

namespace App\Http\Controllers\Light;

use App\Actions\Light\AddGlow;
use App\Actions\Light\CastGlow;
use App\Actions\Light\ExportPaintedMesh;
use App\Actions\Light\SaveView;
use App\Actions\Light\SettleAreas;
use App\Actions\Light\UseMeasurements;
use App\Adapters\Light\AssembledFigure;
use App\Adapters\Light\StoredStudy;
use App\Http\Named;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Light\GlowProps;
use App\Http\Props\Light\LightProps;
use App\Http\Props\Light\MeshProps;
use App\Http\Props\Light\UploadProps;
use App\Http\Props\TaskProps;
use App\Http\Requests\Light\CameraRule;
use App\Http\Requests\Light\PointRule;
use App\Http\Requests\LimitRule;
use App\Jobs\CastLampGlow;
use App\Jobs\CastLitSprays;
use App\Jobs\ComputeLight;
use App\Jobs\FindLitZones;
use App\Jobs\MeasureLitAreas;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;
use App\Models\Task;
use App\Models\TaskKind;
use Hyalin\Finish\Technique;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\SprayFrom;
use Hyalin\Limit;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The printed mesh and the light on it.
 */
final class LightController
{
    public function show(Figure $figure, SettleAreas $settle): Response
    {
        $settle->ofFigure($figure);

        return Inertia::render('light/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Light'),
            'meshes' => static function () use ($figure): array {
                $light = LightRecord::ofFigure($figure);

                return array_values($figure->loadMissing('meshes')->meshes->map(static fn (FigureMesh $m) => MeshProps::of($m, $light))->all());
            },
            'posing' => static function () use ($figure): array {
                $light = LightRecord::ofFigure($figure);

                return ['canUndo' => ($light->poses_back ?? []) !== [], 'canRedo' => ($light->poses_forth ?? []) !== []];
            },
            'parts' => static fn () => array_values($figure->loadMissing('parts')->parts->map(static fn ($p): array => ['id' => $p->id, 'name' => $p->name])->all()),
            'light' => static fn () => LightProps::of($figure),
            'uploads' => static fn () => array_values($figure->meshUploads()->where('state', UploadState::Sending)->get()->map(static fn (MeshUpload $u): UploadProps => UploadProps::of($u))->all()),
        ]);
    }

    /** How it is sprayed; what needs new shadows of the sky is computed when the painter asks, the rest follows. */
    public function settings(Request $request, Figure $figure): JsonResponse
    {
        $sprays = implode(',', array_keys(LightRecord::ofFigure($figure)->directedSprays()));
        $request->validate([
            'up' => ['sometimes', Rule::in(LightRecord::sideNames())],
            'front' => ['sometimes', Rule::in(LightRecord::sideNames())],
            'heightMm' => ['sometimes', 'nullable', ...LimitRule::of(Limit::LightHeightMm)],
            'spray' => ['sometimes', "in:{$sprays}"],
            'elevation' => ['sometimes', ...LimitRule::of(Limit::SprayElevation)],
            'side' => ['sometimes', ...LimitRule::of(Limit::SpraySide)],
            'spread' => ['sometimes', ...LimitRule::of(Limit::SpraySpread)],
            'passes' => ['sometimes', ...LimitRule::of(Limit::SprayPasses)],
            'distance' => ['sometimes', 'nullable', 'numeric', 'between:'.SprayFrom::NEAREST.','.SprayFrom::FARTHEST],
            'aim' => ['sometimes', 'nullable', new PointRule],
            // Each is calculated by itself.
            'edges' => ['sometimes', 'prohibits:spray,front', ...LimitRule::of(Limit::EdgeStrength)],
            'grooves' => ['sometimes', 'prohibits:spray,front', ...LimitRule::of(Limit::EdgeStrength)],
        ]);
        $light = LightRecord::ofFigure($figure);
        // What was set a moment ago may still be calculated.
        $light->fill(Task::pending($figure, TaskKind::Spray));
        $pending = Task::pending($figure, TaskKind::Zones);
        $light->up = $request->has('up') ? $request->string('up')->value() : $light->up;
        $light->front = $request->has('front') ? $request->string('front')->value() : $light->front;
        if ($request->has('front') && $light->frontName() !== $light->front) {
            throw ValidationException::withMessages(['front' => 'The front must be at a right angle to up.']);
        }
        $light->height_mm = $request->has('heightMm') ? ($request->filled('heightMm') ? $request->float('heightMm') : null) : $light->height_mm;
        $strengths = (clone $light)->fill($pending);
        $strengths = [$request->float('edges', $strengths->edges), $request->float('grooves', $strengths->grooves)];
        if ($request->has('spray')) {
            $name = $request->string('spray')->value();
            $own = $light->sprays[$name] ?? [];
            foreach (['elevation', 'side', 'spread'] as $key) {
                if ($request->has($key)) {
                    $own[$key] = $request->float($key);
                }
            }
            if ($request->has('passes')) {
                $own['passes'] = $request->integer('passes');
            }
            // Held far away it has no place; told nothing, it points at the middle.
            if ($request->has('distance')) {
                unset($own['distance']);
                $own = [...$own, ...$request->filled('distance') ? ['distance' => $request->float('distance')] : []];
            }
            if ($request->has('aim')) {
                unset($own['aim']);
                $own = [...$own, ...$request->filled('aim') ? ['aim' => PointRule::of($request->array('aim'))] : []];
            }
            $light->sprays = [...$light->sprays ?? [], $name => $own];
        }
        // What is stale is computed as a whole; what is not must follow, also what was set while it was stale.
        if ($light->of === null || AssembledFigure::isStale($figure, $light)) {
            $light->fill(['edges' => $strengths[0], 'grooves' => $strengths[1]])->save();
        } elseif ($request->hasAny(['edges', 'grooves'])) {
            // New zones are measured with their areas anyway.
            (new FindLitZones($light, ...$strengths))->begin($figure);
        } else {
            $settings = $light->only(array_keys($light->getDirty()));
            (new CastLitSprays($light->refresh(), $settings, $request->has('front') || Task::pending($figure, TaskKind::Spray) !== [] ? null : Technique::tryFrom($request->string('spray')->value())))->begin($figure);
        }

        return new JsonResponse(LightProps::of($figure));
    }

    /** @throws ValidationException when there is no mesh */
    public function compute(Figure $figure): JsonResponse
    {
        if (! $figure->meshes()->exists()) {
            throw ValidationException::withMessages(['mesh' => 'Import a print file first: STL, OBJ or 3MF.']);
        }
        $light = LightRecord::ofFigure($figure);
        ComputeLight::ask($light);

        return new JsonResponse(LightProps::of($figure), JsonResponse::HTTP_ACCEPTED);
    }

    /** The areas as they are now, measured. */
    public function measure(Figure $figure): JsonResponse
    {
        $light = $figure->lightStudy()->first();
        if ($light !== null) {
            (new MeasureLitAreas($light))->begin($figure);
        }

        return new JsonResponse(LightProps::of($figure));
    }

    /** The light for a view that stands beside other work. */
    public function shown(Figure $figure, SettleAreas $settle): JsonResponse
    {
        $settle->ofFigure($figure);

        return new JsonResponse(LightProps::of($figure));
    }

    /** The view's own format, described in docs/formats.md. */
    public function data(Figure $figure): PlainResponse
    {
        [$light, $study] = self::computed($figure);

        return self::packed($study->forView(array_keys($light->directedSprays())), 4);
    }

    /** Which area each triangle of the view is. */
    public function areas(Figure $figure): PlainResponse
    {
        // Asked for after every act: packed as quickly as can be.
        return self::packed(self::computed($figure)[1]->areasForView(), 1);
    }

    /** @return array{LightRecord, StoredStudy} */
    private static function computed(Figure $figure): array
    {
        $light = $figure->lightStudy()->first();
        $study = $light === null || $light->result === null ? null : StoredStudy::of($light);
        abort_if($light === null || $study === null, 404);

        return [$light, $study];
    }

    private static function packed(string $bytes, int $level): PlainResponse
    {
        return new PlainResponse((string) gzencode($bytes, $level), 200, ['Content-Type' => 'application/octet-stream', 'Content-Encoding' => 'gzip', 'Cache-Control' => 'private, max-age=3600']);
    }

    /** The figure put together, as a print file. */
    public function stl(Figure $figure): PlainResponse
    {
        $assembly = AssembledFigure::of($figure, LightRecord::ofFigure($figure));
        abort_if($assembly === null, 404, 'There is no print file yet.');

        return self::download(StlWriter::write($assembly->mesh), $figure, 'stl');
    }

    /** The figure as it is finished: colour and exposure of every vertex. */
    public function ply(Figure $figure, ExportPaintedMesh $painted): PlainResponse
    {
        $ply = $painted($figure, LightRecord::ofFigure($figure));
        abort_if($ply === null, 404, 'The lighting is not calculated yet.');

        return self::download($ply, $figure, 'ply');
    }

    private static function download(string $bytes, Figure $figure, string $ending): PlainResponse
    {
        return new PlainResponse($bytes, 200, ['Content-Type' => 'model/'.$ending, 'Content-Disposition' => Named::file($figure->name, ".{$ending}")]);
    }

    /** Calculates how an area that shines lights the rest. */
    public function castGlow(Figure $figure, Area $area): JsonResponse
    {
        $light = $figure->lightStudy()->first();
        if ($light !== null && $light->result !== null) {
            (new CastLampGlow($light, $area->id))->begin($figure);
        }
        $task = Task::ofFigure($figure);

        return new JsonResponse(['task' => $task === null ? null : TaskProps::of($task)]);
    }

    /** How an area that shines lights the rest: one byte a vertex. */
    public function glow(Figure $figure, Area $area, CastGlow $glow): PlainResponse
    {
        $light = $figure->lightStudy()->first();
        $bytes = $light === null || $light->path === null || $light->result === null ? null : $glow->bytes($light, $area->id);
        abort_if($bytes === null, 404, 'The mesh shows nothing of this area yet.');

        return new PlainResponse((string) gzencode($bytes, 4), 200, ['Content-Type' => 'application/octet-stream', 'Content-Encoding' => 'gzip']);
    }

    /** Light that a shining area casts on the others, in numbers. */
    public function glowShares(Figure $figure, Area $area, CastGlow $glow): JsonResponse
    {
        $light = $figure->lightStudy()->first();
        $shares = $light === null || $light->path === null || $light->result === null ? null : $glow->shares($light, $area->id);
        abort_if($shares === null, 404, 'The mesh shows nothing of this area yet.');

        return new JsonResponse(GlowProps::of($figure, $shares));
    }

    /** The glow as a layer of every finish that it reaches. */
    public function addGlow(Figure $figure, Area $area, AddGlow $add): JsonResponse
    {
        $names = $add($figure, LightRecord::ofFigure($figure), $area);

        return new JsonResponse(['message' => 'A layer of glow is on top of: '.implode(', ', $names).'.']);
    }

    /** The measured areas and borders, for order and quantities. */
    public function measures(Figure $figure, UseMeasurements $take): JsonResponse
    {
        return new JsonResponse(['message' => $take($figure)]);
    }

    /** From where the figure is looked at: with its picture, for the bench, the card and beside photos. */
    public function look(Request $request, Figure $figure, SaveView $keep): JsonResponse
    {
        $request->validate([...CameraRule::rules('camera'), 'still' => ['nullable', 'file']]);
        $still = $request->file('still');
        $keep(LightRecord::ofFigure($figure), CameraRule::of($request->array('camera')), $still instanceof UploadedFile ? $still->getContent() : null);

        return new JsonResponse(['message' => 'View saved: the bench, the comparison and the card use it.']);
    }

    public function still(Figure $figure): PlainResponse
    {
        $path = $figure->lightStudy()->first()?->still;
        abort_if($path === null, 404);

        return new PlainResponse((string) Storage::disk('local')->get($path), 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=3600']);
    }
}
