<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Adapters\Bench\RunFinish;
use App\Adapters\Finish\FigureOptics;
use App\Devices\ColourReader;
use App\Http\Props\Bench\ConsistencyProps;
use App\Http\Props\Brief\FigureProps;
use App\Models\Bench\Run;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Zone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * How alike the figures of a batch came out.
 */
final class PiecesController
{
    public function show(Run $run): Response
    {
        $figure = $run->figure()->firstOrFail();

        return Inertia::render('bench/pieces', [
            'figure' => static fn () => FigureProps::of($figure, 'Bench'),
            'runId' => $run->id,
            'runNumber' => $run->number,
            'copies' => $run->copies,
            'areas' => static fn (): array => self::areas($figure, $run),
        ]);
    }

    /** @return list<ConsistencyProps> */
    private static function areas(Figure $figure, Run $run): array
    {
        $run->load(['steps.areas', 'readings']);
        $areas = [];
        foreach ($figure->areasWithFinishes() as $area) {
            if ($area->layers->isNotEmpty()) {
                $areas[] = self::area($figure, $area, $run);
            }
        }

        return $areas;
    }

    /** @throws ValidationException when there is no such figure in the batch, or no such area */
    public function read(Request $request, Run $run, ColourReader $reader): JsonResponse
    {
        $request->validate([
            'areaId' => ['required', 'integer'],
            'copy' => ['required', 'integer', 'between:1,'.$run->copies],
            'method' => ['required', Rule::in(['reader', 'typed'])],
            'hex' => ['required_if:method,typed', 'nullable', 'regex:/^#[0-9a-fA-F]{6}\z/'],
        ], ['copy.between' => "This batch has {$run->copies} figures.", 'hex.regex' => 'Write the colour like #d9a520.']);
        $figure = $run->figure()->firstOrFail();
        $area = $figure->areas()->with('layers.paints.paint')->find($request->integer('areaId'))
            ?? throw ValidationException::withMessages(['areaId' => 'This area belongs to another figure.']);
        $run->load('steps.areas');
        $copy = $request->integer('copy');
        $lab = $request->string('method')->value() === 'typed'
            ? Srgb::hex($request->string('hex')->lower()->value())->toXyz()->toLab()
            : SpectralSum::under(Illuminant::D65)->xyz($reader->readPiece(
                RunFinish::of($area, $run),
                FigureOptics::of($figure, $area, Illuminant::D65),
                Zone::Mid,
                "{$run->id} {$area->id} {$copy}",
            ))->toLab();
        $run->readings()->updateOrCreate(['area_id' => $area->id, 'copy' => $copy], ['lightness' => $lab->lightness, 'a' => $lab->a, 'b' => $lab->b, 'method' => $request->string('method')->value()]);

        return new JsonResponse(self::area($figure, $area, $run->unsetRelation('readings')));
    }

    private static function area(Figure $figure, Area $area, Run $run): ConsistencyProps
    {
        $readings = array_values($run->loadMissing('readings')->readings->where('area_id', $area->id)->sortBy('copy')->all());

        return ConsistencyProps::of($area, $readings, self::planned($figure, $area, $run));
    }

    private static function planned(Figure $figure, Area $area, Run $run): ?Lab
    {
        $drafts = RunFinish::of($area, $run);

        return $drafts === [] ? null : FigureOptics::of($figure, $area, Illuminant::D65)->section($drafts)->top()->cell(Zone::Mid)->seen;
    }
}
