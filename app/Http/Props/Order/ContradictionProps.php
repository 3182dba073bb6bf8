<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use Hyalin\Order\Alterable;
use Hyalin\Order\ContradictingRules;
use Hyalin\Order\WayOut;
use Hyalin\Plan\FigurePlan;

/**
 * Hard rules that run in a circle, and what could be given up.
 */
final readonly class ContradictionProps
{
    /**
     * @param  list<array{words: string, rule: string, reason: string}>  $links  each step with the rule that puts it before the next, the last before the first
     * @param  list<array{what: Alterable, subject: string, other: string|null, words: string}>  $waysOut  the smallest change first
     */
    private function __construct(public array $links, public array $waysOut)
    {
    }

    public static function of(FigurePlan $figure, ContradictingRules $found): self
    {
        $links = [];
        foreach ($found->links as [$step, $rule]) {
            $links[] = ['words' => ContradictingRules::words($figure, $step), 'rule' => $rule->rule, 'reason' => $rule->reason];
        }

        return new self($links, array_map(static fn (WayOut $w): array => ['what' => $w->what, 'subject' => $w->subject, 'other' => $w->other, 'words' => $w->words], $found->waysOut));
    }
}
