<?php

declare(strict_types=1);

namespace Hyalin\Order;

use Hyalin\Order\Checks\Checks;
use Hyalin\Order\Masking\InsertionOrder;
use Hyalin\Order\Masking\MaskOrderTask;
use Hyalin\Order\Masking\Masks;
use Hyalin\Order\Masking\Precedence;
use Hyalin\Order\Plan\FigurePlan;
use Hyalin\Order\Rules\Constraint;
use Hyalin\Order\Rules\RuleBook;
use Hyalin\Order\Steps\Step;
use Hyalin\Order\Steps\StepKind;
use Hyalin\Order\Steps\StepList;

/**
 * Front door: the whole work of a figure in an order that keeps every hard rule, breaks the fewest preferences and masks least.
 */
final class OrderPlanner
{
    /** @throws InvalidOrder when musts run in a circle, naming steps, rules and the smallest change */
    public static function plan(FigurePlan $figure): PlannedOrder
    {
        $steps = StepList::of($figure);
        $constraints = RuleBook::constraints($figure, $steps);
        if ($steps === []) {
            return new PlannedOrder([], $constraints, [], [], Checks::of($figure, $steps));
        }
        $task = self::task($figure, $steps, $constraints);
        $order = InsertionOrder::improved($task, InsertionOrder::feasible($task, self::natural($figure, $steps)));

        return self::judged($figure, array_map(static fn (int $place): Step => $steps[$place], $order), $constraints);
    }

    /**
     * The painter's own order, judged by the same rules.
     *
     * @param  list<string>  $ids  of steps; steps that are not named come where the plan has them, at the end
     */
    public static function judge(FigurePlan $figure, array $ids): PlannedOrder
    {
        $planned = self::plan($figure);
        $by = [];
        foreach ($planned->steps as $step) {
            $by[(string) $step->id] = $step;
        }
        $own = [];
        foreach ($ids as $id) {
            if (isset($by[$id])) {
                $own[] = $by[$id];
                unset($by[$id]);
            }
        }

        return self::judged($figure, [...$own, ...array_values($by)], $planned->constraints);
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
     *
     * @throws InvalidOrder
     */
    private static function task(FigurePlan $figure, array $steps, array $constraints): MaskOrderTask
    {
        self::refuseCircles($steps, $constraints);
        $before = $soft = [];
        foreach ($constraints as $c) {
            if ($c->weight === null) {
                $before[] = [(string) $c->before, (string) $c->after];
            } else {
                $soft[] = [(string) $c->before, (string) $c->after, $c->weight];
            }
        }

        return MaskOrderTask::of(array_map(static fn (Step $s): array => [(string) $s->id, false, 0.0], $steps), [], $before, [...$soft, ...self::maskPreferences($figure, $steps)]);
    }

    /**
     * A spray before what lies beside it is begun saves its masking; after it is finished it costs it.
     *
     * @param  list<Step>  $steps
     * @return list<array{string, string, float}>
     */
    private static function maskPreferences(FigurePlan $figure, array $steps): array
    {
        $preferences = [];
        foreach ($steps as $spray) {
            if ($spray->kind !== StepKind::Spray || count($spray->areas) !== 1) {
                continue;
            }
            foreach ($figure->neighbours($spray->areas[0]) as [$other, $boundary]) {
                $own = array_values(array_filter($steps, static fn (Step $s): bool => $s->areas === [$other->id]));
                foreach ($own as $step) {
                    $preferences[] = [(string) $spray->id, (string) $step->id, Masks::minutes($boundary, $other) / count($own)];
                }
            }
        }

        return $preferences;
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
     * @param  non-empty-list<Step>  $steps
     * @param  list<Constraint>  $constraints
     *
     * @throws InvalidOrder naming the steps, and the rule one could give up
     */
    private static function refuseCircles(array $steps, array $constraints): void
    {
        $place = array_flip(array_map(static fn (Step $s): string => (string) $s->id, $steps));
        $next = array_fill(0, count($steps), []);
        $by = [];
        foreach ($constraints as $c) {
            if ($c->isMust()) {
                $next[$place[(string) $c->before]][$place[(string) $c->after]] = true;
                $by["{$c->before}\n{$c->after}"] = $c;
            }
        }
        $round = Precedence::cycle($next);
        if ($round === null) {
            return;
        }
        $weakest = null;
        foreach ($round as $n => $from) {
            $c = $by[$steps[$from]->id."\n".$steps[$round[($n + 1) % count($round)]]->id] ?? null;
            // The painter's own rule gives way first, then an order of assembly; a stack never does.
            $rank = match ($c?->rule) {
                null, 'stack order', 'preparation first' => 0,
                'own rule' => 3,
                default => 2,
            };
            $weakest = $c !== null && $rank > ($weakest[1] ?? 0) ? [$c, $rank] : $weakest;
        }
        throw InvalidOrder::cycle(
            array_map(static fn (int $n): string => $steps[$n]->words, $round),
            $weakest === null ? null : "Dropping \"{$weakest[0]->rule}\" here would solve it: {$weakest[0]->reason}",
        );
    }
}
