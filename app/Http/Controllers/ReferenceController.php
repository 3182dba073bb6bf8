<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Adapters\PictureFile;
use App\Adapters\PictureIntake;
use App\Adapters\UnreadablePicture;
use App\Http\Props\AreaProps;
use App\Http\Props\FigureProps;
use App\Http\Props\PictureProps;
use App\Http\Props\SampleProps;
use App\Http\Requests\SampleRequest;
use App\Models\Area;
use App\Models\Figure;
use App\Models\Picture;
use App\Models\Sample;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Hyalin\Matching\SampleStatistics;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as PlainResponse;

/**
 * Pictures to match, and the colours taken from them.
 */
final class ReferenceController
{
    public function show(Figure $figure): Response
    {
        return Inertia::render('references/index', [
            'figure' => FigureProps::of($figure, 'References'),
            'pictures' => PictureProps::allOf($figure),
            'areas' => AreaProps::allOf($figure),
        ]);
    }

    /** @throws ValidationException when the file is no picture, too large or damaged */
    public function storePicture(Request $request, Figure $figure): JsonResponse
    {
        $file = $request->file('picture');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw ValidationException::withMessages([
                'picture' => 'No picture arrived: it may be larger than this server takes. Nothing was added.',
            ]);
        }
        try {
            $picture = PictureIntake::of(
                (string) $file->get(),
                config()->integer('hyalin.uploads.max_bytes'),
                config()->integer('hyalin.uploads.max_pixels'),
                config()->integer('hyalin.uploads.kept_side'),
            );
        } catch (UnreadablePicture $e) {
            throw ValidationException::withMessages(['picture' => $e->getMessage()]);
        }
        $path = 'pictures/'.Str::ulid()->toBase32().'.png';
        Storage::disk('local')->put($path, $picture->png);
        $title = Str::limit(pathinfo($file->getClientOriginalName(), PATHINFO_FILENAME), 80, '') ?: 'Picture';
        $record = $figure->pictures()->create([
            'title' => $title, 'path' => $path, 'width' => $picture->width, 'height' => $picture->height,
        ]);

        return new JsonResponse(PictureProps::of($figure, $record), JsonResponse::HTTP_CREATED);
    }

    public function image(Figure $figure, Picture $picture): PlainResponse
    {
        return new PlainResponse((string) Storage::disk('local')->get($picture->path), 200, [
            'Content-Type' => 'image/png',
            // A stored picture never changes; another painter's cache must not hold it.
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    public function destroyPicture(Figure $figure, Picture $picture): JsonResponse
    {
        $picture->delete();
        Storage::disk('local')->delete($picture->path);

        return new JsonResponse(['message' => "{$picture->title} and the colours taken from it were removed."]);
    }

    /** @throws ValidationException when the sample holds no pixel */
    public function storeSample(SampleRequest $request, Figure $figure, Area $area): JsonResponse
    {
        $picture = $figure->pictures()->findOrFail($request->integer('pictureId'));
        $file = PictureFile::of($picture);
        $points = $request->points();
        $pixels = $request->isSpot() ? $file->spot($points[0], $points[1][0] ?? 0.0) : $file->lasso($points);
        try {
            $statistics = SampleStatistics::of($pixels);
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['points' => ucfirst($e->getMessage()).'.']);
        }
        $sample = DB::transaction(static function () use ($area, $request, $picture, $points, $statistics): Sample {
            $area->samples()->where('zone', $request->zone())->delete();

            return $area->samples()->create([
                'picture_id' => $picture->id,
                'zone' => $request->zone(),
                'method' => $request->isSpot() ? 'spot' : 'lasso',
                'outline' => $points,
                'lightness' => $statistics->colour->lightness,
                'a' => $statistics->colour->a,
                'b' => $statistics->colour->b,
                'spread' => $statistics->spread,
                'pixels' => $statistics->pixels,
                'clipped' => $statistics->clipped,
            ]);
        });

        return new JsonResponse(SampleProps::of($sample), JsonResponse::HTTP_CREATED);
    }

    public function destroySample(Figure $figure, Area $area, Zone $zone): JsonResponse
    {
        $area->samples()->where('zone', $zone)->delete();

        return new JsonResponse(['message' => 'The sample was removed.']);
    }
}
