<?php

declare(strict_types=1);

namespace App\Http\Controllers\Brief;

use App\Actions\Brief\AddAreas;
use App\Actions\ChangedElsewhere;
use App\Actions\RefuseOverwriting;
use App\Http\Props\Brief\AreaProps;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Brief\PartProps;
use App\Http\Props\Order\BoundaryProps;
use App\Http\Requests\Brief\AreaRequest;
use App\Http\Requests\Brief\ManyAreas;
use App\Http\Requests\LimitRule;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Brief\Part;
use App\Models\NextNumber;
use Hyalin\Limit;
use Hyalin\Plan\PrintProcess;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The first stage: the figure, its printed parts, the areas of paint on them.
 */
final class BriefController
{
    public function show(Figure $figure): Response
    {
        return Inertia::render('brief/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Brief'),
            'parts' => static fn () => PartProps::allOf($figure),
            'areas' => static fn () => AreaProps::allOf($figure),
            'boundaries' => static fn () => BoundaryProps::allOf($figure),
        ]);
    }

    public function storePart(Request $request, Figure $figure): RedirectResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:120']]);
        $part = new Part(['name' => $request->string('name')->trim()->value()]);
        $part->position = NextNumber::of($figure->parts(), 'position');
        $figure->parts()->save($part);

        return back();
    }

    /** The material of a part, where it differs from that of the figure. */
    public function updatePart(Request $request, Figure $figure, Part $part): RedirectResponse
    {
        $request->validate(
            ['bareHex' => ['nullable', 'regex:/^#[0-9a-f]{6}\z/i'], 'translucency' => ['nullable', ...LimitRule::of(Limit::Translucency)], 'process' => ['sometimes', Rule::enum(PrintProcess::class)]],
            ['bareHex.regex' => 'The colour must be of the form #rrggbb.'],
        );
        $part->bare_hex = match (true) {
            ! $request->has('bareHex') => $part->bare_hex,
            $request->filled('bareHex') => $request->string('bareHex')->lower()->value(),
            default => null,
        };
        $part->translucency = $request->has('translucency') ? ($request->filled('translucency') ? $request->float('translucency') : null) : $part->translucency;
        $part->process = $request->enum('process', PrintProcess::class) ?? $part->process;
        $part->save();

        return back();
    }

    public function destroyPart(Figure $figure, Part $part): RedirectResponse
    {
        $part->delete();

        return back();
    }

    public function storeArea(AreaRequest $request, Figure $figure): RedirectResponse
    {
        $area = new Area($request->attributesOfArea());
        $area->position = NextNumber::of($figure->areas(), 'position');
        $figure->areas()->save($area);

        return back();
    }

    /** Many areas in one go, one a line. */
    public function storeAreas(Request $request, Figure $figure, AddAreas $add): RedirectResponse
    {
        $request->validate(['lines' => ['required', 'string', 'max:20000']]);
        $add($figure, ManyAreas::of($request->string('lines')->value(), $figure));

        return back();
    }

    public function updateArea(AreaRequest $request, Figure $figure, Area $area, RefuseOverwriting $refuse): RedirectResponse
    {
        try {
            $refuse($figure->painter_id, $area, $request->has('seen') ? $request->string('seen')->value() : null, $area->refresh()->seen(), $request->attributesOfArea());
        } catch (ChangedElsewhere) {
            throw ValidationException::withMessages(['seen' => "Another window changed this area meanwhile: it is \"{$area->name}\" now. Nothing was overwritten. Save again to keep yours, or close this to keep what is there."]);
        }
        $area->update($request->attributesOfArea());

        return back();
    }

    public function destroyArea(Figure $figure, Area $area): RedirectResponse
    {
        DB::transaction(static fn () => $area->delete());

        return back();
    }
}
