<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\Bench\BenchHours;
use App\Models\Bench\RunStep;
use App\Models\Brief\Figure;
use DateTimeImmutable;
use Hyalin\Pot\PotKind;
use Illuminate\Support\Carbon;
use Illuminate\Testing\TestResponse;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Process\Process;

final class ScheduleTest extends TestCase
{
    public function test_a_week_has_its_evenings_and_a_day_that_differs_is_different(): void
    {
        $this->painter->update([
            'time_zone' => 'Europe/Berlin',
            'bench_hours' => [['day' => 2, 'start' => '19:30', 'minutes' => 120]],
            'bench_exceptions' => ['2026-03-31' => null, '2026-04-01' => ['start' => '10:00', 'minutes' => 30]],
        ]);
        $sessions = BenchHours::of($this->painter)->sessions(new DateTimeImmutable('2026-03-24T18:00:00Z'));
        $at = static fn (int $n): string => (new DateTimeImmutable('@'.(int) (60 * $sessions[$n][0])))->format('Y-m-d H:i');
        // Berlin goes to summer time on 29 March 2026: half past seven moves an hour in UTC. The first evening began at 18:30 UTC.
        self::assertSame(['2026-03-24 18:30', '2026-04-01 08:00', '2026-04-07 17:30'], [$at(0), $at(1), $at(2)]);
        self::assertSame(30.0, $sessions[1][1]);
        // What of an evening is over is over.
        $late = BenchHours::of($this->painter)->sessions(new DateTimeImmutable('2026-03-24T19:45:00Z'));
        self::assertSame(45.0, $late[0][1]);
    }

    /** Law: sessions are in order of time and never overlap, whatever the pattern. */
    public function test_sessions_never_overlap(): void
    {
        $this->painter->update(['bench_hours' => [
            ['day' => 1, 'start' => '22:00', 'minutes' => 600],
            ['day' => 2, 'start' => '05:00', 'minutes' => 300],
            ['day' => 2, 'start' => '06:00', 'minutes' => 30],
        ]]);
        $end = 0.0;
        foreach (BenchHours::of($this->painter)->sessions(new DateTimeImmutable('2026-01-01T00:00:00Z')) as [$start, $minutes]) {
            self::assertGreaterThanOrEqual($end, $start);
            self::assertGreaterThan(0.0, $minutes);
            $end = $start + $minutes;
        }
    }

    public function test_the_work_of_a_figure_is_laid_and_laid_again_after_a_missed_evening(): void
    {
        Carbon::setTestNow('2026-12-01T12:00:00Z');
        $figure = $this->sentry();
        $first = $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertOk();
        self::assertCount(6, self::steps($first));
        self::assertStringStartsWith('2026-12-01T19:30', self::steps($first)[0]['start']);
        self::assertNotSame([], $first->json('chain'));
        self::assertGreaterThanOrEqual($first->json('bound'), $first->json('finish'));

        // Two days later nothing of the first evening was done.
        $missed = count((array) $first->json('sessions.0.steps'));
        Carbon::setTestNow('2026-12-03T12:00:00Z');
        $this->get('/schedule')->assertInertia(fn (AssertableInertia $page) => $page->component('schedule/index')->where('schedule.missed', $missed)
            ->loadDeferredProps('default', fn (AssertableInertia $later) => $later->has('figures.0.steps')));
        $again = $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertOk();
        self::assertStringStartsWith('2026-12-03T19:30', self::steps($again)[0]['start']);
        self::assertSame(0, $again->json('missed'));

        // A run has started and its first step is done: five are left, the drying of the first still counts.
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();
        $step = RunStep::query()->orderBy('position')->firstOrFail();
        $this->patchJson("/runs/{$step->run_id}/steps/{$step->id}", ['version' => 1, 'state' => 'done'])->assertOk();
        $left = $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertOk();
        self::assertCount(5, self::steps($left));
        self::assertSame("/runs/{$step->run_id}", $left->json('sessions.0.steps.0.url'));
    }

    /** Law: what is laid lies within its evening, no two steps at once, and what is broken off takes as long as it takes. */
    public function test_no_two_steps_are_laid_at_once_and_broken_off_work_is_whole(): void
    {
        Carbon::setTestNow('2026-12-01T12:00:00Z');
        $this->painter->update(['bench_hours' => [
            ['day' => 2, 'start' => '19:30', 'minutes' => 50],
            ['day' => 3, 'start' => '19:30', 'minutes' => 35],
            ['day' => 5, 'start' => '19:30', 'minutes' => 70],
        ]]);
        $figures = [];
        foreach (['Bell', 'Yoke'] as $name) {
            $figure = $this->sentry($name);
            // Ninety minutes of sanding: longer than any of these evenings.
            $figure->parts()->update(['process' => 'melted plastic']);
            $figure->areas()->firstOrFail()->update(['square_cm' => 187.5]);
            $figures[] = $figure->id;
        }
        $this->postJson('/schedule', ['figureIds' => $figures])->assertOk();
        $minutes = [];
        foreach ($this->painter->schedule()->firstOrFail()->sessions as $session) {
            $end = $session['start'];
            foreach ($session['steps'] as $step) {
                self::assertGreaterThanOrEqual($end, $step['start']);
                self::assertLessThanOrEqual($session['end'], $step['end']);
                $end = $step['end'];
                $minutes[$step['id']] = ($minutes[$step['id']] ?? 0) + ($step['end'] - $step['start']) / 60;
            }
        }
        $sanding = array_filter($minutes, static fn (string $id): bool => str_contains($id, 'prepare'), ARRAY_FILTER_USE_KEY);
        self::assertCount(2, $sanding);
        foreach ($sanding as $took) {
            // 15 minutes, and 0.4 for each of 187.5 cm2 (two areas share the rest of the figure).
            self::assertEqualsWithDelta(92.0, $took, 1e-6);
        }
    }

    public function test_hours_that_hold_nothing_say_why_and_lose_nothing(): void
    {
        $figure = $this->sentry();
        $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertOk();
        $this->putJson('/schedule/hours', ['hours' => []])->assertOk();
        $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertUnprocessable()->assertJsonPath('errors.figureIds.0', 'There are no sessions');
        self::assertNotNull($this->painter->schedule()->first());
        $this->postJson('/schedule', ['figureIds' => []])->assertUnprocessable();
    }

    /** @param  array<string, mixed>  $change */
    #[DataProvider('wrong')]
    public function test_hours_that_are_none_are_refused(array $change, string $field): void
    {
        $this->putJson('/schedule/hours', $change)->assertUnprocessable()->assertJsonValidationErrors($field);
        self::assertNull($this->painter->refresh()->bench_hours);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no such hour' => [['hours' => [['day' => 1, 'start' => '25:00', 'minutes' => 60]]], 'hours.0.start'];
        yield 'no such day' => [['hours' => [['day' => 8, 'start' => '19:00', 'minutes' => 60]]], 'hours.0.day'];
        yield 'no minutes' => [['hours' => [['day' => 1, 'start' => '19:00', 'minutes' => 0]]], 'hours.0.minutes'];
        yield 'no such date' => [['exceptions' => [['date' => '2026-02-30']]], 'exceptions.0.date'];
        yield 'no such zone' => [['timeZone' => 'Skerrow/Ness'], 'timeZone'];
        yield 'a wish for heat' => [['aid' => 'flame'], 'aid'];
    }

    /** RFC 5545, read back by another parser: python3-icalendar of Debian. */
    public function test_the_calendar_is_read_back_by_an_independent_parser(): void
    {
        Carbon::setTestNow('2026-12-01T12:00:00Z');
        $this->getJson('/schedule.ics')->assertNotFound();
        $figure = $this->sentry('Tide, bell; "Number"');
        $laid = $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertOk();
        $ics = (string) $this->get('/schedule.ics')->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
        $python = new Process(['/usr/bin/python3', '-c', 'import sys,json,icalendar
c=icalendar.Calendar.from_ical(sys.stdin.buffer.read())
print(json.dumps([{"uid":str(e["UID"]),"start":e["DTSTART"].dt.isoformat(),"end":e["DTEND"].dt.isoformat(),"what":str(e["SUMMARY"]),"steps":str(e["DESCRIPTION"]).split("\n"),"sequence":int(e["SEQUENCE"])} for e in c.walk("VEVENT")]))']);
        $python->setInput($ics)->mustRun();
        /** @var list<array{uid: string, start: string, end: string, what: string, steps: list<string>, sequence: int}> $events */
        $events = json_decode($python->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        self::assertCount(count((array) $laid->json('sessions')), $events);
        self::assertSame('Painting: Tide, bell; "Number"', $events[0]['what']);
        self::assertSame('2026-12-01T19:30:00+00:00', $events[0]['start']);
        self::assertCount(count((array) $laid->json('sessions.0.steps')), $events[0]['steps']);
        foreach (explode("\r\n", trim($ics)) as $line) {
            self::assertLessThanOrEqual(75, strlen($line), 'RFC 5545, 3.1: lines are folded');
        }
        // Laid again within the same evening, an event is the same event in a later version.
        $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertOk();
        $python->setInput((string) $this->get('/schedule.ics')->getContent())->mustRun();
        /** @var list<array{uid: string, sequence: int}> $later */
        $later = json_decode($python->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame($events[0]['uid'], $later[0]['uid']);
        self::assertSame($events[0]['sequence'] + 1, $later[0]['sequence']);
    }

    /**
     * @param  TestResponse<Response>  $answer
     * @return list<array{start: string, what: string}>
     */
    private static function steps(TestResponse $answer): array
    {
        $steps = [];
        /** @var array{sessions: list<array{steps: list<array{start: string, what: string}>}>} $laid */
        $laid = $answer->json();
        foreach ($laid['sessions'] as $session) {
            $steps = [...$steps, ...$session['steps']];
        }

        return $steps;
    }

    private function sentry(string $name = 'Reed sentry'): Figure
    {
        $figure = $this->figure();
        $figure->update(['name' => $name]);
        $part = $figure->parts()->create(['name' => 'Body', 'position' => 1]);
        $primer = $this->pot('Primer Black', '#1a1a1a', PotKind::Primer);
        $green = $this->pot('Reed Green', '#5c7434');
        foreach (['Cloak', 'Skin'] as $n => $areaName) {
            $area = $this->area($figure, $areaName);
            $area->update(['part_id' => $part->id]);
            $layers = array_map(
                static fn (array $layer, int $place): array => [...$layer, 'key' => strtoupper(substr(md5("{$n} {$place}"), 0, 26))],
                [$this->layer($primer, 'spray can'), $this->layer($green, drops: 3 + $n), $this->layer($green, 'wash')],
                [0, 1, 2],
            );
            $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => $layers, 'version' => 1])->assertOk();
        }

        return $figure;
    }
}
