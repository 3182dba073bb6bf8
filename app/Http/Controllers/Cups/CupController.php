<?php

declare(strict_types=1);

namespace App\Http\Controllers\Cups;

use App\Actions\Cups\FillCup;
use App\Adapters\Cups\CupContents;
use App\Devices\DropScale;
use App\Http\Props\ColourProps;
use App\Http\Props\Cups\CupProps;
use App\Http\Props\Cups\ScaleProps;
use App\Http\Props\Cups\SteeringProps;
use App\Http\Props\DropsProps;
use App\Http\Props\PotProps;
use App\Http\Requests\Cups\CupEntryRequest;
use App\Http\Requests\Cups\CupRequest;
use App\Models\Bench\RunStep;
use App\Models\Brief\Area;
use App\Models\Cups\CupAct;
use App\Models\Cups\CupRecord;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Likeness;
use Hyalin\Cup\Cup;
use Hyalin\Cup\ScaleStream;
use Hyalin\Cup\Steering;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Pot\DropCount;
use Hyalin\Pot\Volume;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * Cups: mixes in progress.
 */
final class CupController
{
    public function index(#[CurrentUser] Painter $painter): Response
    {
        $cups = $painter->cups()->whereNull('emptied_at')->with(['entries.paint', 'area.figure', 'runStep'])->get();

        return Inertia::render('cups/index', [
            'cups' => static fn () => array_values($cups->map(static fn (CupRecord $c): CupProps => CupProps::of($c))->all()),
        ]);
    }

    public function show(CupRecord $cup, #[CurrentUser] Painter $painter): Response
    {
        return Inertia::render('cups/show', [
            'cup' => static fn () => self::props($cup),
            'pots' => static fn () => array_values($painter->paints->map(static fn (Paint $p) => PotProps::of($p))->all()),
        ]);
    }

    /** @throws ValidationException when a pot or area is not the painter's */
    public function store(CupRequest $request, FillCup $fill, #[CurrentUser] Painter $painter): JsonResponse
    {
        $cup = DB::transaction(function () use ($request, $fill, $painter): CupRecord {
            $cup = new CupRecord(['name' => $request->string('name')->trim()->value()]);
            $cup->painter_id = $painter->id;
            if ($request->filled('areaId')) {
                $cup->area_id = Area::query()->whereHas('figure', fn ($q) => $q->where('painter_id', $painter->id))->find($request->integer('areaId'))->id
                    ?? throw ValidationException::withMessages(['areaId' => 'This area is not one of yours.']);
            }
            if ($request->filled('runStepId')) {
                $cup->run_step_id = RunStep::query()->whereHas('run', fn ($q) => $q->where('painter_id', $painter->id))->find($request->integer('runStepId'))->id
                    ?? throw ValidationException::withMessages(['runStepId' => 'This step is not one of yours.']);
            }
            [$cup->target_l, $cup->target_a, $cup->target_b] = $request->target() ?? [null, null, null];
            $cup->save();
            foreach (self::counted($request->mix(), $painter) as [$pot, $drops]) {
                $fill($cup, Str::ulid()->toBase32(), CupAct::Add, $pot, FillCup::drops($drops, $pot));
            }
            if ($cup->target() === null && $request->mix() !== []) {
                // What was planned is what a wrong drop has to be brought back to.
                $contents = CupContents::of($cup->load('entries.paint'));
                $planned = CupProps::thick($contents->cup->optics($contents->optics()), Sheen::Matt);
                [$cup->target_l, $cup->target_a, $cup->target_b] = [$planned->lightness, $planned->a, $planned->b];
                $cup->save();
            }

            return $cup;
        });

        return new JsonResponse(self::props($cup), JsonResponse::HTTP_CREATED);
    }

    /** @throws ValidationException */
    public function act(CupEntryRequest $request, CupRecord $cup, FillCup $fill, #[CurrentUser] Painter $painter): JsonResponse
    {
        $act = $request->enum('act', CupAct::class) ?? CupAct::Add;
        $paint = $act === CupAct::Add ? self::pot($painter, $request->integer('paintId')) : null;
        $fill($cup, strtoupper($request->string('key')->value()), $act, $paint, match (true) {
            $request->filled('drops') => FillCup::drops($request->integer('drops'), $paint),
            $request->filled('grams') => FillCup::grams($request->float('grams'), $paint),
            default => $request->float('millilitres'),
        });

        return new JsonResponse(self::props($cup));
    }

    /** Undoes one entry, or puts it back. */
    public function undo(Request $request, CupRecord $cup, string $key): JsonResponse
    {
        DB::transaction(static function () use ($request, $cup, $key): void {
            $entry = $cup->entries()->where('key', $key)->with('paint')->firstOrFail();
            $undone = $request->boolean('undone', true);
            if ($undone !== ($entry->undone_at !== null)) {
                $entry->update(['undone_at' => $undone ? now() : null]);
                // A drop that never went in is still in its pot.
                $entry->paint?->takeOut($undone ? -$entry->millilitres : $entry->millilitres);
            }
        });

        return new JsonResponse(self::props($cup));
    }

    /** The same mix once more, in any amount. */
    public function again(Request $request, CupRecord $cup, FillCup $fill): JsonResponse
    {
        $request->validate(['millilitres' => ['required', 'numeric', 'gt:0', 'max:1000']]);
        $amount = $request->float('millilitres');
        $contents = CupContents::of($cup->load('entries.paint'));
        if ($contents->cup->total() <= 0) {
            throw ValidationException::withMessages(['millilitres' => 'This cup is empty: there is nothing to remix.']);
        }
        $new = DB::transaction(static function () use ($cup, $contents, $fill, $amount): CupRecord {
            $new = $cup->replicate(['emptied_at']);
            $new->painter_id = $cup->painter_id;
            $new->save();
            foreach ($contents->cup->shares() as $ingredient => $share) {
                $pot = $contents->pots[$ingredient] ?? null;
                $fill($new, Str::ulid()->toBase32(), $pot === null ? CupAct::Thin : CupAct::Add, $pot, $share * $amount);
            }

            return $new;
        });

        return new JsonResponse(self::props($new), JsonResponse::HTTP_CREATED);
    }

    /** The count of the scale under the cup since a filling began. */
    public function scale(Request $request, CupRecord $cup, DropScale $scale): JsonResponse
    {
        $request->validate(['session' => ['required', 'integer', 'min:1'], 'readings' => ['required', 'integer', 'between:0,600']]);
        $readings = $scale->readings($request->integer('session'), $request->integer('readings'));
        $stream = ScaleStream::from($readings[0] ?? 0.0);
        foreach (array_slice($readings, 1) as $grams) {
            $stream = $stream->read($grams);
        }

        return new JsonResponse(new ScaleProps(
            max(0.0, round($stream->counted, 3)), $stream->state, count($readings) - 1, $stream->missing, $stream->jumps, $stream->drift, $scale->interval(),
        ));
    }

    /** Additions that would bring it to its target. */
    public function steer(CupRecord $cup, #[CurrentUser] Painter $painter): JsonResponse
    {
        $contents = CupContents::of($cup->load('entries.paint'));
        $target = $cup->target();
        if ($target === null || $contents->cup->total() <= 0) {
            throw ValidationException::withMessages(['target' => 'Only a cup with paint in it and a target colour can be corrected.']);
        }
        $pots = $contents->pots;
        foreach ($painter->paints as $paint) {
            if ($paint->pot()->isMixed() && $paint->level_percent > 0) {
                $pots[CupContents::key($paint->id)] ??= $paint;
            }
        }
        $shelf = array_map(static fn (Paint $p) => $p->optics(), $pots);
        $droppers = array_map(static fn (Paint $p): float => $p->pot()->dropMillilitres(), $pots);
        $addition = (new Steering($shelf, $target, Surface::of(Sheen::Matt), self::mostDrops($contents->cup), $droppers))->withRoom($contents->cup);
        $drops = [];
        foreach ($addition->drops as $ingredient => $count) {
            $pot = $pots[$ingredient];
            $drops[] = new DropsProps($pot->id, $pot->maker, $pot->name, $pot->thick_hex, $count);
        }

        return new JsonResponse(new SteeringProps($drops, $addition->removed, ColourProps::of($addition->lab), $addition->difference, Likeness::of($addition->difference)));
    }

    public function destroy(CupRecord $cup): JsonResponse
    {
        $cup->update(['emptied_at' => now()]);

        return new JsonResponse(self::props($cup));
    }

    /** Washed out by mistake: it stands as it was. */
    public function restore(CupRecord $cup): JsonResponse
    {
        $cup->update(['emptied_at' => null]);

        return new JsonResponse(self::props($cup));
    }

    private static function props(CupRecord $cup): CupProps
    {
        return CupProps::of($cup->load(['entries.paint', 'area.figure', 'runStep']));
    }

    /**
     * A mix in whole drops of each pot's own dropper.
     *
     * @param  list<array{int, float, int|null}>  $mix  pot, its parts, or the drops that are counted already
     * @return list<array{Paint, int}>
     *
     * @throws ValidationException
     */
    private static function counted(array $mix, Painter $painter): array
    {
        $pots = array_map(static fn (array $e): Paint => self::pot($painter, $e[0]), $mix);
        $parts = array_column($mix, 1);
        if ($pots === [] || $parts === []) {
            return [];
        }
        $drops = DropCount::of($parts, array_map(static fn (Paint $p): float => $p->pot()->dropMillilitres(), $pots), Volume::parts(array_sum($parts))->millilitres);

        return array_map(static fn (Paint $pot, array $e, int $count): array => [$pot, $e[2] ?? $count], $pots, $mix, $drops);
    }

    /** @throws ValidationException */
    private static function pot(Painter $painter, int $id): Paint
    {
        return $painter->paints()->find($id) ?? throw ValidationException::withMessages(['paintId' => 'This pot is not on your shelf.']);
    }

    /** @return int drops that a cup can be steered by: no more than double what is in it */
    private static function mostDrops(Cup $cup): int
    {
        return max(2, min(60, (int) ceil(Volume::millilitres($cup->total())->inParts())));
    }
}
