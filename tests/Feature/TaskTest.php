<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Light\CastGlow;
use App\Actions\Light\FindZones;
use App\Actions\Light\ProposeAreas;
use App\Actions\Light\SetGradient;
use App\Actions\Light\SettleAreas;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use App\Models\Painter;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Hyalin\Finish\Technique;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Progress;
use Hyalin\Stopped;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\Shapes;

/**
 * What takes over a second on a large print is done in the queue: all of it or nothing, one at a time, and it can be stopped.
 */
final class TaskTest extends TestCase
{
    /** By name of the task: the request that begins it, by figure and area. */
    private const REQUESTS = [
        'proposal' => ['POST', '/light/areas/propose', []],
        'zones' => ['PUT', '/light', ['edges' => 3]],
        'spray' => ['PUT', '/light', ['spray' => 'zenithal spray', 'distance' => 120]],
        'gradient' => ['PUT', '/light/areas/AREA/gradient', ['isGradient' => true, 'along' => 'side']],
        'glow' => ['POST', '/light/glow/AREA/cast', []],
        'measures' => ['POST', '/light/measure', []],
    ];

    /**
     * @param  key-of<self::REQUESTS>  $kind
     * @return TestResponse<Response>
     */
    private function ask(Figure $figure, Area $area, string $kind): TestResponse
    {
        [$method, $path, $input] = self::REQUESTS[$kind];

        return $this->json($method, "/figures/{$figure->id}".str_replace('AREA', (string) $area->id, $path), $input);
    }

    public function test_each_waits_in_the_queue_alone_and_does_what_was_asked(): void
    {
        [$figure, $light, $area] = $this->lit();
        config(['hyalin.patience' => 0.0, 'queue.default' => 'database']);
        foreach (array_keys(self::REQUESTS) as $kind) {
            if ($kind === 'measures') {
                $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [5, 0, 10], 'tool' => 'brush', 'size' => 1, 'areaId' => null])->assertOk();
            }
            $before = self::state($light, $area);
            $task = $this->ask($figure, $area, $kind)->assertOk()->assertJsonPath('task.kind', $kind)->assertJsonPath('task.state', 'waiting')->json('task.id');
            self::assertIsInt($task);
            self::assertSame($before, self::state($light, $area), "{$kind} before its turn");
            $this->getJson("/figures/{$figure->id}/light/shown")->assertJsonPath('task.id', $task);
            // What only follows from the areas gives way; nothing else does.
            if (in_array($kind, ['proposal', 'zones', 'spray', 'gradient'], true)) {
                $this->postJson("/figures/{$figure->id}/light/areas/".($kind === 'proposal' ? "{$area->id}/gradient" : 'propose'), ['isGradient' => true, '_method' => $kind === 'proposal' ? 'PUT' : 'POST'])->assertUnprocessable()->assertJsonValidationErrors(['task' => 'Something else is being calculated']);
            }
            $this->work();
            $this->getJson("/tasks/{$task}")->assertOk()->assertJson(['state' => 'done', 'progress' => 1, 'problem' => null]);
            if ($kind === 'glow') {
                $this->getJson("/figures/{$figure->id}/light/glow/{$area->id}/shares")->assertOk();
            }
            // A glow is kept beside, and numbers follow from the areas.
            if ($kind !== 'glow' && $kind !== 'measures') {
                self::assertNotSame($before, self::state($light, $area), $kind);
            }
            $this->getJson("/figures/{$figure->id}/light/shown")->assertJsonPath('task', null)->assertJsonPath('isMeasured', true);
        }
        // What is there is not asked for again.
        $this->ask($figure, $area, 'measures')->assertOk()->assertJsonPath('task', null);
        self::assertSame(count(self::REQUESTS), self::tasks()->where('state', TaskState::Done)->count());
        // Nothing is left to propose: the reason is the task's.
        $task = $this->ask($figure, $area, 'proposal')->assertOk()->json('task.id');
        $this->work();
        $this->getJson('/tasks/'.(is_int($task) ? $task : 0))->assertJson(['state' => 'failed', 'problem' => 'No large surface is left without an area. Use the brush for small ones.']);
    }

    /** A slider is moved again before what it was moved to first is calculated: the later holds, and nothing set besides is lost. */
    public function test_of_two_settings_the_later_holds_and_measuring_gives_way(): void
    {
        [$figure, $light, $area] = $this->lit();
        config(['hyalin.patience' => 0.0, 'queue.default' => 'database']);
        $set = fn (array $settings) => $this->putJson("/figures/{$figure->id}/light", $settings)->assertOk();
        $set(['spray' => 'zenithal spray', 'distance' => 120]);
        $set(['spray' => 'zenithal spray', 'spread' => 40]);
        $set(['spray' => 'spray from below', 'passes' => 2]);
        $this->work();
        $this->work();
        $this->work();
        $kept = $light->refresh()->sprays ?? [];
        self::assertSame([120.0, 40.0, 2], [(float) ($kept['zenithal spray']['distance'] ?? 0), (float) ($kept['zenithal spray']['spread'] ?? 0), $kept['spray from below']['passes'] ?? 0]);
        $set(['edges' => 2]);
        $set(['grooves' => 3]);
        $this->work();
        $this->work();
        self::assertSame([2.0, 3.0], [$light->refresh()->edges, $light->grooves]);
        self::assertSame(['done' => 2, 'stopped' => 3], self::tasks()->selectRaw('state, count(*) as n')->groupBy('state')->orderBy('state')->toBase()->pluck('n', 'state')->all());
        // What a painter does stops the measuring of what was; asked for meanwhile, it waits for its turn without a word.
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [5, 0, 10], 'tool' => 'brush', 'size' => 1, 'areaId' => null])->assertOk();
        $this->ask($figure, $area, 'measures')->assertOk()->assertJsonPath('task.kind', 'measures');
        $this->ask($figure, $area, 'gradient')->assertOk()->assertJsonPath('task.kind', 'gradient');
        $this->ask($figure, $area, 'measures')->assertOk()->assertJsonPath('task.kind', 'gradient');
    }

    public function test_stopped_or_lost_it_says_so_and_frees_the_figure(): void
    {
        [$figure, $light, $area] = $this->lit();
        config(['hyalin.patience' => 0.0, 'queue.default' => 'database']);
        $before = self::state($light, $area);
        $this->ask($figure, $area, 'proposal')->assertOk();
        $task = self::tasks()->sole();
        $this->deleteJson("/tasks/{$task->id}")->assertOk()->assertJsonPath('isStopping', true);
        $this->work();
        $this->getJson("/tasks/{$task->id}")->assertJsonPath('state', 'stopped');
        self::assertSame($before, self::state($light, $area));
        $this->ask($figure, $area, 'zones')->assertOk();
        $lost = Task::query()->latest('id')->firstOrFail();
        DB::table('jobs')->delete();
        $this->travel(1)->minutes();
        $this->getJson("/tasks/{$lost->id}")->assertJson(['state' => 'failed', 'problem' => 'Edges and grooves were not found again: the server ended meanwhile. Try again.']);
        $this->ask($figure, $area, 'zones')->assertOk()->assertJsonPath('task.state', 'waiting');
        // Of another painter there is none.
        $this->actingAs(Painter::factory()->create());
        $this->getJson("/tasks/{$lost->id}")->assertNotFound();
        $this->deleteJson("/tasks/{$lost->id}")->assertNotFound();
    }

    /** @param  float  $after  fraction from which on it is to stop */
    #[DataProvider('fractions')]
    public function test_stopped_anywhere_all_is_as_before(float $after): void
    {
        [$figure, $light, $area] = $this->lit();
        $stop = new class($after) implements Progress
        {
            public function __construct(private readonly float $after)
            {
            }

            public function at(float $fraction): bool
            {
                return $fraction < $this->after;
            }
        };
        $before = self::state($light, $area);
        $numbers = $light->refresh()->result;
        $shown = StoredStudy::of($light)?->workingZones();
        $works = [
            'proposal' => static fn () => app(ProposeAreas::class)($figure, $light, $stop),
            'zones' => static fn () => app(FindZones::class)($light, 3.0, 0.5, $stop),
            'spray' => static fn () => app(SettleAreas::class)->withSprays($light, ['sprays' => ['zenithal spray' => ['distance' => 120.0]]], Technique::ZenithalSpray, $stop),
            'gradient' => static fn () => app(SetGradient::class)($light, $area, null, 'side', $stop),
            'glow' => static fn () => app(CastGlow::class)($light, $area->id, $stop),
        ];
        $stopped = 0;
        foreach ($works as $name => $work) {
            $light->refresh();
            try {
                $work();
                self::assertGreaterThan(0.7, $after, "{$name} asks on its way");
                break;
            } catch (Stopped) {
                $stopped++;
            }
            self::assertSame($before, self::state($light, $area), $name);
            app(SettleAreas::class)->due($light->refresh());
            self::assertEqualsWithDelta($numbers, $light->refresh()->result, 1e-9, $name);
            self::assertSame($shown, StoredStudy::of($light)?->workingZones(), $name);
        }
        self::assertGreaterThan(0, $stopped);
    }

    /** @return iterable<string, array{float}> */
    public static function fractions(): iterable
    {
        yield 'at once' => [0.0];
        yield 'early' => [0.16];
        yield 'before the half' => [0.4];
        yield 'after it' => [0.68];
    }

    /** @return array{Figure, LightRecord, Area} a lamp on a post, which is an area, and a block that is none */
    private function lit(): array
    {
        $figure = $this->figure();
        $area = $this->area($figure, 'Lamp');
        $this->printFile($figure, StlWriter::write(Shapes::both(Shapes::ball(5.0, 24, 0.0, 10.0), Shapes::box(30.0, 10.0, 2.0, 3))));
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0, 15], 'tool' => 'piece', 'size' => 1, 'areaId' => $area->id])->assertOk();
        $light = LightRecord::ofFigure($figure);
        app(SettleAreas::class)->due($light);

        return [$figure, $light->refresh(), $area];
    }

    /** @return array<string, mixed> what a stopped task must leave alone */
    private static function state(LightRecord $light, Area $area): array
    {
        $study = StoredStudy::of($light->refresh());
        self::assertNotNull($study);

        return [
            'light' => $light->only(['edges', 'grooves', 'sprays', 'front']), 'areas' => Area::query()->where('figure_id', $light->figure_id)->pluck('name')->all(),
            'form' => $area->refresh()->only(['form', 'gradient']), 'zones' => md5(serialize($study->zones())), 'of' => md5(serialize($study->areas())),
            'exposure' => md5($study->exposure('zenithal spray')),
        ];
    }

    private function work(): void
    {
        Artisan::call('queue:work', ['--queue' => 'short,long,later', '--once' => true, '--tries' => 1, '--sleep' => 0]);
    }

    /** @return Builder<Task> but for the print file and its lighting, which all of them need */
    private static function tasks(): Builder
    {
        return Task::query()->whereNotIn('kind', [TaskKind::Light, TaskKind::Mesh]);
    }
}
