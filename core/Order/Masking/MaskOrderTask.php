<?php

declare(strict_types=1);

namespace Hyalin\Order\Masking;

use Hyalin\Plan\InvalidPlan;

/**
 * Areas to be painted in some order, and what it costs in minutes when one comes before another: a finished neighbour of
 * a sprayed area is masked along their boundary and wrapped in bulk; a preference that is not kept costs its weight.
 */
final readonly class MaskOrderTask
{
    /**
     * @param  non-empty-list<string>  $ids
     * @param  list<bool>  $sprayed
     * @param  list<list<float>>  $mask  [q][p]: minutes of masking when q is finished before p is painted
     * @param  list<list<float>>  $soft  [b][a]: minutes of preferences broken when b comes before a
     * @param  list<list<float>>  $mm  [q][p]: length of the boundary that is taped then
     * @param  list<array{int, int, float}>  $preferences
     */
    private function __construct(
        public array $ids,
        public array $sprayed,
        public array $mask,
        public array $soft,
        public array $mm,
        public array $preferences,
        public Precedence $precedence,
    ) {
    }

    /**
     * @param  list<array{string, bool, float}>  $areas  id, whether it is sprayed, minutes to wrap it in bulk
     * @param  list<array{string, string, float, float}>  $boundaries  two ids, mm, minutes a mm; not listed costs nothing
     * @param  list<array{string, string}>  $before
     * @param  list<array{string, string, float}>  $soft  the first before the second, or so many minutes more
     *
     * @throws InvalidPlan naming what is wrong
     */
    public static function of(array $areas, array $boundaries, array $before, array $soft): self
    {
        $place = [];
        foreach ($areas as $n => [$id, , $bulk]) {
            if (isset($place[$id])) {
                throw InvalidPlan::twice($id);
            }
            self::amount("the bulk of \"{$id}\"", $bulk);
            $place[$id] = $n;
        }
        if ($areas === []) {
            throw InvalidPlan::empty();
        }
        $none = array_fill(0, count($areas), array_fill(0, count($areas), 0.0));
        [$mask, $mm, $preferences] = [$none, $none, $none];
        $known = [];
        foreach ($boundaries as [$a, $b, $length, $perMm]) {
            [$p, $q] = self::pair($place, $a, $b, 'a boundary');
            self::amount("the boundary of \"{$a}\" and \"{$b}\"", $length);
            self::amount("the boundary of \"{$a}\" and \"{$b}\"", $perMm);
            $key = min($p, $q).' '.max($p, $q);
            if (isset($known[$key])) {
                if ($known[$key] !== [$length, $perMm]) {
                    throw InvalidPlan::disagree($a, $b);
                }

                continue;
            }
            $known[$key] = [$length, $perMm];
            foreach ([[$p, $q], [$q, $p]] as [$finished, $painted]) {
                if ($areas[$painted][1]) {
                    $mask[$finished][$painted] = $length * $perMm + $areas[$finished][2];
                    $mm[$finished][$painted] = $length;
                }
            }
        }
        $edges = array_map(static fn (array $pair): array => self::pair($place, $pair[0], $pair[1], 'an order'), $before);
        $list = [];
        foreach ($soft as [$a, $b, $weight]) {
            [$p, $q] = self::pair($place, $a, $b, 'a preference');
            self::amount("the preference for \"{$a}\" before \"{$b}\"", $weight);
            $preferences[$q][$p] += $weight;
            $list[] = [$p, $q, $weight];
        }
        $ids = array_column($areas, 0);

        return new self($ids, array_column($areas, 1), self::lists($mask), self::lists($preferences), self::lists($mm), $list, Precedence::of($ids, $edges));
    }

    /** @return float minutes when $first comes before $second */
    public function cost(int $first, int $second): float
    {
        return $this->mask[$first][$second] + $this->soft[$first][$second];
    }

    /**
     * @param  list<int>  $order
     * @return float minutes of the whole order
     */
    public function total(array $order): float
    {
        $total = 0.0;
        foreach ($order as $n => $first) {
            for ($m = $n + 1; $m < count($order); $m++) {
                $total += $this->cost($first, $order[$m]);
            }
        }

        return $total;
    }

    /**
     * @param  array<string, int>  $place
     * @return array{int, int}
     */
    private static function pair(array $place, string $a, string $b, string $where): array
    {
        foreach ([$a, $b] as $id) {
            if (! isset($place[$id])) {
                throw InvalidPlan::unknown($id, $where);
            }
        }
        if ($a === $b) {
            throw InvalidPlan::withItself($a, $where);
        }

        return [$place[$a], $place[$b]];
    }

    private static function amount(string $where, float $found): void
    {
        if (! is_finite($found) || $found < 0) {
            throw InvalidPlan::amount($where, $found);
        }
    }

    /**
     * @param  array<int, array<int, float>>  $matrix
     * @return list<list<float>>
     */
    private static function lists(array $matrix): array
    {
        return array_values(array_map(array_values(...), $matrix));
    }
}
