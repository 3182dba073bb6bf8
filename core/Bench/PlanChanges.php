<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Plan\StepId;

/**
 * What a plan asks for now that a run in progress does not know: what was done stays as it was done.
 */
final readonly class PlanChanges
{
    /**
     * @param  list<array{string, string|null}>  $added  key of a step, and of the one it comes after; null for the first
     * @param  list<string>  $changed  keys of open steps that are to be done otherwise
     * @param  list<string>  $gone  keys of open steps that the plan no longer has
     */
    private function __construct(public array $added, public array $changed, public array $gone)
    {
    }

    /**
     * @param  list<array{string, string}>  $planned  key and signature of each step, in order
     * @param  list<array{string, string, bool}>  $run  key, signature, and whether it is open; without what was inserted
     */
    public static function between(array $planned, array $run): self
    {
        $known = [];
        foreach ($run as [$key, $signature, $isOpen]) {
            $known[$key] = [$signature, $isOpen];
        }
        $added = $changed = [];
        $after = null;
        foreach ($planned as [$key, $signature]) {
            if (! isset($known[$key])) {
                if (self::isPast($key, $known)) {
                    continue;
                }
                $added[] = [$key, $after];
            } elseif ($known[$key][1] && $known[$key][0] !== $signature) {
                $changed[] = $key;
            }
            $after = $key;
        }
        $wanted = array_column($planned, 0);
        $gone = [];
        foreach ($known as $key => [, $isOpen]) {
            if ($isOpen && ! in_array($key, $wanted, true)) {
                $gone[] = $key;
            }
        }

        return new self($added, $changed, $gone);
    }

    /** @return bool whether nothing is to be done about it */
    public function isEmpty(): bool
    {
        return $this->added === [] && $this->changed === [] && $this->gone === [];
    }

    /**
     * A mask for a spray that is done already is not put on any more.
     *
     * @param  array<string, array{string, bool}>  $known
     */
    private static function isPast(string $key, array $known): bool
    {
        $spray = StepId::tryParse($key)?->masksFor();

        return $spray !== null && isset($known[(string) $spray]) && ! $known[(string) $spray][1];
    }
}
