<?php

declare(strict_types=1);

namespace App\Http\Controllers\Compare;

use App\Actions\Compare\CompareFigure;
use App\Actions\Compare\LearnFromPhoto;
use App\Actions\Compare\LearnTogether;
use App\Actions\References\AddPicture;
use App\Adapters\Finish\Corrections;
use App\Adapters\References\PictureColours;
use App\Adapters\References\PictureIntake;
use App\Devices\Booth;
use App\Devices\Camera;
use App\Http\Named;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\ColourProps;
use App\Http\Props\Compare\ComparedAreaProps;
use App\Http\Props\Compare\CorrectionProps;
use App\Http\Props\Compare\LessonProps;
use App\Http\Props\Compare\TouchUpProps;
use App\Http\Props\References\PictureProps;
use App\Http\Requests\Compare\FindingRequest;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Compare\Correction;
use App\Models\Compare\LessonRecord;
use App\Models\Painter;
use App\Models\References\Picture;
use App\Models\References\PictureKind;
use Hyalin\Colour\Illuminant;
use Hyalin\Formats\Csv;
use Hyalin\InvalidInput;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The painted piece: its photos, what is found on them, what to do about it, what it teaches.
 */
final class CompareController
{
    public function show(Figure $figure, CompareFigure $compare, #[CurrentUser] Painter $painter, ?Picture $picture = null): Response
    {
        $photos = $figure->pictures->filter(static fn (Picture $p): bool => $p->kind === PictureKind::OwnPiece);
        $photo = $picture?->exists && $picture->kind === PictureKind::OwnPiece ? $picture : $photos->last();

        return Inertia::render('compare/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Compare'),
            'photos' => static fn () => array_values($photos->map(static fn (Picture $p) => PictureProps::of($figure, $p))->all()),
            'photoId' => $photo?->id,
            'references' => static fn () => PictureProps::allOf($figure),
            'areas' => static fn () => array_map(ComparedAreaProps::of(...), $compare($figure, $photo)),
            'onMesh' => static fn () => $figure->lightStudy()->whereNotNull('path')->exists(),
            'lessons' => Inertia::defer(static fn () => LessonProps::allOf($figure), 'lessons'),
            'corrections' => static fn () => array_values(Correction::query()->where('painter_id', $painter->id)->with('paint')->orderByDesc('difference')->get()->map(static fn (Correction $c) => CorrectionProps::of($c))->all()),
        ]);
    }

    /** The comparison as a table: one row a zone, CIELAB under D65. */
    public function csv(Figure $figure, Picture $picture, CompareFigure $compare): PlainResponse
    {
        $lab = static fn (?ColourProps $c): array => $c === null ? ['', '', ''] : array_map(static fn (float $v): string => sprintf('%.2f', $v), $c->lab);
        $rows = [];
        foreach (array_map(ComparedAreaProps::of(...), $compare($figure, $picture)) as $area) {
            foreach ($area->zones as $zone) {
                $rows[] = [
                    $area->name,
                    $zone->zone->value,
                    ...$lab($zone->wanted),
                    ...$lab($zone->painted),
                    ...$lab($zone->predicted),
                    $zone->difference === null ? '' : sprintf('%.2f', $zone->difference),
                    implode(', ', $zone->words),
                ];
            }
        }
        $header = ['area', 'zone'];
        foreach (['wanted', 'painted', 'predicted'] as $of) {
            array_push($header, "{$of}_l", "{$of}_a", "{$of}_b");
        }

        return new PlainResponse(Csv::write([...$header, 'ciede2000', 'words'], $rows), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => Named::file($figure->name, '-comparison.csv'),
        ]);
    }

    /** A photo by the simulated camera booth. */
    public function photograph(Request $request, Figure $figure, Camera $camera, AddPicture $hang): JsonResponse
    {
        $request->validate([
            'lamp' => ['required', Rule::enum(Illuminant::class)],
            'exposure' => ['required', 'numeric', 'between:0.05,2'],
            'noise' => ['sometimes', 'numeric', 'between:0,20'],
            'neutral' => ['required', Rule::in(['grey', 'chart', 'none'])],
        ]);
        $lamp = $request->enum('lamp', Illuminant::class) ?? Illuminant::Led;
        $png = $camera->piece($figure, new Booth($lamp, $request->float('exposure'), $request->float('noise', 1.5), $request->string('neutral')->value()))
            ?? throw ValidationException::withMessages(['figure' => 'The simulated booth has only the figures of the demo. Add a photo of your own.']);

        return new JsonResponse(PictureProps::of($figure, $hang($figure, PictureIntake::of($png), 'Painted, '.$lamp->label(), PictureKind::OwnPiece)), JsonResponse::HTTP_CREATED);
    }

    /** @throws ValidationException when it holds no pixel, or no ramp */
    public function store(FindingRequest $request, Figure $figure, Picture $picture): JsonResponse
    {
        $colours = PictureColours::of($picture);
        $method = $request->string('method')->value();
        try {
            $taken = $method === 'stroke' ? $colours->ramp($request->points()) : [$request->zone()->value => $colours->taken($method, $request->points(), $request->zone())];
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['points' => ucfirst($e->getMessage()).'.']);
        }
        self::keep($picture, $request->integer('areaId'), $taken);

        return new JsonResponse(['found' => array_keys($taken)], JsonResponse::HTTP_CREATED);
    }

    /** Takes every zone where it was taken on a reference: for a photo from the same side. */
    public function storeAll(Request $request, Figure $figure, Picture $picture): JsonResponse
    {
        $request->validate(['referenceId' => ['required', 'integer']]);
        $reference = $figure->pictures()->findOrFail($request->integer('referenceId'));
        $colours = PictureColours::of($picture);
        $found = 0;
        DB::transaction(static function () use ($reference, $picture, $colours, &$found): void {
            foreach ($reference->samples()->get()->groupBy('area_id') as $areaId => $samples) {
                $taken = [];
                foreach ($samples as $sample) {
                    try {
                        $taken[$sample->zone->value] = $colours->taken($sample->method, $sample->outline, $sample->zone);
                    } catch (InvalidInput) {
                        // Outside this photo: that zone stays to be found.
                    }
                }
                self::keep($picture, (int) $areaId, $taken);
                $found += count($taken);
            }
        });

        return new JsonResponse(['found' => $found], JsonResponse::HTTP_CREATED);
    }

    /** Advice on an area, by the photo named. */
    public function touchUp(Request $request, Figure $figure, Area $area, CompareFigure $compare, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate(['photo' => ['required', 'integer']]);
        $picture = $figure->pictures()->findOrFail($request->integer('photo'));

        return new JsonResponse(TouchUpProps::of($compare->touchUp($figure, $area, $picture, $painter), $figure->latestRun()->first()?->id));
    }

    public function learn(Figure $figure, Picture $picture, LearnFromPhoto $learn): JsonResponse
    {
        return new JsonResponse(['learnt' => $learn($figure, $picture)], JsonResponse::HTTP_CREATED);
    }

    /** @throws ValidationException when the photo tells nothing new */
    public function learnTogether(Figure $figure, Picture $picture, LearnTogether $learn, #[CurrentUser] Painter $painter): JsonResponse
    {
        return new JsonResponse(LessonProps::of($learn($figure, $picture, $painter)), JsonResponse::HTTP_CREATED);
    }

    public function undoLesson(LessonRecord $lesson, LearnTogether $learn): JsonResponse
    {
        $learn->undo($lesson);

        return new JsonResponse(LessonProps::of($lesson));
    }

    /** Predictions use it from now on, or no longer. */
    public function take(Request $request, Correction $correction, Corrections $corrections): JsonResponse
    {
        $request->validate(['taken' => ['required', 'boolean']]);
        $correction->update(['taken_at' => $request->boolean('taken') ? now() : null]);
        $corrections->forget();

        return new JsonResponse(CorrectionProps::of($correction->load('paint')));
    }

    /** @param  array<string, array<string, mixed>>  $taken  attributes by zone */
    private static function keep(Picture $picture, int $areaId, array $taken): void
    {
        DB::transaction(static function () use ($picture, $areaId, $taken): void {
            $picture->findings()->where('area_id', $areaId)->whereIn('zone', array_keys($taken))->delete();
            foreach ($taken as $attributes) {
                $picture->findings()->create([...$attributes, 'area_id' => $areaId]);
            }
        });
    }
}
