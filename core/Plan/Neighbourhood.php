<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * The areas that meet, and how long their borders are. A border that nobody stated is not 0 mm: areas of one part of which one has no border at all
 * are taken to meet, along the outline that a round area of that size has, shared by all it may meet. Two areas whose
 * borders are stated, but none between them, do not meet.
 */
final readonly class Neighbourhood
{
    /**
     * @param  array<string, list<Meeting>>  $meetings  by area
     * @param  list<string>  $unstated  ids of areas without a border, where some had to be estimated
     */
    private function __construct(private array $meetings, public array $unstated)
    {
    }

    public static function of(FigurePlan $figure): self
    {
        $stated = $hasBorder = [];
        foreach ($figure->boundaries as $boundary) {
            $stated["{$boundary->a} {$boundary->b}"] = $stated["{$boundary->b} {$boundary->a}"] = $boundary;
            $hasBorder[$boundary->a] = $hasBorder[$boundary->b] = true;
        }
        $pairs = $estimated = [];
        foreach ($figure->areas as $n => $a) {
            foreach (array_slice($figure->areas, $n + 1) as $b) {
                $joint = $a->part === $b->part ? null : $figure->jointOf($a->part, $b->part);
                $border = $stated["{$a->id} {$b->id}"] ?? null;
                $lies = $a->liesOn === $b->id || $b->liesOn === $a->id;
                if ($border === null && ! $lies && $a->part !== $b->part && $joint === null) {
                    continue;
                }
                $guess = $border === null && ! $lies && $a->part === $b->part && (! isset($hasBorder[$a->id]) || ! isset($hasBorder[$b->id]));
                $pairs[] = [$a, $b, $border, $lies, $guess, $joint];
                foreach ($guess ? [$a->id, $b->id] : [] as $id) {
                    $estimated[$id] = ($estimated[$id] ?? 0) + 1;
                }
            }
        }
        $meetings = [];
        foreach ($pairs as [$a, $b, $border, $lies, $guess, $joint]) {
            $mm = match (true) {
                $border !== null => $border->mm,
                $lies => ($a->liesOn === $b->id ? $a : $b)->outlineMm(),
                $guess => min($a->outlineMm() / $estimated[$a->id], $b->outlineMm() / $estimated[$b->id]),
                default => 0.0,
            };
            $glue = $joint === null ? null : StepId::glue($joint->a, $joint->b);
            $isCurved = $border->isCurved ?? true;
            $meetings[$a->id][] = new Meeting($b, $mm, $isCurved, $border === null, $mm > 0.0, $glue);
            $meetings[$b->id][] = new Meeting($a, $mm, $isCurved, $border === null, $mm > 0.0, $glue);
        }

        return new self($meetings, array_map(strval(...), array_values(array_filter(array_keys($estimated), static fn (string|int $id): bool => ! isset($hasBorder[$id])))));
    }

    /** @return list<Meeting> */
    public function around(string $area): array
    {
        return $this->meetings[$area] ?? [];
    }

    /** @return list<array{AreaPlan, AreaPlan, float}> areas that meet, each pair once, with the mm of their border */
    public function pairs(FigurePlan $figure): array
    {
        $pairs = [];
        $seen = [];
        foreach ($figure->areas as $area) {
            $seen[$area->id] = true;
            foreach ($this->around($area->id) as $meeting) {
                if ($meeting->touches && ! isset($seen[$meeting->other->id])) {
                    $pairs[] = [$area, $meeting->other, $meeting->mm];
                }
            }
        }

        return $pairs;
    }
}
