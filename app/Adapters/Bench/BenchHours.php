<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Models\Painter;
use DateTimeImmutable;
use DateTimeZone;

/**
 * The painter's real hours as sessions: a weekly pattern with exceptions, in the painter's own time zone.
 */
final readonly class BenchHours
{
    /** Evenings are looked for this far ahead. */
    private const DAYS = 400;

    /** And not more of them than this. */
    private const SESSIONS = 150;

    /** Until the painter says otherwise: three evenings of two hours, as hobby painters have them (own estimate). */
    public const USUAL = [['day' => 2, 'start' => '19:30', 'minutes' => 120], ['day' => 4, 'start' => '19:30', 'minutes' => 120], ['day' => 7, 'start' => '15:00', 'minutes' => 180]];

    /**
     * @param  list<array{day: int, start: string, minutes: int}>  $pattern
     * @param  array<string, array{start: string, minutes: int}|null>  $exceptions  by date
     */
    private function __construct(public array $pattern, public array $exceptions, public DateTimeZone $zone)
    {
    }

    public static function of(Painter $painter): self
    {
        return new self($painter->bench_hours ?? self::USUAL, $painter->bench_exceptions ?? [], self::zone($painter));
    }

    /** @return string the day where the painter lives, YYYY-MM-DD (ISO 8601) */
    public static function today(Painter $painter): string
    {
        return now(self::zone($painter))->toDateString();
    }

    /**
     * @param  DateTimeImmutable  $from  what of a session lies before is gone
     * @return list<array{float, float}> start in minutes since 1970, minutes long; in order of time, none overlapping
     */
    public function sessions(DateTimeImmutable $from): array
    {
        $now = $from->getTimestamp() / 60;
        $sessions = [];
        $day = $from->setTimezone($this->zone)->modify('-1 day')->setTime(0, 0);
        for ($n = 0; $n < self::DAYS && count($sessions) < self::SESSIONS; $n++) {
            foreach ($this->on($day) as ['start' => $start, 'minutes' => $minutes]) {
                [$hour, $minute] = array_map(intval(...), explode(':', $start));
                // In wall-clock time: a session begins at half past seven in summer and in winter.
                $begin = max($day->setTime($hour, $minute)->getTimestamp() / 60, $now, ...array_map(array_sum(...), array_slice($sessions, -1)));
                $end = $day->setTime($hour, $minute)->getTimestamp() / 60 + $minutes;
                if ($end - $begin >= 1) {
                    $sessions[] = [(float) $begin, (float) ($end - $begin)];
                }
            }
            $day = $day->modify('+1 day');
        }

        return $sessions;
    }

    /** @return list<array{start: string, minutes: int}> in order of time */
    private function on(DateTimeImmutable $day): array
    {
        $date = $day->format('Y-m-d');
        if (array_key_exists($date, $this->exceptions)) {
            return array_values(array_filter([$this->exceptions[$date]]));
        }
        $today = array_values(array_filter($this->pattern, static fn (array $p): bool => $p['day'] === (int) $day->format('N')));
        usort($today, static fn (array $p, array $q): int => $p['start'] <=> $q['start']);

        return array_map(static fn (array $p): array => ['start' => $p['start'], 'minutes' => $p['minutes']], $today);
    }

    private static function zone(Painter $painter): DateTimeZone
    {
        return new DateTimeZone(in_array($painter->time_zone, DateTimeZone::listIdentifiers(), true) ? (string) $painter->time_zone : 'UTC');
    }
}
