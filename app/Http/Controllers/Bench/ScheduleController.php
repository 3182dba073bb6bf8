<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\PlanSessions;
use App\Actions\RefuseOverwriting;
use App\Adapters\Bench\AidedDrying;
use App\Adapters\Bench\BenchCalendar;
use App\Adapters\Bench\BenchHours;
use App\Adapters\Bench\FigureWork;
use App\Http\Props\Bench\BenchExceptionProps;
use App\Http\Props\Bench\BenchHourProps;
use App\Http\Props\Bench\FigureChoiceProps;
use App\Http\Props\Bench\ScheduleProps;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Seen;
use Hyalin\Bench\DryingAid;
use Hyalin\InvalidInput;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The painter's hours, and the work laid over them.
 */
final class ScheduleController
{
    public function show(#[CurrentUser] Painter $painter): Response
    {
        $hours = BenchHours::of($painter);
        $exceptions = $hours->exceptions;
        ksort($exceptions);

        return Inertia::render('schedule/index', [
            'schedule' => static fn (): ?ScheduleProps => ($schedule = $painter->schedule()->first()) === null ? null : ScheduleProps::of($schedule),
            'hours' => static fn () => array_map(static fn (array $h): BenchHourProps => new BenchHourProps($h['day'], $h['start'], $h['minutes']), $hours->pattern),
            'exceptions' => static fn () => array_map(
                static fn (string $date, ?array $e): BenchExceptionProps => new BenchExceptionProps($date, $e['start'] ?? null, $e['minutes'] ?? null),
                array_keys($exceptions),
                $exceptions,
            ),
            'aid' => $painter->drying_aid,
            'aids' => static fn () => array_column(DryingAid::cases(), 'value'),
            'timeZone' => $painter->time_zone,
            'seen' => self::seen($painter),
            // Which figures have work left takes a plan of each; what was planned is there to be read meanwhile.
            'figures' => Inertia::defer(static fn (): array => self::choices($painter)),
        ]);
    }

    private static function seen(Painter $painter): string
    {
        return Seen::of([$painter->bench_hours, $painter->bench_exceptions, $painter->drying_aid]);
    }

    /** @return list<FigureChoiceProps> the figures with something left to paint */
    private static function choices(Painter $painter): array
    {
        $figures = [];
        foreach (self::withWork($painter) as $figure) {
            $left = FigureWork::of($figure, $painter->drying_aid);
            if ($left !== null) {
                $figures[] = new FigureChoiceProps($figure->id, $figure->name, count($left->work->steps));
            }
        }

        return $figures;
    }

    /** @return Collection<int, Figure> with all that their open steps are made of, in as many queries for one as for ten */
    private static function withWork(Painter $painter): Collection
    {
        $figures = $painter->figures()->withExists('varnishes as has_varnish')->with([
            'parts', 'areas.layers.paints.paint', 'joints.hiddenAreas', 'boundaries', 'ownRules', 'ownSteps', 'latestRun.steps.areas', 'latestRun.steps.parts',
        ])->get();

        return $figures->each(static fn (Figure $f): Figure => $f->setRelation('painter', $painter));
    }

    /** @throws ValidationException when a time is none */
    public function hours(Request $request, #[CurrentUser] Painter $painter, RefuseOverwriting $refuse): JsonResponse
    {
        $clock = 'regex:/^([01]\d|2[0-3]):[0-5]\d\z/';
        $request->validate([
            'hours' => ['sometimes', 'array', 'list', 'max:21'],
            'hours.*.day' => ['required', 'integer', 'between:1,7'],
            'hours.*.start' => ['required', 'string', $clock],
            'hours.*.minutes' => ['required', 'integer', 'between:10,1200'],
            'exceptions' => ['sometimes', 'array', 'list', 'max:400'],
            'exceptions.*.date' => ['required', 'date_format:Y-m-d'],
            'exceptions.*.start' => ['nullable', 'string', $clock],
            'exceptions.*.minutes' => ['nullable', 'required_with:exceptions.*.start', 'integer', 'between:10,1200'],
            'aid' => ['sometimes', Rule::enum(DryingAid::class)],
            'timeZone' => ['sometimes', 'timezone:all'],
            'seen' => ['sometimes', 'string', 'max:64'],
        ], ['hours.*.start.regex' => 'Write the time like 19:30.', 'exceptions.*.start.regex' => 'Write the time like 19:30.']);
        $refuse($painter->id, $painter, $request->has('seen') ? $request->string('seen')->value() : null, self::seen($painter->refresh()), ['hours' => $request->except('seen')]);
        if ($request->has('hours')) {
            $painter->bench_hours = array_map(
                static fn (Request $h): array => ['day' => $h->integer('day'), 'start' => $h->string('start')->value(), 'minutes' => $h->integer('minutes')],
                self::rows($request, 'hours'),
            );
        }
        if ($request->has('exceptions')) {
            $exceptions = [];
            foreach (self::rows($request, 'exceptions') as $e) {
                $exceptions[$e->string('date')->value()] = $e->filled('start') ? ['start' => $e->string('start')->value(), 'minutes' => $e->integer('minutes')] : null;
            }
            $painter->bench_exceptions = $exceptions;
        }
        $painter->drying_aid = $request->enum('aid', DryingAid::class) ?? $painter->drying_aid;
        $painter->time_zone = $request->filled('timeZone') ? $request->string('timeZone')->value() : $painter->time_zone;
        $painter->save();
        app(AidedDrying::class)->forget();

        return new JsonResponse(['message' => 'Saved.', 'seen' => self::seen($painter)]);
    }

    /** @throws ValidationException when the work does not fit into the painter's hours, saying why */
    public function plan(Request $request, PlanSessions $plan, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate(['figureIds' => ['required', 'array', 'list', 'max:50'], 'figureIds.*' => ['integer']]);
        $figures = $painter->figures()->whereKey($request->array('figureIds'))->get();
        try {
            $schedule = $plan($painter, $figures, now()->toImmutable());
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['figureIds' => ucfirst($e->getMessage())]);
        }

        return new JsonResponse($schedule === null ? null : ScheduleProps::of($schedule));
    }

    public function calendar(#[CurrentUser] Painter $painter): PlainResponse
    {
        $schedule = $painter->schedule()->first();
        abort_if($schedule === null, 404, 'No sessions are planned yet.');

        return new PlainResponse(BenchCalendar::of($schedule), 200, ['Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="bench.ics"']);
    }

    /** @return list<Request> each row of a list as typed input of its own */
    private static function rows(Request $request, string $key): array
    {
        return array_values(array_map(static fn (mixed $row): Request => new Request(is_array($row) ? $row : []), $request->array($key)));
    }
}
