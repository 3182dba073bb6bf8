<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shelf;

use App\Actions\SaveVersioned;
use App\Actions\Shelf\MeasurePot;
use App\Devices\Booth;
use App\Devices\Camera;
use App\Devices\ColourReader;
use App\Http\Props\PotProps;
use App\Http\Props\Shelf\CurvesProps;
use App\Http\Props\Shelf\FactProps;
use App\Http\Props\Shelf\MeasurementProps;
use App\Http\Props\Shelf\PaintProps;
use App\Http\Props\Shelf\PotLifeProps;
use App\Http\Props\Shelf\ReadingProps;
use App\Http\Requests\Shelf\CardPhotoRequest;
use App\Http\Requests\Shelf\MeasureRequest;
use App\Http\Requests\Shelf\ShelfFileRequest;
use App\Http\Requests\Shelf\StatedOfPot;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\Srgb;
use Hyalin\Formats\Cgats;
use Hyalin\InvalidInput;
use Hyalin\Measuring\Swatch;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Pot\PotFields;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as PlainResponse;

/**
 * A pot's own page, and the swatch table it is measured at.
 */
final class PotController
{
    public function show(Paint $paint, #[CurrentUser] Painter $painter): Response
    {
        $whites = $painter->paints->filter(static fn (Paint $p): bool => $p->id !== $paint->id
            && $p->pot()->isWhite());

        return Inertia::render('pots/show', [
            'pot' => static fn () => PaintProps::of($paint),
            'curves' => static fn () => CurvesProps::of($paint->optics()),
            'facts' => static fn () => FactProps::of($paint),
            'life' => static fn () => PotLifeProps::of($paint),
            'readerNoise' => $painter->reader_noise,
            'coatSpread' => $painter->coat_spread,
            'whites' => static fn () => array_values($whites->map(static fn (Paint $p) => PotProps::of($p))->all()),
        ]);
    }

    /** One swatch under the reader. */
    public function read(Request $request, Paint $paint, Swatch $swatch, ColourReader $reader, #[CurrentUser] Painter $painter): JsonResponse
    {
        $white = $this->white($painter, $request->integer('whiteId'));
        if ($swatch === Swatch::Tint && $white === null) {
            throw ValidationException::withMessages(['whiteId' => 'Choose the white that the tint is mixed with.']);
        }

        return new JsonResponse(ReadingProps::of($swatch, $reader->read($paint, $swatch, $white)));
    }

    /** A swatch described by a colour: as good as the eye and the screen it was compared on. */
    public function typed(Request $request, Paint $paint, Swatch $swatch): JsonResponse
    {
        $request->validate(['hex' => ['required', 'regex:/^#[0-9a-f]{6}\z/i']], ['hex.regex' => 'The colour must be of the form #rrggbb.']);
        try {
            return new JsonResponse(ReadingProps::of($swatch, SpectralRecovery::of(Srgb::hex($request->string('hex')->lower()->value())->toXyz())));
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['hex' => ucfirst($e->getMessage()).'.']);
        }
    }

    /**
     * Readings from a CGATS file: each row goes to the swatch whose name it bears.
     *
     * @throws ValidationException naming line and column, or that no row is for a swatch
     */
    public function file(ShelfFileRequest $request, Paint $paint): JsonResponse
    {
        $names = [
            'black card' => Swatch::BlackCard,
            'white card' => Swatch::WhiteCard,
            'over black' => Swatch::OverBlack,
            'over white' => Swatch::OverWhite,
            'thick' => Swatch::Thick,
            'tint' => Swatch::Tint,
        ];
        $found = [];
        try {
            foreach (Cgats::read($request->text())->spectra() as [, $name, $spectrum]) {
                foreach ($names as $words => $swatch) {
                    if (str_contains(strtolower($name), $words)) {
                        $found[$swatch->value] = ReadingProps::of($swatch, $spectrum);
                    }
                }
            }
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['file' => ucfirst($e->getMessage()).'.']);
        }

        return $found === []
            ? throw ValidationException::withMessages(['file' => 'No row has the name of a swatch: '.implode(', ', array_keys($names)).'.'])
            : new JsonResponse(array_values($found));
    }

    /**
     * Readings from a photo of the test card, neutralised on the grey that lies in it: three numbers a swatch, so its
     * spectrum is a likely one and not the measured one.
     *
     * @throws ValidationException when it is no picture, or what is said to be grey is not
     */
    public function photo(CardPhotoRequest $request, Paint $paint): JsonResponse
    {
        try {
            $readings = [];
            foreach ($request->colours() as $swatch => $colour) {
                $readings[] = ReadingProps::of(Swatch::from($swatch), SpectralRecovery::of($colour->toXyz()));
            }
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['photo' => ucfirst($e->getMessage()).'.']);
        }

        return new JsonResponse($readings);
    }

    /** A photo of this pot's test card by the simulated camera. */
    public function cardPhoto(Paint $paint, Camera $camera): PlainResponse
    {
        return new PlainResponse($camera->card($paint, new Booth), 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'no-store']);
    }

    /** Fits the readings. The result is kept when asked. */
    public function measure(
        MeasureRequest $request,
        Paint $paint,
        MeasurePot $measure,
        SaveVersioned $save,
        ColourReader $reader,
        #[CurrentUser] Painter $painter,
    ): JsonResponse {
        $readings = $request->readings();
        $white = $this->white($painter, $request->integer('whiteId'));
        // How even one's coats and one's reader are holds for the next pot, too.
        $painter->update(['reader_noise' => $request->filled('noise') ? $request->float('noise') : null, 'coat_spread' => $request->float('coatSpread', SwatchReadings::USUAL_SPREAD)]);
        $noise = $request->noise($reader);
        $measured = $measure($paint, $readings, $noise, $painter->coat_spread, $white);
        $answer = MeasurementProps::of($paint, $measured, $white);
        if ($request->boolean('keep')) {
            $save(
                $painter->id,
                $paint,
                $request->integer('version'),
                $request->validated(),
                static function (Paint $paint) use ($measured, $request, $painter, $noise): void {
                    $paint->holdMeasured($measured->optics, $measured->spread);
                    $paint->readings = ['source' => $request->string('source')->value(), 'noise' => $noise, 'coatSpread' => $painter->coat_spread, 'whiteId' => $request->integer('whiteId') ?: null, 'values' => $request->array('readings')];
                },
                PaintProps::of(...),
            );
        }

        return new JsonResponse(['measurement' => $answer, 'pot' => PaintProps::of($paint)]);
    }

    /** Keeps facts that the painter states. An empty value goes back to the usual of its kind. */
    public function facts(Request $request, Paint $paint): JsonResponse
    {
        $rules = [];
        foreach (PotFields::facts() as $field) {
            $rules[$field->key] = ['nullable', new StatedOfPot($field)];
        }
        $request->validate($rules);
        foreach (PotFields::facts() as $field) {
            if ($request->has($field->key)) {
                $paint->setAttribute($field->column(), StatedOfPot::value($field, $request->input($field->key)));
            }
        }
        $paint->save();

        return new JsonResponse(FactProps::of($paint));
    }

    private function white(Painter $painter, int $id): ?Paint
    {
        return $id === 0 ? null : $painter->paints()->find($id);
    }
}
