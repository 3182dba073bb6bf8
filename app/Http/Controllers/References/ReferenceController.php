<?php

declare(strict_types=1);

namespace App\Http\Controllers\References;

use App\Adapters\References\PictureColours;
use App\Http\Props\Brief\AreaProps;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\PotProps;
use App\Http\Props\References\PictureProps;
use App\Http\Props\References\SampleProps;
use App\Http\Props\References\ShiftProps;
use App\Http\Requests\References\NamedColourRequest;
use App\Http\Requests\References\SampleRequest;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\References\Sample;
use App\Models\Shelf\Paint;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Illuminate\Container\Attributes\CurrentUser;
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
    public function show(Figure $figure, #[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('references/index', [
            'figure' => static fn () => FigureProps::of($figure, 'References'),
            'pictures' => static fn () => PictureProps::allOf($figure),
            'areas' => static fn () => AreaProps::allOf($figure),
            'shifts' => ShiftProps::all(...),
            'pots' => static fn () => array_values($painter->paints->map(static fn (Paint $p) => PotProps::of($p))->all()),
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

    /**
     * A colour that is wanted without any picture of it.
     *
     * @throws ValidationException when what it is said by is not there, or no surface has such a colour
     */
    public function nameColour(NamedColourRequest $request, Figure $figure, Area $area, #[CurrentUser] Painter $painter): JsonResponse
    {
        [$lab, $source] = $request->named($figure, $painter);
        try {
            SpectralRecovery::of($lab->toXyz());
        } catch (InvalidInput) {
            throw ValidationException::withMessages(['hex' => 'No surface has such a colour: choose one that is less saturated, or less of a change.']);
        }
        $sample = DB::transaction(static function () use ($area, $request, $lab, $source): Sample {
            $area->samples()->where('zone', $request->zone())->delete();

            return $area->samples()->create([
                'zone' => $request->zone(), 'method' => 'named', 'source' => mb_substr($source, 0, 250), 'outline' => [],
                'lightness' => $lab->lightness, 'a' => $lab->a, 'b' => $lab->b, 'spread' => 0.0, 'pixels' => 0, 'clipped' => 0.0,
            ]);
        });

        return new JsonResponse([SampleProps::of($sample)], JsonResponse::HTTP_CREATED);
    }

    public function destroySample(Figure $figure, Area $area, Zone $zone): JsonResponse
    {
        $area->samples()->where('zone', $zone)->delete();

        return new JsonResponse(['message' => 'The sample was removed.']);
    }
}
