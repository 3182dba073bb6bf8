<?php

declare(strict_types=1);

namespace Hyalin\Order\Checks;

use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\PieceUse;
use Hyalin\Plan\StepKind;

/**
 * What the finish has to stand, and what that asks of it: common practice, no published source. Nothing here stops a plan.
 */
final class Care
{
    /** @return list<Issue> */
    public static function of(FigurePlan $figure): array
    {
        $found = [];
        foreach ($figure->circumstances->uses as $use) {
            [$what, $remedy] = match ($use) {
                PieceUse::Handled => ['It will be handled: edges and corners wear first.', self::bare($figure, 'Two thin coats of varnish, cured for a week before the first use')],
                PieceUse::Worn => ['It will be worn: it is bent, rubbed and sweated on.', self::bare($figure, 'A tough gloss varnish beneath the matt one, cured for two weeks; glue with epoxy, not cyanoacrylate')],
                PieceUse::Child => ['A child will use it: it ends up in the mouth, and small parts come off.', self::loose($figure)],
                PieceUse::Sun => ['It stands in the sun: bright pinks, violets and inks fade first.', 'Prefer pigments the label calls lightfast, end with a varnish that keeps ultraviolet out, and keep it below 50 degrees: resin softens.'],
            };
            $found[] = new Issue($what, $remedy, false);
        }

        return $found;
    }

    private static function bare(FigurePlan $figure, string $words): string
    {
        $names = self::names($figure, static fn (AreaPlan $a): bool => $a->layers !== [] && $a->layers[count($a->layers) - 1]->kind !== StepKind::Varnish);

        return $names === '' ? "{$words}." : "{$words}. Without varnish now: {$names}.";
    }

    private static function loose(FigurePlan $figure): string
    {
        $names = self::names($figure, static fn (AreaPlan $a): bool => array_filter($a->layers, static fn (LayerPlan $l): bool => $l->kind === StepKind::Powder) !== []);
        $words = 'Only what its label calls safe for toys, cured for two weeks; pin what could break off';

        return $names === '' ? "{$words}." : "{$words}. Powder comes off on fingers: leave it out on {$names}.";
    }

    /** @param  callable(AreaPlan): bool  $which */
    private static function names(FigurePlan $figure, callable $which): string
    {
        return implode(', ', array_map(static fn (AreaPlan $a): string => $a->name, array_filter($figure->areas, $which)));
    }
}
