<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Order\Masking\MaskRun;
use Hyalin\Order\Masking\Masks;
use Hyalin\Order\PlannedOrder;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;

/**
 * The times between the steps of one figure: what must dry, and what must not wait too long. Work on one part keeps its
 * order; parts that are not joined wait for each other only where a rule says so.
 */
final class WorkLags
{
    /** Minutes in which paint can still be blended into, at least: common practice. */
    private const OPEN = 5;

    /**
     * @param  list<Step>  $steps  in their order, as worked off at the bench
     * @param  array<string, float>  $done  minute of the clock at which a step was finished
     * @param  string  $prefix  put before every id, so that several figures can be laid together
     */
    public static function of(PlannedOrder $order, array $steps, DryingAid $aid = DryingAid::None, array $done = [], string $prefix = ''): Work
    {
        $lags = $notBefore = [];
        foreach (self::pairs($order, $steps, $aid) as [$from, $to, $least, $most]) {
            if (isset($done[$to])) {
                continue;
            }
            if (isset($done[$from])) {
                $notBefore[$prefix.$to] = max($notBefore[$prefix.$to] ?? -INF, $done[$from] + $least);

                continue;
            }
            $lags[] = [$prefix.$from, $prefix.$to, (float) $least, $most === null ? null : (float) $most];
        }
        $open = array_values(array_filter($steps, static fn (Step $s): bool => ! isset($done[(string) $s->id])));

        $handlings = [];
        foreach ($open as $step) {
            $handlings["{$prefix}{$step->id}"] = self::handling($step, $prefix);
        }

        return new Work(array_map(static fn (Step $s): array => ["{$prefix}{$s->id}", (float) $s->minutes, $s->kind === StepKind::Prepare], $open), $lags, $notBefore, $handlings);
    }

    private static function handling(Step $step, string $prefix): Handling
    {
        $layer = $step->layer();
        $isSprayed = MaskRun::isSpray($step);
        $isCan = $layer->isFromCan ?? false;

        return new Handling(
            $isSprayed ? ($isCan ? 'can' : 'airbrush') : $step->tool(),
            $prefix.($step->parts[0] ?? ''),
            $layer?->mix,
            $layer?->chemistry,
            $isSprayed && ! $isCan,
            $step->makesDust,
            Handling::isWet($step->kind),
        );
    }

    /**
     * @param  list<Step>  $steps
     * @return iterable<array{string, string, int, int|null}> from, to, least, most minutes
     */
    private static function pairs(PlannedOrder $order, array $steps, DryingAid $aid): iterable
    {
        $last = $onArea = [];
        $byId = [];
        foreach ($steps as $step) {
            $byId[(string) $step->id] = $step;
            foreach ($step->parts as $part) {
                $before = $last[$part] ?? null;
                if ($before !== null) {
                    yield [(string) $before->id, (string) $step->id, self::handled($before, $step, $aid), null];
                }
                $last[$part] = $step;
            }
            foreach ($step->areas as $area) {
                $before = $onArea[$area] ?? null;
                if ($before !== null) {
                    $isWet = ($step->layer()->blendsWet ?? false) && $before->layers !== [];
                    yield [(string) $before->id, (string) $step->id, self::dried($before, $step, $aid), $isWet ? max(self::OPEN, intdiv(self::dry($before, $aid), 2)) : null];
                }
                if ($step->layers !== []) {
                    $onArea[$area] = $step;
                }
            }
        }
        yield from self::musts($order, $byId);
        yield from self::windows($order, $byId);
    }

    /** @return int minutes before a part may be taken in hand again for work elsewhere on it */
    private static function handled(Step $before, Step $step, DryingAid $aid): int
    {
        return match (true) {
            // A mask is peeled while the coat is soft, by its edge.
            $step->kind === StepKind::Peel => 0,
            $before->areas === [] => self::dry($before, $aid),
            // Sprayed all over: there is nowhere to hold it until it is dry.
            $before->kind === StepKind::Prime, $step->areas === [] => self::dry($before, $aid),
            default => 0,
        };
    }

    private static function dried(Step $before, Step $step, DryingAid $aid): int
    {
        $dry = self::dry($before, $aid);
        if ($step->kind === StepKind::Peel || ($step->layer()->blendsWet ?? false)) {
            return 0;
        }

        return $step->kind === StepKind::Mask ? max($dry, Masks::BEFORE_TAPE) : $dry;
    }

    private static function dry(Step $step, DryingAid $aid): int
    {
        return $aid->minutes($step->dryMinutes, $step->chemistry());
    }

    /**
     * Rules between parts: within a part the order already keeps them.
     *
     * @param  array<string, Step>  $byId
     * @return iterable<array{string, string, int, null}>
     */
    private static function musts(PlannedOrder $order, array $byId): iterable
    {
        foreach ($order->constraints as $constraint) {
            $first = $byId[(string) $constraint->before] ?? null;
            $second = $byId[(string) $constraint->after] ?? null;
            if ($constraint->isMust() && ! in_array($constraint, $order->broken, true) && $first !== null && $second !== null && array_intersect($first->parts, $second->parts) === []) {
                yield [(string) $first->id, (string) $second->id, 0, null];
            }
        }
    }

    /**
     * @param  array<string, Step>  $byId
     * @return iterable<array{string, string, int, int|null}>
     */
    private static function windows(PlannedOrder $order, array $byId): iterable
    {
        foreach ($order->masks as $mask) {
            [$on, $off, $spray, $last] = [(string) $mask->on(), (string) $mask->off(), (string) $mask->step, (string) $mask->until];
            if (! isset($byId[$on], $byId[$off], $byId[$spray], $byId[$last])) {
                continue;
            }
            yield [$on, $spray, $byId[$on]->dryMinutes, null];
            yield [$on, $off, 0, $mask->mostMinutes];
            yield $mask->peelMinutes === null ? [$last, $off, $byId[$last]->dryMinutes, null] : [$last, $off, 0, $mask->peelMinutes];
        }
    }
}
