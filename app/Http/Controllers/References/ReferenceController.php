<?php

declare(strict_types=1);

namespace App\Http\Controllers\References;

use App\Adapters\References\PictureColours;
use App\Http\Props\Brief\AreaProps;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\References\PictureProps;
use App\Http\Props\References\SampleProps;
use App\Http\Requests\References\SampleRequest;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\References\Sample;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The colours wanted of each area, taken from its references.
 */
final class ReferenceController
{
    public function show(Figure $figure): Response
    {
        return Inertia::render('references/index', [
            'figure' => static fn () => FigureProps::of($figure, 'References'),
            'pictures' => static fn () => PictureProps::allOf($figure),
            'areas' => static fn () => AreaProps::allOf($figure),
        ]);
    }

    /**
     * A stroke gives the whole ramp, anything else one zone.
     *
     * @throws ValidationException when it holds no pixel, or no ramp
     */
    public function storeSample(SampleRequest $request, Figure $figure, Area $area): JsonResponse
    {
        $colours = PictureColours::of($figure->pictures()->findOrFail($request->integer('pictureId')));
        try {
            $taken = $request->taking() === 'stroke'
                ? $colours->ramp($request->points())
                : [$request->zone()->value => $colours->taken($request->taking(), $request->points(), $request->zone())];
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['points' => ucfirst($e->getMessage()).'.']);
        }
        $samples = DB::transaction(static function () use ($area, $taken): array {
            $area->samples()->whereIn('zone', array_keys($taken))->delete();

            return array_map(static fn (array $attributes): Sample => $area->samples()->create($attributes), $taken);
        });

        return new JsonResponse(array_map(SampleProps::of(...), array_values($samples)), JsonResponse::HTTP_CREATED);
    }

    public function destroySample(Figure $figure, Area $area, Zone $zone): JsonResponse
    {
        $area->samples()->where('zone', $zone)->delete();

        return new JsonResponse(['message' => 'The sample was removed.']);
    }
}
