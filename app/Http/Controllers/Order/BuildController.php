<?php

declare(strict_types=1);

namespace App\Http\Controllers\Order;

use App\Actions\Order\ApplyTemplate;
use App\Actions\Order\MergeParts;
use App\Http\Requests\LimitRule;
use App\Models\Brief\Area;
use App\Models\Brief\Boundary;
use App\Models\Brief\Figure;
use App\Models\Brief\Joint;
use App\Models\Brief\Part;
use Hyalin\Limit;
use Hyalin\Order\Steps\SandingSequence;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Reach;
use Hyalin\Plan\Seam;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * The figure as it is built: parts, joints, where areas lie and meet.
 */
final class BuildController
{
    public function template(Request $request, Figure $figure, ApplyTemplate $apply): JsonResponse
    {
        $request->validate(['template' => ['required', Rule::in(ApplyTemplate::names())]]);
        $apply($figure, $request->string('template')->value());

        return new JsonResponse(['message' => 'Parts, areas, joints and boundaries were added.'], JsonResponse::HTTP_CREATED);
    }

    public function updatePart(Request $request, Figure $figure, Part $part): JsonResponse
    {
        $request->validate([
            'process' => ['sometimes', Rule::enum(PrintProcess::class)],
            'isBase' => ['sometimes', 'boolean'],
            'isFiddly' => ['sometimes', 'boolean'],
            'attachments' => ['sometimes', 'nullable', 'string', 'max:120'],
            'name' => ['sometimes', 'string', 'max:120'],
            'gritFrom' => ['sometimes', 'nullable', 'integer', Rule::in(array_keys(SandingSequence::MICROMETRES))],
            'gritTo' => ['sometimes', 'nullable', 'integer', Rule::in(array_keys(SandingSequence::MICROMETRES))],
            'sandingRounds' => ['sometimes', 'nullable', ...LimitRule::of(Limit::SandingRounds)],
        ]);
        $part->process = $request->enum('process', PrintProcess::class) ?? $part->process;
        $part->is_base = $request->boolean('isBase', $part->is_base);
        $part->is_fiddly = $request->boolean('isFiddly', $part->is_fiddly);
        $part->attachments = $request->has('attachments') ? ($request->string('attachments')->trim()->value() ?: null) : $part->attachments;
        $part->name = $request->filled('name') ? $request->string('name')->trim()->value() : $part->name;
        foreach (['gritFrom' => 'grit_from', 'gritTo' => 'grit_to', 'sandingRounds' => 'sanding_rounds'] as $sent => $column) {
            if ($request->has($sent)) {
                $part->{$column} = $request->filled($sent) ? $request->integer($sent) : null;
            }
        }
        if ($part->grit_from !== null && $part->grit_to !== null && $part->grit_from > $part->grit_to) {
            throw ValidationException::withMessages(['gritTo' => "P{$part->grit_to} is coarser than P{$part->grit_from}: begin with the smaller number."]);
        }
        $part->save();

        return new JsonResponse(['message' => 'Saved.']);
    }

    /** What is on one part is on the other from now on. */
    public function mergePart(Request $request, Figure $figure, Part $part, MergeParts $merge): JsonResponse
    {
        $request->validate(['intoId' => ['required', 'integer', Rule::exists('parts', 'id')->where('figure_id', $figure->id)]]);
        $into = $figure->parts()->findOrFail($request->integer('intoId'));
        if ($into->id === $part->id) {
            throw ValidationException::withMessages(['intoId' => 'A part cannot be merged into itself.']);
        }
        $merge($part, $into);

        return new JsonResponse(['message' => "{$part->name} is part of {$into->name} now."]);
    }

    public function updateArea(Request $request, Figure $figure, Area $area): JsonResponse
    {
        $request->validate([
            'depth' => ['sometimes', ...LimitRule::of(Limit::Depth)],
            'squareCm' => ['sometimes', 'nullable', ...LimitRule::of(Limit::AreaSquareCm)],
            'isHidden' => ['sometimes', 'boolean'],
            'isLeftBare' => ['sometimes', 'boolean'],
            'reach' => ['sometimes', Rule::enum(Reach::class)],
        ]);
        $area->depth = $request->integer('depth', $area->depth);
        $area->square_cm = $request->has('squareCm') ? ($request->filled('squareCm') ? $request->float('squareCm') : null) : $area->square_cm;
        $area->is_hidden = $request->boolean('isHidden', $area->is_hidden);
        $area->is_left_bare = $request->boolean('isLeftBare', $area->is_left_bare);
        $area->reach = $request->enum('reach', Reach::class) ?? $area->reach;
        $area->save();

        return new JsonResponse(['message' => 'Saved.']);
    }

    /** @throws ValidationException when a part is joined with itself, or the two are joined already */
    public function storeJoint(Request $request, Figure $figure): JsonResponse
    {
        $own = Rule::exists('parts', 'id')->where('figure_id', $figure->id);
        $request->validate([
            'partId' => ['required', 'integer', $own],
            'otherId' => ['required', 'integer', 'different:partId', $own],
            'isLast' => ['sometimes', 'boolean'],
            'seam' => ['sometimes', Rule::enum(Seam::class)],
            'hides' => ['sometimes', 'array', 'list'],
            'hides.*' => ['integer', Rule::exists('areas', 'id')->where('figure_id', $figure->id)],
        ], ['otherId.different' => 'A part cannot be joined with itself.']);
        [$a, $b] = [$request->integer('partId'), $request->integer('otherId')];
        if ($figure->joints()->whereIn('part_id', [$a, $b])->whereIn('other_id', [$a, $b])->exists()) {
            throw ValidationException::withMessages(['otherId' => 'These two are joined already.']);
        }
        $joint = DB::transaction(static function () use ($request, $figure, $a, $b): Joint {
            $joint = $figure->joints()->create(['part_id' => $a, 'other_id' => $b, 'seam' => $request->enum('seam', Seam::class) ?? Seam::Clean, 'is_last' => $request->boolean('isLast')]);
            $joint->hiddenAreas()->sync(array_filter($request->array('hides'), is_numeric(...)));

            return $joint;
        });

        return new JsonResponse(['id' => $joint->id], JsonResponse::HTTP_CREATED);
    }

    public function destroyJoint(Figure $figure, Joint $joint): JsonResponse
    {
        $joint->delete();

        return new JsonResponse(['message' => 'The joint was removed.']);
    }

    /** @throws ValidationException when an area meets itself, or the two have a boundary that differs */
    public function storeBoundary(Request $request, Figure $figure): JsonResponse
    {
        $own = Rule::exists('areas', 'id')->where('figure_id', $figure->id);
        $request->validate([
            'areaId' => ['required', 'integer', $own],
            'otherId' => ['required', 'integer', 'different:areaId', $own],
            'mm' => ['required', ...LimitRule::of(Limit::BoundaryMm)],
            'isCurved' => ['sometimes', 'boolean'],
        ], ['otherId.different' => 'An area cannot border itself.']);
        [$a, $b] = [$request->integer('areaId'), $request->integer('otherId')];
        $known = $figure->boundaries()->whereIn('area_id', [$a, $b])->whereIn('other_id', [$a, $b])->first();
        if ($known !== null) {
            throw ValidationException::withMessages(['mm' => "These two meet along {$known->mm} mm already: remove that boundary first."]);
        }
        $boundary = $figure->boundaries()->create(['area_id' => $a, 'other_id' => $b, 'mm' => $request->float('mm'), 'is_curved' => $request->boolean('isCurved', true)]);

        return new JsonResponse(['id' => $boundary->id], JsonResponse::HTTP_CREATED);
    }

    public function destroyBoundary(Figure $figure, Boundary $boundary): JsonResponse
    {
        $boundary->delete();

        return new JsonResponse(['message' => 'The boundary was removed.']);
    }
}
