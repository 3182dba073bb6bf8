<?php

declare(strict_types=1);

namespace App\Adapters\Order;

use App\Models\Brief\Figure;
use Hyalin\InvalidInput;
use Hyalin\Order\Checks\Issue;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\Step;

/**
 * Why a plan cannot be painted as it stands. Kept with the figure, so that every page can say that it is stopped.
 */
final readonly class Hindrances
{
    /**
     * @param  list<string>  $words  empty when nothing stands against it
     * @param  bool  $hasNoOrder  no order can be made: a run has its layers only, without preparation, masks and joints
     */
    private function __construct(public array $words, public bool $hasNoOrder)
    {
    }

    public static function of(Figure $figure): self
    {
        try {
            return self::in($figure, FigureOrder::of($figure));
        } catch (InvalidInput $e) {
            return self::kept($figure, new self([ucfirst($e->getMessage()).'.'], true));
        }
    }

    private static function kept(Figure $figure, self $found): self
    {
        if ($figure->is_stopped !== ($found->words !== [])) {
            $figure->is_stopped = $found->words !== [];
            $figure->save();
        }

        return $found;
    }

    /** Of an order that was made already. */
    public static function in(Figure $figure, FigureOrder $found): self
    {
        $order = $found->order;
        $names = [];
        foreach ($order->steps as $step) {
            $names[(string) $step->id] = self::words($found, $step);
        }
        $stops = array_filter($order->issues, static fn (Issue $i): bool => $i->stops);
        $broken = array_filter($order->broken, static fn (Constraint $c): bool => $c->isMust());

        return self::kept($figure, new self([
            ...array_map(static fn (Issue $i): string => trim("{$i->what} {$i->remedy}"), array_values($stops)),
            ...array_map(static fn (Constraint $c): string => "\"{$names[(string) $c->before]}\" must come before \"{$names[(string) $c->after]}\": {$c->reason}.", array_values($broken)),
        ], false));
    }

    private static function words(FigureOrder $found, Step $step): string
    {
        $areas = array_map(static fn (string $id): string => $found->plan->area($id)->name ?? '', $step->areas);

        return $areas === [] ? $step->words : implode(', ', $areas).": {$step->words}";
    }
}
