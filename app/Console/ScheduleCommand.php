<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\CommandLine\Document;
use DateTimeImmutable;
use DateTimeZone;
use Hyalin\Bench\BenchScheduler;
use Hyalin\Bench\ScheduleTask;

final class ScheduleCommand extends CoreCommand
{
    protected $signature = 'hyalin:schedule {file?}';

    protected $description = 'Lays steps over sessions, under drying times with least and most lags';

    protected function answer(): void
    {
        $started = hrtime(true);
        $document = Document::of($this->document(), 'the input');
        $steps = self::each($document->list('steps'), 'step', static fn (Document $s): array => [$s->text('id'), $s->number('minutes'), $s->valueOr('splittable', false) === true]);
        $lags = self::each($document->has('lags') ? $document->list('lags') : [], 'lag', static fn (Document $l): array => [
            $l->text('from'), $l->text('to'), $l->number('minMinutes', 0.0), $l->valueOr('maxMinutes', null) === null ? null : $l->number('maxMinutes'),
        ]);
        $zone = null;
        $sessions = self::each($document->list('sessions'), 'session', static function (Document $s) use (&$zone): array {
            $start = self::moment($s->text('start'));
            $zone ??= $start->getTimezone();

            return [$start->getTimestamp() / 60, $s->number('minutes')];
        });
        $document->refuseUnknown();
        $task = ScheduleTask::of($steps, $lags, $sessions);
        $schedule = BenchScheduler::lay($task);
        $placed = [];
        foreach ($task->ids as $place => $id) {
            $placed[] = ['id' => $id, 'start' => self::iso($schedule->placed[$place][0], $zone), 'end' => self::iso($schedule->placed[$place][1], $zone)];
        }
        usort($placed, static fn (array $p, array $q): int => $p['start'] <=> $q['start']);
        $this->put([
            'placed' => $placed,
            'finish' => self::iso($schedule->finish, $zone),
            'boundFinish' => self::iso($schedule->bound, $zone),
            'sessionsUsed' => $schedule->sessionsUsed,
            'milliseconds' => (hrtime(true) - $started) / 1e6,
        ]);
    }

    /** @throws BadInput unless it is a date and time that exists, with its offset from UTC */
    private static function moment(string $text): DateTimeImmutable
    {
        foreach (['Y-m-d\TH:i:sP', 'Y-m-d\TH:iP'] as $format) {
            $moment = DateTimeImmutable::createFromFormat('!'.$format, $text);
            // 31 February would be carried over into March: what was read must come back.
            if ($moment !== false && ($moment->format($format) === $text || str_replace('+00:00', 'Z', $moment->format($format)) === $text)) {
                return $moment;
            }
        }
        throw BadInput::at('start', "\"{$text}\" is not a date and time such as 2026-11-25T19:00:00+01:00");
    }

    private static function iso(float $minutes, ?DateTimeZone $zone): string
    {
        return (new DateTimeImmutable('@'.round($minutes * 60)))->setTimezone($zone ?? new DateTimeZone('UTC'))->format(DATE_ATOM);
    }
}
