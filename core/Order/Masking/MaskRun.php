<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;

/**
 * Walks through an order and tells which masks it asks for. A spray reaches what meets the areas it is put on, from a can
 * everything that stands beside them; what is finished there is masked. Finished is what will not be covered fully any
 * more. A mask stays on over further sprays until the area beneath it is worked on, or the sitting is over.
 *
 * @phpstan-type Piece array{area: int, on: int, off: int, tape: float, fluid: float, estimated: float, cm2: float, after: int, unsealed: bool}
 */
final class MaskRun
{
    /** Minutes to put on and take off, by what lies along a border and what covers the rest: own estimates. */
    public const TAPE_MINUTES_A_MM = 0.04;

    public const FLUID_MINUTES_A_MM = 0.08;

    public const BULK_MINUTES_A_CM2 = 0.15;

    /** Masking fluid is not left on for days: common practice. */
    public const FLUID_HOURS = 24;

    /** After that its glue stays on the paint: common practice. */
    public const TAPE_HOURS = 72;

    /** Minutes that flakes under tape cost, when their seal comes only later: own estimate of what it takes to mend them. */
    private const UNSEALED = 30.0;

    private const ALWAYS = -1;

    private const NEVER = PHP_INT_MAX;

    /** @var list<list<array{int, int, float, list<array{int, float, float, float}>}>> by step: area, place of the glue or -1, cm2, and by sprayed area mm of tape, of fluid, of what is estimated */
    private array $reached = [];

    /** @var list<int> by area: place of the step after which it is finished */
    private array $finishedBy = [];

    /** @var list<array{int, int}|null> by area: places of its flakes and of the seal over them */
    private array $sealed = [];

    /** @var list<list<int>> by step: areas it works on */
    private array $works = [];

    /** @var list<string|null> by step */
    private array $mix = [];

    /** @var list<int> */
    private array $minutes = [];

    /** @var list<int> */
    private array $dry = [];

    private readonly int $sitting;

    /** @param  list<Step>  $steps */
    private function __construct(FigurePlan $figure, array $steps)
    {
        $this->sitting = $figure->circumstances->sittingMinutes;
        $index = [];
        foreach ($figure->areas as $n => $area) {
            $index[$area->id] = $n;
        }
        $place = [];
        foreach ($steps as $p => $step) {
            $place[(string) $step->id] = $p;
            $this->works[] = array_map(static fn (string $id): int => $index[$id], $step->areas);
            $this->mix[] = $step->layer()?->mix;
            $this->minutes[] = $step->minutes;
            $this->dry[] = $step->dryMinutes;
        }
        foreach ($figure->areas as $area) {
            $own = array_keys(array_filter($steps, static fn (Step $s): bool => $s->touches($area->id)));
            $this->finishedBy[] = $area->isLeftBare ? self::ALWAYS : self::finishedBy($steps, $own, $area->id);
            $this->sealed[] = self::seal($steps, $own);
        }
        foreach ($steps as $step) {
            $this->reached[] = self::isSpray($step) ? self::reach($figure, $step, $index, $place) : [];
        }
    }

    /** @param  list<Step>  $steps  of the figure, in any order: places are theirs */
    public static function of(FigurePlan $figure, array $steps): self
    {
        return new self($figure, $steps);
    }

    /** @return bool whether it puts something on what stands beside it; clear varnish does no harm there */
    public static function isSpray(Step $step): bool
    {
        return $step->kind === StepKind::Prime || $step->kind === StepKind::Spray;
    }

    /** @return float minutes to put it on and take it off */
    public static function minutes(float $tapeMm, float $fluidMm, float $squareCm): float
    {
        return $tapeMm * self::TAPE_MINUTES_A_MM + $fluidMm * self::FLUID_MINUTES_A_MM + $squareCm * self::BULK_MINUTES_A_CM2;
    }

    /** @return list<int> places of sprays that reach anything */
    public function sprays(): array
    {
        return array_keys(array_filter($this->reached));
    }

    /**
     * What a spray costs that comes after a step, taken by itself.
     *
     * @return list<array{int, int, float}> place of the spray, of the step that finishes what it reaches, minutes
     */
    public function pairs(): array
    {
        $pairs = [];
        foreach ($this->reached as $spray => $reached) {
            foreach ($reached as [$area, $glue, $cm2, $edges]) {
                $by = $this->finishedBy[$area];
                if ($glue < 0 && $by >= 0 && $by !== self::NEVER) {
                    $pairs[] = [$spray, $by, self::minutes(array_sum(array_column($edges, 1)), array_sum(array_column($edges, 2)), $cm2)];
                }
            }
        }

        return $pairs;
    }

    /**
     * @param  list<int>  $order  places
     * @return float minutes of all masks, and of flakes under tape that a later varnish would have sealed
     */
    public function cost(array $order): float
    {
        $cost = 0.0;
        foreach ($this->pieces($order) as $piece) {
            $cost += self::minutes($piece['tape'], $piece['fluid'], $piece['cm2']) + ($piece['unsealed'] ? self::UNSEALED : 0.0);
        }

        return $cost;
    }

    /**
     * @param  list<int>  $order  places
     * @return list<Piece> each over one area: places of the step it goes on before, of the last spray it is there for, of the
     *                     last step on that area
     */
    public function pieces(array $order): array
    {
        $pieces = $offs = $held = $lastOn = [];
        $done = array_fill(0, count($order), false);
        $clock = 0;
        foreach ($order as $step) {
            foreach ($this->reached[$step] as [$area, $glue, $cm2, $edges]) {
                if (! $this->needs($area, $glue, $done) || $this->isSamePaint($step, $lastOn[$area] ?? null)) {
                    continue;
                }
                $hold = $held[$area] ?? null;
                $waited = $hold === null ? 0 : $hold['waited'] + max(0, $this->dry[$hold['last']] - ($clock - $hold['end']));
                if ($hold === null || $clock + $waited + $this->minutes[$step] - $hold['since'] > $this->sitting) {
                    $hold = ['since' => $clock, 'edges' => [], 'pieces' => []];
                    $waited = 0;
                }
                $tape = $fluid = $estimated = 0.0;
                foreach ($edges as [$own, $t, $f, $e]) {
                    if (! isset($hold['edges'][$own])) {
                        $hold['edges'][$own] = true;
                        [$tape, $fluid, $estimated] = [$tape + $t, $fluid + $f, $estimated + $e];
                    }
                }
                if ($hold['pieces'] === [] || $tape + $fluid > 0.0) {
                    $pieces[] = [
                        'area' => $area, 'on' => $step, 'tape' => $tape, 'fluid' => $fluid, 'estimated' => $estimated,
                        'cm2' => $hold['pieces'] === [] ? $cm2 : 0.0, 'after' => $lastOn[$area] ?? -1, 'unsealed' => $this->isUnsealed($area, $done),
                    ];
                    $hold['pieces'][] = count($pieces) - 1;
                }
                foreach ($hold['pieces'] as $n) {
                    $offs[$n] = $step;
                }
                $held[$area] = ['last' => $step, 'end' => $clock + $this->minutes[$step], 'waited' => $waited] + $hold;
            }
            foreach ($this->works[$step] as $area) {
                unset($held[$area]);
                $lastOn[$area] = $step;
            }
            $done[$step] = true;
            $clock += $this->minutes[$step];
        }

        return array_map(static fn (array $piece, int $off): array => [...$piece, 'off' => $off], $pieces, $offs);
    }

    /** @param  array<int, bool>  $done */
    private function needs(int $area, int $glue, array $done): bool
    {
        $by = $this->finishedBy[$area];

        return ($glue < 0 || $done[$glue]) && $by !== self::NEVER && ($by === self::ALWAYS || $done[$by]);
    }

    /** Overspray of the paint that lies there already does no harm. */
    private function isSamePaint(int $spray, ?int $last): bool
    {
        return $last !== null && $this->mix[$spray] !== null && $this->mix[$last] === $this->mix[$spray];
    }

    /** @param  array<int, bool>  $done */
    private function isUnsealed(int $area, array $done): bool
    {
        $seal = $this->sealed[$area];

        return $seal !== null && $done[$seal[0]] && ! $done[$seal[1]];
    }

    /**
     * @param  list<Step>  $steps
     * @param  list<int>  $own  places of the steps on the area, in stack order
     */
    private static function finishedBy(array $steps, array $own, string $area): int
    {
        $by = $own[0] ?? self::NEVER;
        foreach ($own as $place) {
            foreach ($steps[$place]->layers as $n => $layer) {
                $by = $steps[$place]->areas[$n] === $area && $layer->covers ? $place : $by;
            }
        }

        return $by;
    }

    /**
     * @param  list<Step>  $steps
     * @param  list<int>  $own
     * @return array{int, int}|null
     */
    private static function seal(array $steps, array $own): ?array
    {
        $flake = null;
        foreach ($own as $place) {
            if ($steps[$place]->layer()->isFlake ?? false) {
                $flake = $place;
            } elseif ($flake !== null && $steps[$place]->kind === StepKind::Varnish) {
                return [$flake, $place];
            }
        }

        return null;
    }

    /**
     * @param  array<string, int>  $index  of areas
     * @param  array<string, int>  $place  of steps
     * @return list<array{int, int, float, list<array{int, float, float, float}>}>
     */
    private static function reach(FigurePlan $figure, Step $spray, array $index, array $place): array
    {
        $isCan = $spray->layer()->isFromCan ?? false;
        $found = [];
        foreach ($spray->areas as $own) {
            foreach ($figure->neighbourhood()->around($own) as $meeting) {
                $other = $meeting->other;
                if (in_array($other->id, $spray->areas, true) || $other->isHidden || (! $meeting->touches && ! $isCan)) {
                    continue;
                }
                $at = $index[$other->id];
                $glue = $meeting->glue === null ? -1 : $place[(string) $meeting->glue] ?? -1;
                // One sprayed area on the same piece is enough to reach it, whatever is glued later.
                $found[$at] ??= [$at, $glue, $other->squareCm, []];
                $found[$at][1] = min($found[$at][1], $glue);
                $found[$at][3][] = [$index[$own], $meeting->isCurved ? 0.0 : $meeting->mm, $meeting->isCurved ? $meeting->mm : 0.0, $meeting->isEstimated ? $meeting->mm : 0.0];
            }
        }

        return array_values($found);
    }
}
