<?php

declare(strict_types=1);

namespace App\Http\Controllers\Order;

use App\Actions\Order\GiveUp;
use App\Actions\RefuseOverwriting;
use App\Adapters\Order\FigureOrder;
use App\Adapters\Order\Hindrances;
use App\Adapters\Order\WorkPlan;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Order\ApproachPairProps;
use App\Http\Props\Order\BuildProps;
use App\Http\Props\Order\ContradictionProps;
use App\Http\Props\Order\OrderProps;
use App\Http\Requests\LimitRule;
use App\Models\Brief\Figure;
use App\Models\Order\OwnRule;
use App\Models\Painter;
use App\Models\Seen;
use Hyalin\InvalidInput;
use Hyalin\Limit;
use Hyalin\Order\Alterable;
use Hyalin\Order\ContradictingRules;
use Hyalin\Order\OrderPlanner;
use Hyalin\Plan\Approach;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The order of work: planned, judged, the painter's own.
 */
final class OrderController
{
    public function show(Figure $figure, #[CurrentUser] Painter $painter): Response
    {
        $problem = $planned = $own = $contradiction = null;
        try {
            $plan = WorkPlan::of($figure);
            $order = OrderPlanner::plan($plan);
            $judged = $figure->own_order === null ? null : OrderPlanner::judge($plan, $figure->own_order);
            Hindrances::in($figure, FigureOrder::from($plan, $judged ?? $order));
            $planned = OrderProps::of($figure, $plan, $order);
            $own = $judged === null ? null : OrderProps::of($figure, $plan, $judged);
        } catch (ContradictingRules $e) {
            Hindrances::of($figure);
            $contradiction = ContradictionProps::of(WorkPlan::of($figure), $e);
        } catch (InvalidInput $e) {
            Hindrances::of($figure);
            $problem = ucfirst($e->getMessage()).'.';
        }

        return Inertia::render('order/index', [
            'figure' => static fn () => FigureProps::of($figure, 'Order'),
            'planned' => $planned,
            'own' => $own,
            'problem' => $problem,
            'contradiction' => $contradiction,
            'seen' => Seen::of($figure->own_order),
            'build' => static fn () => BuildProps::of($figure),
            'approaches' => static fn () => array_map(
                static fn (array $pair): ApproachPairProps => new ApproachPairProps($pair[0]->value, $pair[1]->value, in_array($pair[1]->value, $painter->schools ?? [], true)),
                Approach::pairs(),
            ),
        ]);
    }

    /** Judges another order: its cost and the rules it breaks. Nothing is saved. */
    public function judge(Request $request, Figure $figure): JsonResponse
    {
        return new JsonResponse($this->judged($figure, self::ids($request)));
    }

    /** Keeps an order of one's own, or goes back to the planned one. */
    public function update(Request $request, Figure $figure, RefuseOverwriting $refuse): JsonResponse
    {
        $request->validate(['seen' => ['required', 'string', 'max:64']]);
        $ids = $request->input('steps') === null ? null : self::ids($request);
        if ($ids !== null) {
            $this->judged($figure, $ids);
        }
        $refuse($figure->painter_id, $figure, $request->string('seen')->value(), Seen::of($figure->refresh()->own_order), ['own_order' => $ids]);
        $figure->update(['own_order' => $ids]);

        return new JsonResponse(['seen' => Seen::of($figure->own_order)]);
    }

    /** The approaches belong to the painter: they count for every figure. */
    public function approaches(Request $request, #[CurrentUser] Painter $painter): JsonResponse
    {
        $others = array_map(static fn (array $pair): string => $pair[1]->value, Approach::pairs());
        $request->validate(['approaches' => ['present', 'array', 'list'], 'approaches.*' => ['string', Rule::in($others)]]);
        $painter->update(['schools' => array_values(array_unique(array_filter($request->array('approaches'), is_string(...))))]);

        return new JsonResponse(['message' => 'Saved.']);
    }

    /** @throws ValidationException when it runs against the others in a circle, or names no step */
    public function storeRule(Request $request, Figure $figure): JsonResponse
    {
        $request->validate([
            'before' => ['required', 'string', 'max:80', 'different:after'],
            'after' => ['required', 'string', 'max:80'],
            'weight' => ['nullable', ...LimitRule::of(Limit::RuleWeight)],
            'reason' => ['required', 'string', 'max:200'],
        ], ['before.different' => 'A step cannot come before itself.']);
        $rule = new OwnRule([
            'before' => $request->string('before')->value(),
            'after' => $request->string('after')->value(),
            'weight' => $request->filled('weight') ? $request->float('weight') : null,
            'reason' => $request->string('reason')->trim()->value(),
        ]);
        $figure->ownRules()->save($rule);
        try {
            OrderPlanner::plan(WorkPlan::of($figure));
        } catch (InvalidInput $e) {
            $rule->delete();
            throw ValidationException::withMessages(['before' => ucfirst($e->getMessage()).'. The rule was not added.']);
        }

        return new JsonResponse(['id' => $rule->id], JsonResponse::HTTP_CREATED);
    }

    public function destroyRule(Figure $figure, OwnRule $ownRule): JsonResponse
    {
        $ownRule->delete();

        return new JsonResponse(['message' => 'The rule was removed.']);
    }

    /** Gives up one thing of a circle of rules. */
    public function giveUp(Request $request, Figure $figure, GiveUp $giveUp): JsonResponse
    {
        $request->validate([
            'what' => ['required', Rule::enum(Alterable::class)],
            'subject' => ['present', 'nullable', 'string', 'max:80'],
            'other' => ['present', 'nullable', 'string', 'max:80'],
        ]);
        $giveUp($figure, $request->enum('what', Alterable::class) ?? Alterable::OwnRule, $request->string('subject')->value(), $request->string('other')->value());

        return new JsonResponse(['message' => 'Changed.']);
    }

    /** @param  list<string>  $ids */
    private function judged(Figure $figure, array $ids): OrderProps
    {
        try {
            $plan = WorkPlan::of($figure);

            return OrderProps::of($figure, $plan, OrderPlanner::judge($plan, $ids));
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['steps' => ucfirst($e->getMessage()).'.']);
        }
    }

    /** @return list<string> */
    private static function ids(Request $request): array
    {
        $request->validate(['steps' => ['required', 'array', 'list', 'max:400'], 'steps.*' => ['string', 'max:80']]);

        return array_values(array_filter($request->array('steps'), is_string(...)));
    }
}
