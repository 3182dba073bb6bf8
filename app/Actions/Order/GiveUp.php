<?php

declare(strict_types=1);

namespace App\Actions\Order;

use App\Models\Brief\Figure;
use App\Models\Brief\Joint;
use Hyalin\Order\Alterable;
use Hyalin\Plan\Approach;
use Illuminate\Support\Facades\DB;

/**
 * Takes back one thing the painter stated, so that the rules of a figure no longer run in a circle.
 */
final class GiveUp
{
    /**
     * @param  string  $subject  the step before, the id of an area, or the key of a step of one's own
     * @param  string  $other  the step after, of a rule of one's own
     */
    public function __invoke(Figure $figure, Alterable $what, string $subject, string $other): void
    {
        DB::transaction(static function () use ($figure, $what, $subject, $other): void {
            match ($what) {
                Alterable::OwnRule => $figure->ownRules()->where('before', $subject)->where('after', $other)->delete(),
                Alterable::OwnStep => $figure->ownSteps()->where('key', $subject)->update(['after' => null, 'before' => null]),
                Alterable::LiesOn => $figure->areas()->whereKey((int) $subject)->update(['lies_on_id' => null]),
                Alterable::Hidden => $figure->joints()->get()->each(static fn (Joint $j): int => $j->hiddenAreas()->detach((int) $subject)),
                Alterable::BaseApart => self::together($figure),
            };
        });
    }

    private static function together(Figure $figure): void
    {
        $painter = $figure->painter()->firstOrFail();
        $painter->update(['schools' => array_values(array_unique([...$painter->schools ?? [], Approach::BaseTogether->value]))]);
    }
}
