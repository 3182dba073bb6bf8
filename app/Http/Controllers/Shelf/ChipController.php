<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shelf;

use App\Actions\Shelf\FitHand;
use App\Devices\ColourReader;
use App\Http\Props\Finish\TechniqueProps;
use App\Http\Props\PotProps;
use App\Http\Props\Shelf\HandProps;
use App\Http\Requests\LimitRule;
use App\Models\Painter;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\Paint;
use App\Models\Shelf\TechniqueHand;
use Hyalin\Finish\Technique;
use Hyalin\Limit;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * Test chips: how this painter's hand differs from the usual profile of a technique.
 */
final class ChipController
{
    private const CARDS = ['black' => 0.035, 'white' => 0.88];

    public function index(#[CurrentUser] Painter $painter): Response
    {
        $chips = ChipRecord::query()->where('painter_id', $painter->id)->with('paint')->orderBy('id')->get();
        $hands = TechniqueHand::query()->where('painter_id', $painter->id)->orderBy('technique')->get();

        return Inertia::render('chips/index', [
            'hands' => static fn () => array_values($hands->map(static fn (TechniqueHand $h): HandProps => HandProps::of($h, $chips))->all()),
            'techniques' => static fn () => TechniqueProps::all($painter->paints),
            'pots' => static fn () => array_values($painter->paints->map(static fn (Paint $p) => PotProps::of($p))->all()),
        ]);
    }

    /** @throws ValidationException when the pot is not the painter's, or the chips then tell nothing */
    public function store(Request $request, ColourReader $reader, FitHand $fit, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate([
            'technique' => ['required', Rule::enum(Technique::class)],
            'paintId' => ['required', 'integer'],
            'card' => ['required', Rule::in(array_keys(self::CARDS))],
            'coats' => ['required', 'integer', 'between:1,6'],
            'thinner' => ['required', ...LimitRule::of(Limit::Thinner)],
        ]);
        $pot = $painter->paints()->find($request->integer('paintId')) ?? throw ValidationException::withMessages(['paintId' => 'This pot is not on your shelf.']);
        $technique = $request->enum('technique', Technique::class) ?? Technique::BaseCoat;
        if (! $technique->showsOnFlat()) {
            throw ValidationException::withMessages(['technique' => 'This technique leaves nothing on a flat chip: it works on edges and in recesses only.']);
        }
        $card = self::CARDS[$request->string('card')->value()];
        DB::transaction(function () use ($request, $reader, $fit, $painter, $pot, $technique, $card): void {
            $chip = new ChipRecord([
                'technique' => $technique,
                'paint_id' => $pot->id,
                'thinner' => $request->float('thinner'),
                'coats' => $request->integer('coats'),
                'card' => $card,
                'read' => $reader->readChip($pot, $technique, $request->float('thinner'), $request->integer('coats'), $card)->values,
            ]);
            $chip->painter_id = $painter->id;
            $chip->save();
            $fit($painter, $technique);
        });

        return new JsonResponse(['message' => 'The chip was read.'], JsonResponse::HTTP_CREATED);
    }

    public function destroy(ChipRecord $chip, FitHand $fit, #[CurrentUser] Painter $painter): JsonResponse
    {
        DB::transaction(function () use ($chip, $fit, $painter): void {
            $chip->delete();
            $fit($painter, $chip->technique);
        });

        return new JsonResponse(['message' => 'The chip was deleted.']);
    }
}
