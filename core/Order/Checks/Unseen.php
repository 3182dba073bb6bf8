<?php

declare(strict_types=1);

namespace Hyalin\Order\Checks;

use Hyalin\Plan\FigurePlan;

/**
 * What no reference shows and is seen on the figure all the same: the inside of what hangs open, the back of what has one.
 * Told by the names of areas; asked once, for all of them.
 */
final class Unseen
{
    /** What has another side: words of areas, what that side is called, and words that say it is an area already. */
    private const SIDES = [
        ['/\b(cloak|cape|coat|robe|skirt|hood|sleeves?|flag|banner|wings?)\b/i', 'inside', '/\b(inside|lining|underside|inner)\b/i'],
        ['/\b(hair|head|helm|helmet|mask)\b/i', 'back', '/\b(back|nape|behind)\b/i'],
    ];

    /** @return list<Issue> at most one */
    public static function of(FigurePlan $figure): array
    {
        $asked = [];
        foreach ($figure->circumstances->asksUnseen ? self::SIDES : [] as [$names, $side, $there]) {
            $found = $isThere = false;
            foreach ($figure->areas as $area) {
                $isThere = $isThere || preg_match($there, $area->name) === 1;
                if (! $area->isHidden && preg_match($names, $area->name) === 1) {
                    $found = $found === false ? $area->name : "{$found}, {$area->name}";
                }
            }
            if ($found !== false && ! $isThere) {
                $asked[] = "the {$side} of {$found}";
            }
        }

        return $asked === [] ? [] : [new Issue(
            'No reference shows '.implode(', nor ', $asked).'.',
            'Is it seen on the figure? Then name an area for it in the brief, or copy the finish of its outside.',
            false,
        )];
    }
}
