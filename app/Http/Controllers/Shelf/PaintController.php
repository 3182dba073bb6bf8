<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shelf;

use App\Actions\SaveVersioned;
use App\Actions\Shelf\EstimatePaint;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Shelf\GamutPageProps;
use App\Http\Props\Shelf\PaintProps;
use App\Http\Props\Shelf\ShelfPageProps;
use App\Http\Requests\Shelf\PaintRequest;
use App\Models\NextNumber;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Optics\Hiding;
use Hyalin\Optics\OpticsQuality;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

final class PaintController
{
    /** Columns that K and S are estimated from. */
    private const ESTIMATED_FROM = ['thick_hex', 'opacity', 'strength', 'sheen', 'kind', 'tint_hex'];

    public function index(#[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('shelf/index', [
            'page' => static fn () => ShelfPageProps::of($painter),
            'guided' => static function () use ($painter): ?FigureProps {
                $figure = $painter->figures()->where('is_guided', true)->whereDoesntHave('runs')->orderByDesc('id')->first();

                return $figure === null ? null : FigureProps::of($figure, 'Shelf');
            },
        ]);
    }

    /** The shelf as it opens over a stage. */
    public function list(#[CurrentUser] Painter $painter): JsonResponse
    {
        return new JsonResponse(ShelfPageProps::of($painter)->paints);
    }

    /** Colours that the shelf reaches and lacks, and pots that it has twice. */
    public function reach(#[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('shelf/reach', ['page' => static fn () => GamutPageProps::of($painter)]);
    }

    /** The swatches a pot would have, while it is being described. */
    public function estimate(PaintRequest $request, EstimatePaint $estimate): JsonResponse
    {
        $optics = $estimate(new Paint($request->attributesOfPaint()));

        return new JsonResponse([
            'overBlack' => PaintProps::coatOver($optics, 0.0),
            'overWhite' => PaintProps::coatOver($optics, 1.0),
            'coatsToHide' => Hiding::coatsToHide($optics),
        ]);
    }

    public function store(PaintRequest $request, EstimatePaint $estimate, #[CurrentUser] Painter $painter): JsonResponse
    {
        $paint = new Paint($request->attributesOfPaint());
        $paint->painter_id = $painter->id;
        $paint->position = NextNumber::of($painter->paints(), 'position');
        $this->giveOptics($paint, $estimate);
        $paint->save();

        return new JsonResponse(PaintProps::of($paint), JsonResponse::HTTP_CREATED);
    }

    public function update(
        PaintRequest $request,
        Paint $paint,
        EstimatePaint $estimate,
        SaveVersioned $save,
        #[CurrentUser] Painter $painter,
    ): JsonResponse {
        $save(
            $painter->id,
            $paint,
            $request->integer('version'),
            $request->validated(),
            function (Paint $paint) use ($request, $estimate): void {
                $paint->fill($request->attributesOfPaint());
                // The painter looked into it: what was counted before is in what they saw.
                $paint->used_ml = $paint->isDirty(['level_percent', 'size_ml']) ? 0.0 : $paint->used_ml;
                // A measured pot keeps its K and S: its name or level may change, not what was read; nor, of one that is estimated, what
                // photos have taught of it.
                if ($paint->quality === OpticsQuality::Estimated && $paint->isDirty(self::ESTIMATED_FROM)) {
                    $this->giveOptics($paint, $estimate);
                }
            },
            PaintProps::of(...),
        );

        return new JsonResponse(PaintProps::of($paint));
    }

    public function destroy(Paint $paint): JsonResponse
    {
        $paint->delete();

        return new JsonResponse(['message' => "{$paint->name} was removed from the shelf. Recipes that use it keep it."]);
    }

    public function restore(Paint $paint): JsonResponse
    {
        $paint->restore();

        return new JsonResponse(PaintProps::of($paint));
    }

    private function giveOptics(Paint $paint, EstimatePaint $estimate): void
    {
        $optics = $estimate($paint);
        $paint->absorption = $optics->k;
        $paint->scattering = $optics->s;
        $paint->quality = $optics->quality;
        // What was known of the pot as it was says nothing of this one.
        $paint->spread = null;
    }
}
