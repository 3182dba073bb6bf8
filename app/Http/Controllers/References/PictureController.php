<?php

declare(strict_types=1);

namespace App\Http\Controllers\References;

use App\Actions\References\AddPicture;
use App\Actions\References\RetakeColours;
use App\Actions\RefuseOverwriting;
use App\Adapters\References\PictureColours;
use App\Adapters\References\PictureFile;
use App\Adapters\StoredFile;
use App\Http\Props\ColourProps;
use App\Http\Props\References\PaletteProps;
use App\Http\Props\References\PictureProps;
use App\Http\Requests\ArrivedPicture;
use App\Http\Requests\Light\CameraRule;
use App\Http\Requests\References\NeutralRequest;
use App\Models\Brief\Figure;
use App\Models\References\Picture;
use App\Models\References\PictureKind;
use Hyalin\InvalidInput;
use Hyalin\Matching\Neutral\Shading;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response as PlainResponse;

/**
 * The pictures of a figure: taking them in, saying what they are, neutralising them.
 */
final class PictureController
{
    /** A spot of the palette, as a share of the width. */
    private const PALETTE_SPOT = 0.006;

    /** @throws ValidationException when the file is no picture, too large or damaged */
    public function store(Request $request, Figure $figure, AddPicture $hang): JsonResponse
    {
        $request->validate(['kind' => ['sometimes', Rule::enum(PictureKind::class)], 'title' => ['sometimes', 'string', 'max:250']]);
        $picture = $hang($figure, ArrivedPicture::of($request, 'picture'), ArrivedPicture::titleOf($request, 'picture'), $request->enum('kind', PictureKind::class) ?? PictureKind::Artwork);

        return new JsonResponse(PictureProps::of($figure, $picture), JsonResponse::HTTP_CREATED);
    }

    /** Changes the kind of a picture, whether its light is painted on, and the part that counts. */
    public function update(Request $request, Figure $figure, Picture $picture, RetakeColours $retake, RefuseOverwriting $refuse): JsonResponse
    {
        $request->validate([
            'title' => ['sometimes', 'required', 'string', 'max:80'],
            // The title that the page showed: another window's is not overwritten.
            'was' => ['required_with:title', 'string'],
            'kind' => ['sometimes', Rule::enum(PictureKind::class)],
            'shading' => ['sometimes', Rule::enum(Shading::class)],
            'crop' => ['sometimes', 'nullable', 'array', 'list', 'size:4'],
            'crop.*' => ['numeric', 'between:0,1'],
            ...($request->has('camera') ? CameraRule::rules('camera') : []),
        ]);
        $crop = array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, array_values($request->array('crop')));
        if ($crop !== [] && ($crop[2] < 0.02 || $crop[3] < 0.02 || $crop[0] + $crop[2] > 1.0001 || $crop[1] + $crop[3] > 1.0001)) {
            throw ValidationException::withMessages(['crop' => 'This crop is too small or reaches outside the picture. Draw it larger.']);
        }
        if ($request->has('title')) {
            $refuse($figure->painter_id, $picture, $request->string('was')->value(), $picture->title, ['title' => $request->string('title')->value()]);
        }
        $retake($picture, static function (Picture $picture) use ($request, $crop): void {
            $picture->title = $request->has('title') ? $request->string('title')->value() : $picture->title;
            $picture->kind = $request->enum('kind', PictureKind::class) ?? $picture->kind;
            $picture->shading = $request->enum('shading', Shading::class) ?? $picture->shading;
            $picture->camera = $request->has('camera') ? CameraRule::of($request->array('camera')) : $picture->camera;
            if ($request->has('crop')) {
                $picture->crop = isset($crop[0], $crop[1], $crop[2], $crop[3]) ? [$crop[0], $crop[1], $crop[2], $crop[3]] : null;
            }
        });

        return new JsonResponse(PictureProps::of($figure, $picture));
    }

    /** @throws ValidationException saying why nothing can be neutralised on this; the picture stays as it was */
    public function neutralise(NeutralRequest $request, Figure $figure, Picture $picture, RetakeColours $retake): JsonResponse
    {
        try {
            $taken = $retake($picture, static function (Picture $picture) use ($request): void {
                $picture->neutral = $request->neutral();
            });
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['points' => ucfirst($e->getMessage()).'.']);
        }

        return new JsonResponse(['picture' => PictureProps::of($figure, $picture), 'taken' => $taken]);
    }

    public function restore(Figure $figure, Picture $picture, RetakeColours $retake): JsonResponse
    {
        $taken = $retake($picture, static function (Picture $picture): void {
            $picture->neutral = null;
        });

        return new JsonResponse(['picture' => PictureProps::of($figure, $picture), 'taken' => $taken]);
    }

    public function palette(Request $request, Figure $figure, Picture $picture): JsonResponse
    {
        $request->validate(['most' => ['sometimes', 'integer', 'between:2,16']]);
        $colours = [];
        foreach (PictureColours::of($picture)->palette($request->integer('most', 8)) as [$colour, $at]) {
            $colours[] = new PaletteProps(ColourProps::of($colour->colour), $colour->share, [$at, [self::PALETTE_SPOT, 0.0]]);
        }

        return new JsonResponse($colours);
    }

    public function image(Request $request, Figure $figure, Picture $picture): PlainResponse
    {
        $bytes = $request->has('neutral') && $picture->neutral !== null ? $this->neutral($picture) : (string) Storage::disk('local')->get($picture->path);

        return new PlainResponse($bytes, 200, [
            'Content-Type' => 'image/png',
            // A stored picture never changes, and the address of a neutralised one says how it was done; another
            // painter's cache must not hold it.
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    public function destroy(Figure $figure, Picture $picture): JsonResponse
    {
        $picture->delete();
        StoredFile::forget($picture->path);

        return new JsonResponse(['message' => "{$picture->title} and its samples were removed."]);
    }

    /** The neutralised picture, drawn once. */
    private function neutral(Picture $picture): string
    {
        $path = $picture->path.'.'.PictureProps::mark($picture).'.png';
        if (! Storage::disk('local')->exists($path)) {
            $file = PictureFile::of($picture);
            $balance = $file->whiteBalance($picture->neutral ?? throw new \LogicException('not neutralised'));
            StoredFile::put($path, $file->evened($balance->field)->drawn($balance->correction, config()->integer('hyalin.uploads.shown_side')));
        }

        return (string) Storage::disk('local')->get($path);
    }
}
