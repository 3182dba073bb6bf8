<?php

declare(strict_types=1);

namespace Hyalin\Order;

use Hyalin\Order\Checks\Checks;
use Hyalin\Order\Masking\InsertionOrder;
use Hyalin\Order\Masking\MaskOrderTask;
use Hyalin\Order\Masking\MaskRun;
use Hyalin\Order\Masking\Masks;
use Hyalin\Order\Masking\OrderSearch;
use Hyalin\Order\Masking\Precedence;
use Hyalin\Order\Rules\RuleBook;
use Hyalin\Order\Steps\StepList;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;

/**
 * Front door: the whole work of a figure in an order that keeps every hard rule, breaks the fewest preferences and masks least.
 */
final class OrderPlanner
{
    /** @throws ContradictingRules when musts run in a circle, naming steps, rules and the ways out */
    public static function plan(FigurePlan $figure): PlannedOrder
    {
        $steps = StepList::of($figure);
        $constraints = RuleBook::constraints($figure, $steps);
        if ($steps === []) {
            return new PlannedOrder([], $constraints, [], [], Checks::of($figure, $steps));
        }
        self::refuseCircles($figure, $steps, $constraints);
        $run = MaskRun::of($figure, $steps);
        $task = self::task($steps, $constraints);
        $guide = self::task($steps, $constraints, $run->pairs());
        $order = OrderSearch::find($task, $guide, $run, InsertionOrder::feasible($task, self::natural($figure, $steps)));

        return self::judged($figure, array_map(static fn (int $place): Step => $steps[$place], $order), $constraints);
    }

    /**
     * The painter's own order, judged by the same rules.
     *
     * @param  list<string>  $ids  of steps; steps that are not named come where the plan has them, at the end
     *
     * @throws ContradictingRules
     */
    public static function judge(FigurePlan $figure, array $ids): PlannedOrder
    {
        $steps = StepList::of($figure);
        $constraints = RuleBook::constraints($figure, $steps);
        self::refuseCircles($figure, $steps, $constraints);
        $by = [];
        foreach ($steps as $step) {
            $by[(string) $step->id] = $step;
        }
        $own = [];
        foreach ($ids as $id) {
            if (isset($by[$id])) {
                $own[] = $by[$id];
                unset($by[$id]);
            }
        }
        $rest = $by === [] ? [] : array_filter(self::plan($figure)->steps, static fn (Step $s): bool => isset($by[(string) $s->id]));

        return self::judged($figure, [...$own, ...array_values($rest)], $constraints);
    }

    /**
     * @param  list<Step>  $order
     * @param  list<Constraint>  $constraints
     */
    private static function judged(FigurePlan $figure, array $order, array $constraints): PlannedOrder
    {
        $at = array_flip(array_map(static fn (Step $s): string => (string) $s->id, $order));
        $broken = array_values(array_filter($constraints, static fn (Constraint $c): bool => $at[(string) $c->before] > $at[(string) $c->after]));

        return new PlannedOrder($order, $constraints, $broken, Masks::of($figure, $order), Checks::of($figure, $order));
    }

    /**
     * @param  non-empty-list<Step>  $steps
     * @param  list<Constraint>  $constraints
     * @param  list<array{int, int, float}>  $sprays  place of a spray, of a step that it had better come before, minutes
     */
    private static function task(array $steps, array $constraints, array $sprays = []): MaskOrderTask
    {
        $ids = array_map(static fn (Step $s): string => (string) $s->id, $steps);
        $before = $soft = [];
        foreach ($constraints as $c) {
            if ($c->weight === null) {
                $before[] = [(string) $c->before, (string) $c->after];
            } else {
                $soft[] = [(string) $c->before, (string) $c->after, $c->weight];
            }
        }
        foreach ($sprays as [$spray, $finished, $minutes]) {
            $soft[] = [$ids[$spray], $ids[$finished], $minutes];
        }

        return MaskOrderTask::of(array_map(static fn (string $id): array => [$id, false, 0.0], $ids), [], $before, $soft);
    }

    /**
     * Where a painter would begin: preparation, prime, area by area from the inside, joints.
     *
     * @param  list<Step>  $steps
     * @return list<int>
     */
    private static function natural(FigurePlan $figure, array $steps): array
    {
        $depth = [];
        foreach ($figure->areas as $n => $area) {
            $depth[$area->id] = $area->depth * 1000 + $n;
        }
        $key = static fn (Step $s): array => [
            match ($s->kind) {
                StepKind::Prepare => 0,
                StepKind::Glue => 3,
                StepKind::Prime => 1,
                default => count($s->areas) > 1 ? 1 : 2,
            },
            $depth[$s->areas[0] ?? ''] ?? 0,
        ];
        $places = array_keys($steps);
        // Stable: layers of an area stay in their stack order.
        usort($places, static fn (int $p, int $q): int => [...$key($steps[$p]), $p] <=> [...$key($steps[$q]), $q]);

        return $places;
    }

    /**
     * @param  list<Step>  $steps
     * @param  list<Constraint>  $constraints
     *
     * @throws ContradictingRules
     */
    private static function refuseCircles(FigurePlan $figure, array $steps, array $constraints): void
    {
        $place = array_flip(array_map(static fn (Step $s): string => (string) $s->id, $steps));
        $next = array_fill(0, count($steps), []);
        $by = [];
        foreach ($constraints as $c) {
            if ($c->isMust()) {
                $next[$place[(string) $c->before]][$place[(string) $c->after]] = true;
                $by["{$c->before}\n{$c->after}"] ??= $c;
            }
        }
        $round = Precedence::cycle($next);
        if ($round !== null) {
            throw ContradictingRules::round($figure, array_map(static fn (int $n, int $at): array => [
                $steps[$n], $by["{$steps[$n]->id}\n{$steps[$round[($at + 1) % count($round)]]->id}"],
            ], $round, array_keys($round)));
        }
    }
}
