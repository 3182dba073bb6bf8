<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Bench\PaintNeed;
use App\Adapters\Order\FigureOrder;
use App\Http\Props\Order\OrderProps;
use App\Models\Brief\Figure;
use Hyalin\Cautions\Cautions;
use Hyalin\InvalidInput;

/**
 * The order of work on the card: steps, masks, what can hurt.
 */
final readonly class WorkCardProps
{
    /**
     * @param  list<string>  $steps  in their order, each in a line
     * @param  list<string>  $masks
     * @param  list<string>  $cautions  each once
     * @param  list<string>  $takes  what it takes from each pot: estimates
     */
    public function __construct(public array $steps, public array $masks, public array $cautions, public array $takes)
    {
    }

    /**
     * @param  list<PaintNeed>  $needs  of the whole figure
     * @return self|null null when there is nothing to do, or the order cannot be made
     */
    public static function of(Figure $figure, array $needs): ?self
    {
        try {
            $work = FigureOrder::of($figure);
            $order = OrderProps::of($figure, $work->plan, $work->order);
        } catch (InvalidInput) {
            return null;
        }
        $steps = $masks = $cautions = [];
        $number = [];
        foreach ($order->steps as $n => $step) {
            $number[$step->id] = $n + 1;
            $where = match (count($step->areaNames)) {
                0 => '',
                1, 2 => implode(', ', $step->areaNames).': ',
                default => count($step->areaNames).' areas: ',
            };
            $steps[] = "{$where}{$step->words}; about {$step->minutes} min, dries in about {$step->dryMinutes} min";
            foreach ($step->cautions as $caution) {
                $cautions[$caution] = true;
            }
        }
        foreach ($order->masks as $mask) {
            $masks[] = sprintf(
                'For step %d, mask %s: %s%s. %s; it may stay on %d h%s.',
                $number[$mask->step],
                implode(', ', $mask->protects),
                $mask->material,
                $mask->mm > 0 ? sprintf('; %.0f mm', $mask->mm) : '',
                ucfirst($mask->peel),
                intdiv($mask->mostMinutes, 60),
                $mask->peelMinutes === null ? '' : ", and comes off within {$mask->peelMinutes} min of the last coat",
            );
        }

        return $steps === [] ? null : new self($steps, $masks, [...array_keys($cautions), ...($cautions === [] ? [] : [Cautions::FIRST])], array_map(self::takes(...), $needs));
    }

    private static function takes(PaintNeed $of): string
    {
        $short = $of->need->missingMl > 0.0 ? sprintf(' (in stock: %.2f mL)', $of->need->hasMl) : '';

        return sprintf('%s, %s: %.2f mL%s', $of->paint->name, $of->paint->maker, $of->need->needMl, $short);
    }
}
