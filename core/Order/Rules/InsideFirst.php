<?php

declare(strict_types=1);

namespace Hyalin\Order\Rules;

use Hyalin\Order\Masking\MaskRun;
use Hyalin\Plan\Approach;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;

/**
 * Inside before outside: the inner area is smaller to protect, and a slip on the outer one is painted over. The other
 * approach paints the big areas first and touches up. Said once of two areas, and only where both are brushed neatly:
 * what is sprayed or strays has rules of its own.
 */
final class InsideFirst implements Rule
{
    private const PER_MM = 0.02;

    public function constraints(FigurePlan $figure, array $steps): iterable
    {
        $inside = $figure->follows(Approach::InsideFirst);
        foreach ($figure->neighbourhood()->pairs($figure) as [$a, $b, $mm]) {
            if ($inside ? $a->depth === $b->depth : $a->squareCm === $b->squareCm) {
                continue;
            }
            $aFirst = $inside ? $a->depth < $b->depth : $a->squareCm > $b->squareCm;
            [$first, $second] = $aFirst ? [$a, $b] : [$b, $a];
            $before = self::own($steps, $first->id);
            $after = self::own($steps, $second->id);
            if ($before === [] || $after === [] || ($inside && ! self::isNeat($after))) {
                continue;
            }
            yield Constraint::should($before[count($before) - 1]->id, $after[0]->id, self::PER_MM * $mm, $inside ? 'inside first' : 'big areas first', $inside
                ? "{$first->name} lies inside {$second->name}: a slip on it is painted over"
                : "{$first->name} is the larger: {$second->name} is touched up against it");
        }
    }

    /** @param  list<Step>  $steps */
    private static function isNeat(array $steps): bool
    {
        foreach ($steps as $step) {
            if ($step->kind->isMessy() || MaskRun::isSpray($step)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<Step>  $steps
     * @return list<Step>
     */
    private static function own(array $steps, string $area): array
    {
        return array_values(array_filter($steps, static fn (Step $s): bool => $s->areas === [$area] && $s->kind !== StepKind::Varnish));
    }
}
