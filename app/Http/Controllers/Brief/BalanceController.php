<?php

declare(strict_types=1);

namespace App\Http\Controllers\Brief;

use App\Http\Props\Brief\BalancePageProps;
use App\Http\Props\Brief\FigureProps;
use App\Http\Requests\LimitRule;
use App\Models\Brief\BalanceRecord;
use App\Models\Brief\Figure;
use Hyalin\Colour\Illuminant;
use Hyalin\Finish\BalanceKind;
use Hyalin\Limit;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The balance of a figure: its areas beside each other, in grey, and under other lights.
 */
final class BalanceController
{
    public function show(Request $request, Figure $figure): Response
    {
        $request->validate(['light' => ['nullable', 'string']]);
        $light = Illuminant::tryFrom($request->string('light')->value()) ?? Illuminant::D65;

        return Inertia::render('balance/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Finishes'),
            'page' => static fn () => BalancePageProps::of($figure, $light),
        ]);
    }

    public function store(Request $request, Figure $figure): JsonResponse
    {
        $own = Rule::exists('areas', 'id')->where('figure_id', $figure->id);
        $request->validate([
            'kind' => ['required', Rule::enum(BalanceKind::class)],
            'areaId' => ['required', 'integer', $own],
            'otherId' => ['nullable', 'integer', 'different:areaId', $own, Rule::requiredIf($request->input('kind') !== BalanceKind::FocalPoint->value)],
            'limit' => ['nullable', ...LimitRule::of(Limit::BalanceLimit)],
        ], ['otherId.different' => 'An area cannot be balanced with itself.', 'otherId.required' => 'Choose the other area.']);
        $kind = $request->enum('kind', BalanceKind::class) ?? BalanceKind::StandApart;
        $balance = new BalanceRecord([
            'kind' => $kind,
            'area_id' => $request->integer('areaId'),
            'other_id' => $kind->needsOther() ? $request->integer('otherId') : null,
            'limit' => $request->filled('limit') ? $request->float('limit') : $kind->usualLimit(),
        ]);
        $figure->balances()->save($balance);

        return new JsonResponse(['id' => $balance->id], JsonResponse::HTTP_CREATED);
    }

    public function destroy(Figure $figure, BalanceRecord $balance): JsonResponse
    {
        $balance->delete();

        return new JsonResponse(['message' => 'The preference was removed.']);
    }
}
