<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\Order\Masking\Precedence;

/**
 * Steps to be laid over sessions. One painter does one step at a time; between steps stand lags of which the least lets
 * paint dry and the most keeps it from drying too far.
 */
final readonly class ScheduleTask
{
    /**
     * @param  non-empty-list<string>  $ids
     * @param  list<float>  $minutes  hands on
     * @param  list<bool>  $splittable  whether it may be broken off at the end of a session
     * @param  array<int, array<int, array{float, float|null}>>  $after  by place: least and most minutes from its end to
     *                                                                   the start of each that waits for it
     * @param  array<int, list<int>>  $before  by place: what it waits for
     * @param  non-empty-list<array{float, float}>  $sessions  start and end in minutes of any one clock
     * @param  array<int, float>  $notBefore  by place: minute of that clock before which it cannot begin
     * @param  list<Handling>  $handlings  by place: what is at hand for it; empty where that does not matter
     */
    private function __construct(
        public array $ids,
        public array $minutes,
        public array $splittable,
        public array $after,
        public array $before,
        public array $sessions,
        public array $notBefore = [],
        public array $handlings = [],
    ) {
    }

    /**
     * @param  list<array{string, float, bool}>  $steps  id, minutes, splittable
     * @param  list<array{string, string, float, float|null}>  $lags  from, to, least, most minutes
     * @param  list<array{float, float}>  $sessions  start, minutes; in order of time
     * @param  array<string, float>  $notBefore  minute of the clock by step id
     * @param  array<string, Handling>  $handlings  by step id, of all or of none
     *
     * @throws InvalidSchedule naming what is wrong
     */
    public static function of(array $steps, array $lags, array $sessions, array $notBefore = [], array $handlings = []): self
    {
        $place = [];
        foreach ($steps as $n => [$id, $minutes]) {
            if (isset($place[$id])) {
                throw InvalidSchedule::twice($id);
            }
            self::amount("the step \"{$id}\"", $minutes);
            $place[$id] = $n;
        }
        $after = $before = array_fill(0, count($steps), []);
        foreach ($lags as [$from, $to, $least, $most]) {
            foreach ([$from, $to] as $id) {
                if (! isset($place[$id])) {
                    throw InvalidSchedule::unknown($id);
                }
            }
            self::amount("the lag from \"{$from}\" to \"{$to}\"", $least);
            [$a, $b] = [$place[$from], $place[$to]];
            [$known, $bound] = $after[$a][$b] ?? [0.0, null];
            $least = max($least, $known);
            $most = $most === null || $bound === null ? $most ?? $bound : min($most, $bound);
            if ($most !== null && $most < $least) {
                throw InvalidSchedule::window($from, $to, $least, $most);
            }
            $after[$a][$b] = [$least, $most];
            $before[$b][] = $a;
        }
        $laid = self::laid($sessions);
        $ids = array_column($steps, 0);
        $circle = Precedence::cycle(array_map(static fn (array $next): array => array_map(static fn (): bool => true, $next), $after));
        if ($circle !== null) {
            throw InvalidSchedule::circle(array_map(static fn (int $n): string => $ids[$n], $circle));
        }
        $longest = max(array_map(static fn (array $s): float => $s[1] - $s[0], $laid));
        foreach ($steps as [$id, $minutes, $splittable]) {
            if (! $splittable && $minutes > $longest) {
                throw InvalidSchedule::tooLong($id, $minutes, $longest);
            }
        }

        $earliest = [];
        foreach ($notBefore as $id => $minute) {
            $earliest[$place[$id] ?? throw InvalidSchedule::unknown((string) $id)] = $minute;
        }

        return new self(
            $ids ?: throw InvalidSchedule::empty('steps'),
            array_column($steps, 1),
            array_column($steps, 2),
            $after,
            array_map(static fn (array $b): array => array_values(array_unique($b)), $before),
            $laid,
            $earliest,
            $handlings === [] ? [] : array_map(static fn (string $id): Handling => $handlings[$id] ?? throw InvalidSchedule::unknown($id), $ids),
        );
    }

    /**
     * @param  list<array{float, float}>  $sessions
     * @return non-empty-list<array{float, float}> start and end
     */
    private static function laid(array $sessions): array
    {
        $laid = [];
        foreach ($sessions as $n => [$start, $minutes]) {
            self::amount('session '.($n + 1), $minutes);
            if ($n > 0 && $start < $laid[$n - 1][1]) {
                throw InvalidSchedule::overlap($n + 1);
            }
            $laid[] = [$start, $start + $minutes];
        }

        return $laid ?: throw InvalidSchedule::empty('sessions');
    }

    private static function amount(string $what, float $minutes): void
    {
        if (! is_finite($minutes) || $minutes < 0) {
            throw InvalidSchedule::amount($what, $minutes);
        }
    }
}
