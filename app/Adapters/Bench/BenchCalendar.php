<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Models\Bench\ScheduleRecord;
use DateTimeImmutable;
use DateTimeZone;
use Sabre\VObject\Component\VCalendar;

/**
 * The planned sessions as iCalendar (RFC 5545): one event a session, with its steps. An event keeps its UID as long as its
 * session begins at the same time, so that a calendar that reads the file again moves nothing it need not.
 */
final class BenchCalendar
{
    public static function of(ScheduleRecord $schedule): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Hyalin//Bench calendar//EN', 'CALSCALE' => 'GREGORIAN', 'METHOD' => 'PUBLISH']);
        foreach ($schedule->sessions as $session) {
            $figures = array_values(array_unique(array_column($session['steps'], 'figure')));
            $calendar->add('VEVENT', [
                'UID' => "evening-{$schedule->painter_id}-{$session['start']}@hyalin",
                'DTSTAMP' => self::utc($schedule->updated_at->getTimestamp()),
                'DTSTART' => self::utc($session['start']),
                'DTEND' => self::utc($session['end']),
                'SEQUENCE' => $schedule->laid,
                'SUMMARY' => 'Painting: '.implode(', ', $figures),
                'DESCRIPTION' => implode("\n", array_map(static fn (array $s): string => "{$s['figure']}: {$s['what']}".($s['where'] === '' ? '' : ", {$s['where']}"), $session['steps'])),
            ]);
        }

        return $calendar->serialize();
    }

    private static function utc(int $seconds): DateTimeImmutable
    {
        return (new DateTimeImmutable("@{$seconds}"))->setTimezone(new DateTimeZone('UTC'));
    }
}
