<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Pdf\OwnUnits;
use App\Models\Answer;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Bench\Timer;
use App\Models\Brief\Figure;
use App\Models\Shelf\Paint;
use Closure;
use Hyalin\Pot\PotKind;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Inertia\Testing\AssertableInertia;

/**
 * What really happened at the bench: stored at once, each thing once, and used for the next time.
 */
final class RecordTest extends TestCase
{
    private const KEY = '01ARZ3NDEKTSV4RRFFQ69G5FAV';

    public function test_a_change_sent_twice_is_made_once_and_answered_alike(): void
    {
        $run = $this->runOf($this->sentry());
        $step = $this->step($run, 'base coat');
        $url = "/runs/{$run->id}/steps/{$step->id}";
        $first = $this->patchJson($url, ['version' => 1, 'state' => 'done'], ['X-Once' => self::KEY])->assertOk();
        $pot = Paint::query()->findOrFail($step->planned_mix[0]['paintId']);
        $level = [$pot->level_percent, $pot->used_ml];
        $again = $this->patchJson($url, ['version' => 1, 'state' => 'done'], ['X-Once' => self::KEY])->assertOk();
        self::assertSame($first->json(), $again->json());
        self::assertSame(2, $step->refresh()->version);
        $pot->refresh();
        self::assertSame($level, [$pot->level_percent, $pot->used_ml]);
        // Another painter's key of the same letters is another key; one that is refused is not kept.
        self::assertSame(1, Answer::query()->count());
        $this->patchJson($url, ['version' => 2, 'usedCoats' => 99], ['X-Once' => str_repeat('B', 26)])->assertUnprocessable();
        self::assertFalse(Answer::query()->where('key', str_repeat('B', 26))->exists());
        // Without a key the second press is a conflict.
        $this->patchJson($url, ['version' => 1, 'state' => 'done'])->assertConflict();
    }

    public function test_a_repair_is_put_in_and_what_follows_moves_on(): void
    {
        $run = $this->runOf($this->sentry());
        $before = $run->steps->pluck('area_name', 'position')->all();
        $made = $this->postJson("/runs/{$run->id}/steps", ['after' => 2, 'words' => 'overspray on the skin, brushed over'], ['X-Once' => self::KEY])->assertCreated();
        $this->postJson("/runs/{$run->id}/steps", ['after' => 2, 'words' => 'overspray on the skin, brushed over'], ['X-Once' => self::KEY])->assertCreated();
        $made->assertJsonPath('position', 3)->assertJsonPath('isInserted', true)->assertJsonPath('title', 'repair')->assertJsonPath('instruction', 'overspray on the skin, brushed over');
        $after = $run->steps()->pluck('area_name', 'position')->all();
        self::assertSame(count($before) + 1, count($after));
        self::assertSame(array_slice($before, 2), array_slice($after, 3));
        self::assertSame(range(1, count($after)), array_keys($after));
        // Done once more: the same mix, as a step of its own.
        $step = $this->step($run, 'base coat');
        $this->postJson(
            "/runs/{$run->id}/steps",
            ['after' => $step->position, 'againId' => $step->id],
        )->assertCreated()->assertJsonPath('technique', 'base coat')->assertJsonPath('plannedMix.0.name', 'Reed Green');
        $this->postJson("/runs/{$run->id}/steps", ['after' => 1])->assertUnprocessable();
        $this->postJson("/runs/{$run->id}/steps", ['after' => 99, 'words' => 'x'])->assertUnprocessable();
        $this->postJson("/runs/{$run->id}/steps", ['after' => 1, 'againId' => 9999])->assertUnprocessable();
    }

    public function test_a_skipped_step_says_why_and_is_not_left(): void
    {
        $run = $this->runOf($this->sentry());
        $step = $this->step($run, 'wash');
        $url = "/runs/{$run->id}/steps/{$step->id}";
        $this->patchJson($url, ['version' => 1, 'state' => 'skipped', 'skipReason' => ''])->assertUnprocessable();
        $this->patchJson($url, ['version' => 1, 'state' => 'skipped', 'skipReason' => 'dark enough already'])->assertOk()->assertJsonPath('skipReason', 'dark enough already');
        self::assertSame([], $step->refresh()->takenMl());
        $this->patchJson($url, ['version' => 2, 'state' => 'open'])->assertOk()->assertJsonPath('skipReason', null);
    }

    public function test_levels_fall_by_what_was_used_and_rise_when_a_step_is_taken_back(): void
    {
        $run = $this->runOf($this->sentry());
        $step = $this->step($run, 'base coat');
        $url = "/runs/{$run->id}/steps/{$step->id}";
        $pot = Paint::query()->findOrFail($step->planned_mix[0]['paintId']);
        $held = static fn (): float => $pot->refresh()->pot()->sizeMl() * $pot->level_percent / 100 - $pot->used_ml;
        $full = $held();
        $this->patchJson($url, ['version' => 1, 'state' => 'done', 'usedDrops' => 40])->assertOk()->assertJsonPath('usedDrops', 40);
        $this->get("/shelf/paints/{$pot->id}")->assertInertia(fn (AssertableInertia $page) => $page->where('life.usedMl', 2)->where('life.uses.0.figure', $run->figure->name)->where('life.uses.0.cupId', null));
        // 40 drops of 0.05 mL.
        self::assertEqualsWithDelta($full - 2.0, $held(), 1e-9);
        $this->patchJson($url, ['version' => 2, 'usedDrops' => 20])->assertOk();
        self::assertEqualsWithDelta($full - 1.0, $held(), 1e-9);
        $this->patchJson($url, ['version' => 3, 'state' => 'open'])->assertOk();
        self::assertEqualsWithDelta($full, $held(), 1e-9);
        // What was mixed in a cup left its pot there, once.
        $this->postJson('/cups', ['name' => 'Cloak', 'runStepId' => $step->id, 'mix' => [['paintId' => $pot->id, 'drops' => 10]]])->assertCreated();
        $this->patchJson($url, ['version' => 4, 'state' => 'done'])->assertOk();
        self::assertEqualsWithDelta($full - 0.5, $held(), 1e-9);
        // The pot tells where it went, and what is left: 10 drops of 0.05 mL into the cup, and nothing of the steps taken back.
        $this->get("/shelf/paints/{$pot->id}")->assertInertia(fn (AssertableInertia $page) => $page->where('life.usedMl', 0.5)->where('life.leftMl', $held())->count('life.uses', 1)
            ->where('life.uses.0.runId', $run->id)->where('life.uses.0.technique', 'base coat')->where('life.uses.0.what', 'Cloak'));
        $this->postJson('/cups', ['name' => 'x', 'runStepId' => 9999])->assertUnprocessable();
    }

    public function test_the_bench_shows_the_cup_as_it_is_thinned(): void
    {
        $run = $this->runOf($this->sentry());
        $step = $this->step($run, 'base coat');
        $cup = $this->postJson('/cups', ['name' => 'Cloak', 'runStepId' => $step->id, 'mix' => [['paintId' => $step->planned_mix[0]['paintId'], 'drops' => 4]]])->assertCreated()->json('id');
        self::assertIsInt($cup);
        $this->postJson("/cups/{$cup}/entries", ['key' => str_repeat('T', 26), 'act' => 'thin', 'drops' => 6])->assertOk();
        // 6 to 4, 10 drops of 0.05 mL in all; half of it used, it is as thin.
        $at = $step->position - 1;
        $near = static fn (float $wanted): Closure => static fn (int|float $is): bool => abs($is - $wanted) < 1e-9;
        $shown = fn (float $millilitres): AssertableInertia => AssertableInertia::fromTestResponse($this->get("/runs/{$run->id}")->assertOk())
            ->where("run.steps.{$at}.cup.thinner", $near(1.5))->where("run.steps.{$at}.cup.millilitres", $near($millilitres));
        $shown(0.5);
        $this->postJson("/cups/{$cup}/entries", ['key' => str_repeat('U', 26), 'act' => 'use', 'millilitres' => 0.25])->assertOk();
        $shown(0.25);
    }

    public function test_what_a_run_used_is_what_the_next_is_reckoned_with(): void
    {
        $figure = $this->sentry();
        $run = $this->runOf($figure);
        $step = $this->step($run, 'base coat');
        $learned = fn (Run $of, float $factor) => $this->get("/runs/{$of->id}")->assertInertia(fn (AssertableInertia $page) => $page->where(
            'run.steps.'.($step->position - 1).'.need.learned',
            fn (mixed $found): bool => is_numeric($found) && abs($found - $factor) < 1e-9,
        ));
        $learned($run, 1.0);
        $this->patchJson("/runs/{$run->id}/steps/{$step->id}", ['version' => 1, 'state' => 'done', 'usedDrops' => 400])->assertOk();
        $this->post("/runs/{$run->id}/repeat")->assertRedirect();
        // Four times at most, one run against two of the default: (1 + 1 + 4) / 3.
        $learned($figure->runs()->where('number', 2)->firstOrFail(), 2.0);
    }

    public function test_quantities_say_what_runs_out_and_what_to_buy(): void
    {
        $figure = $this->sentry();
        $green = Paint::query()->where('name', 'Reed Green')->firstOrFail();
        $green->update(['level_percent' => 1, 'price' => 4.0, 'size_ml' => 10]);
        $page = fn (int $copies): AssertableInertia => AssertableInertia::fromTestResponse($this->get("/figures/{$figure->id}/quantities?copies={$copies}")->assertOk());
        // In the middle of a run it is told there as well.
        $run = $this->runOf($figure);
        $run->update(['copies' => 60]);
        AssertableInertia::fromTestResponse($this->get("/runs/{$run->id}"))->where('short', ['Reed Green', 'Primer Black'])->where('onMesh', false);
        $page(6)->component('quantities/index')->loadDeferredProps(
            'default',
            fn (AssertableInertia $later) => $later->where('planned.pots.0.name', 'Reed Green')->where('planned.pots.0.toBuy', 1)->where('planned.pots.0.spend', 4)->where('planned.batch.figures', 6),
        );
        $page(1)->loadDeferredProps('default', fn (AssertableInertia $later) => $later->where('planned.batch', null));
        $page(300);
        $this->getJson("/figures/{$figure->id}/quantities.csv?copies=501")->assertUnprocessable()->assertJsonPath('message', 'Paint is calculated for 1 to 500 figures.');
        $csv = (string) $this->get("/figures/{$figure->id}/quantities.csv?copies=6")->assertOk()->getContent();
        self::assertStringStartsWith("maker,name,need_ml,has_ml,missing_ml,to_buy,cost\r\n", $csv);
        self::assertMatchesRegularExpression('/^Osmerby Colour Works,Reed Green,\d+\.\d{3},0\.100,/m', $csv);
        $pdf = (string) $this->get("/figures/{$figure->id}/shopping.pdf?copies=6")->assertOk()->getContent();
        $file = (string) tempnam(sys_get_temp_dir(), 'pdf');
        file_put_contents($file, $pdf);
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($file).' -');
        unlink($file);
        self::assertMatchesRegularExpression('/Reed Green\s+Osmerby Colour Works\s+1\s+\d+\.\d\d mL/', $text);
        // As on the screens (tests/Interface/units.test.tsx).
        $this->painter->fill(['length_unit' => 'in', 'volume_unit' => 'drops']);
        self::assertSame('Mask it: 5 in of border, 2 in²; take 6 drops, then 1 drop. 5 mmm stay.', OwnUnits::of($this->painter)->words('Mask it: 127 mm of border, 12.9 cm²; take 0.3 mL, then 0.05 mL. 5 mmm stay.'));
        // A batch takes more than one figure, and less than six times as much: the cup keeps its rest once.
        $need = static fn (string $table): float => (float) explode(',', explode("\n", $table)[1])[2];
        $one = (string) $this->get("/figures/{$figure->id}/quantities.csv?copies=1")->getContent();
        self::assertGreaterThan($need($one), $need($csv));
        self::assertLessThan(6 * $need($one), $need($csv));
    }

    public function test_a_batch_is_painted_step_by_step_or_figure_by_figure(): void
    {
        $figure = $this->sentry();
        $one = $this->runOf($figure);
        $this->post("/figures/{$figure->id}/runs", ['copies' => 3, 'mode' => 'step by step'])->assertRedirect();
        $this->post("/figures/{$figure->id}/runs", ['copies' => 3, 'mode' => 'figure by figure'])->assertRedirect();
        $together = $figure->runs()->where('number', 2)->firstOrFail();
        $apart = $figure->runs()->where('number', 3)->firstOrFail();
        self::assertSame($one->steps->count(), $together->steps()->count());
        self::assertSame(3 * $one->steps->count(), $apart->steps()->count());
        $minutes = static fn (Run $run): int => array_sum($run->steps()->get()->map(static fn (RunStep $s): int => $s->minutes)->all());
        self::assertSame(3 * $minutes($one), $minutes($together));
        self::assertSame([1, 2, 3], $apart->steps()->pluck('copy')->unique()->values()->all());
        // A repeat of either for two figures.
        $this->post("/runs/{$apart->id}/repeat", ['copies' => 2])->assertRedirect();
        $repeat = $figure->runs()->where('number', 4)->firstOrFail();
        self::assertSame([2, $one->steps->count()], [$repeat->copies, $repeat->steps()->count()]);
        self::assertSame(2 * $minutes($one), $minutes($repeat));
        $this->post("/figures/{$figure->id}/runs", ['copies' => 0])->assertSessionHasErrors('copies');
    }

    public function test_the_figures_of_a_batch_are_read_and_the_odd_one_is_named(): void
    {
        $figure = $this->sentry();
        $this->post("/figures/{$figure->id}/runs", ['copies' => 5]);
        $run = $figure->runs()->firstOrFail();
        $area = $figure->areas()->firstOrFail();
        foreach (['#5c7434', '#5d7535', '#5b7334', '#3a4f1c', '#5c7333'] as $n => $hex) {
            $answer = $this->postJson("/runs/{$run->id}/pieces", ['areaId' => $area->id, 'copy' => $n + 1, 'method' => 'typed', 'hex' => $hex])->assertOk();
        }
        $answer->assertJsonPath('outlier', 4);
        $this->get("/runs/{$run->id}/pieces")->assertInertia(fn (AssertableInertia $page) => $page->component('bench/pieces')->where('areas.0.outlier', 4)->where(
            'areas.0.remedy',
            fn (string $w): bool => str_contains($w, 'darker'),
        ));
        // Read again by the device: the same piece gives the same but for its noise.
        $read = fn (): array => (array) $this->postJson("/runs/{$run->id}/pieces", ['areaId' => $area->id, 'copy' => 2, 'method' => 'reader'])->assertOk()->json('readings.1.colour.lab');
        [$first, $second] = [$read(), $read()];
        foreach ([0, 1, 2] as $axis) {
            self::assertEqualsWithDelta($first[$axis], $second[$axis], 1.0);
        }
        self::assertSame(5, $run->readings()->count());
        $this->postJson("/runs/{$run->id}/pieces", ['areaId' => $area->id, 'copy' => 6, 'method' => 'reader'])->assertUnprocessable();
        $this->postJson("/runs/{$run->id}/pieces", ['areaId' => 9999, 'copy' => 1, 'method' => 'reader'])->assertUnprocessable();
        $this->postJson("/runs/{$run->id}/pieces", ['areaId' => $area->id, 'copy' => 1, 'method' => 'typed', 'hex' => 'green'])->assertUnprocessable();
    }

    public function test_what_was_done_becomes_the_recipe_and_any_version_comes_back(): void
    {
        $figure = $this->sentry();
        $run = $this->runOf($figure);
        $this->postJson("/runs/{$run->id}/adopt")->assertUnprocessable();
        $base = $this->step($run, 'base coat');
        $wash = $this->step($run, 'wash');
        $this->patchJson("/runs/{$run->id}/steps/{$base->id}", ['version' => 1, 'state' => 'done', 'usedCoats' => 4])->assertOk();
        $this->patchJson("/runs/{$run->id}/steps/{$wash->id}", ['version' => 1, 'state' => 'skipped', 'skipReason' => 'dark enough'])->assertOk();
        $this->get("/runs/{$run->id}/beside")->assertInertia(fn (AssertableInertia $page) => $page->component('bench/compare')->count('areas.0.changed', 2)->count('areas.0.rightLayers', 2)->where('areas.0.rightLayers.1.coats', 4));
        $cloak = $figure->areas()->firstOrFail();
        $layers = static fn (): array => $cloak->layers()->pluck('coats', 'technique')->all();
        $before = $layers();
        $this->postJson("/runs/{$run->id}/adopt")->assertOk();
        self::assertSame(['spray can' => 2, 'base coat' => 4], $layers());
        $version = $figure->versions()->sole();
        $this->postJson("/figures/{$figure->id}/versions/{$version->id}/restore")->assertOk();
        self::assertSame($before, $layers());
        // What stood in between is kept as well.
        self::assertSame(2, $figure->versions()->count());
        $this->get("/runs/{$run->id}/beside?other={$run->id}")->assertInertia(fn (AssertableInertia $page) => $page->where('areas.0.changed', []));
        $this->get("/runs/{$run->id}/beside?other=9999")->assertNotFound();
    }

    public function test_a_photo_of_a_step_stands_at_it(): void
    {
        $run = $this->runOf($this->sentry());
        $step = $this->step($run, 'wash');
        $url = "/runs/{$run->id}/steps/{$step->id}/photos";
        $this->post($url, ['picture' => UploadedFile::fake()->image('x.png', 40, 30)], ['Accept' => 'application/json'])->assertCreated()->assertJsonCount(1, 'photos');
        $this->post($url, ['picture' => UploadedFile::fake()->createWithContent('x.png', 'no picture')], ['Accept' => 'application/json'])->assertUnprocessable();
        self::assertSame(1, $step->pictures()->count());
    }

    public function test_timers_are_moments_and_a_mask_calls_until_it_is_peeled(): void
    {
        $sent = ['key' => self::KEY, 'what' => 'five-minute epoxy', 'minutes' => 5];
        $timer = $this->postJson('/timers', $sent)->assertCreated();
        $this->postJson('/timers', $sent)->assertCreated()->assertJsonPath('at', $timer->json('at'));
        self::assertSame(1, Timer::query()->count());
        $this->postJson('/timers', [...$sent, 'minutes' => 0])->assertUnprocessable();
        $this->postJson('/timers', [...$sent, 'runId' => 9999, 'key' => str_repeat('C', 26)])->assertUnprocessable();
        $on = fn (int $items) => $this->get('/')->assertInertia(fn (AssertableInertia $page) => $page->loadDeferredProps('tray', fn (AssertableInertia $tray) => $tray->count('tray', $items)));
        $on(1);
        $this->travel(30)->minutes();
        // It has rung; it stays until it is stopped.
        $on(1);
        $this->deleteJson('/timers/'.Timer::query()->sole()->id)->assertOk();
        $on(0);

        $run = $this->runOf($this->sentry());
        $mask = $run->steps()->create([
            'position' => 50,
            'kind' => 'mask',
            'step_key' => 'mask layer X',
            'area_name' => 'Skin',
            'zones' => [],
            'thinner' => 0,
            'coats' => 1,
            'planned_mix' => [],
            'planned_colours' => [],
            'drying_minutes' => 15,
            'most_minutes' => 1440,
        ]);
        $peel = $run->steps()->create([
            'position' => 51,
            'kind' => 'peel',
            'step_key' => 'peel layer X',
            'area_name' => 'Skin',
            'zones' => [],
            'thinner' => 0,
            'coats' => 1,
            'planned_mix' => [],
            'planned_colours' => [],
            'drying_minutes' => 0,
        ]);
        $this->freezeSecond();
        $this->patchJson("/runs/{$run->id}/steps/{$mask->id}", ['version' => 1, 'state' => 'done'])->assertOk();
        // It may stay on for a day; once the coat over it is on, it comes off while that is soft.
        $peel->update(['position' => 52, 'most_minutes' => 30]);
        $spray = $run->steps()->create(['kind' => 'spray', 'position' => 51, 'step_key' => 'layer X', 'copy' => null, 'area_name' => 'Coat', 'zones' => [], 'thinner' => 0, 'coats' => 1, 'planned_mix' => [], 'planned_colours' => [], 'drying_minutes' => 30]);
        $off = fn (Carbon $at) => $this->get('/')->assertInertia(fn (AssertableInertia $page) => $page->loadDeferredProps('tray', fn (AssertableInertia $tray) => $tray->where('tray', fn (Collection $items): bool => data_get($items->firstWhere('kind', 'mask'), 'at') === $at->toIso8601String())));
        $off(now()->addDay());
        $this->travel(20)->minutes();
        $this->patchJson("/runs/{$run->id}/steps/{$spray->id}", ['version' => 1, 'state' => 'done'])->assertOk();
        $off(now()->addMinutes(30));
        $this->travel(2)->days();
        $this->get('/')->assertInertia(fn (AssertableInertia $page) => $page->loadDeferredProps('tray', fn (AssertableInertia $tray) => $tray->where('tray.0.kind', 'mask')));
        $this->patchJson("/runs/{$run->id}/steps/{$peel->id}", ['version' => 1, 'state' => 'done'])->assertOk();
        $on(0);
    }

    public function test_recipes_are_found_by_colour_pot_figure_and_word(): void
    {
        $figure = $this->sentry();
        $green = Paint::query()->where('name', 'Reed Green')->firstOrFail();
        $find = fn (string $query): AssertableInertia => AssertableInertia::fromTestResponse($this->get("/recipes?{$query}")->assertOk());
        $find('')->component('recipes/index')->count('recipes', 2);
        $find('hex=d79a7c')->where('recipes.0.area', 'Skin');
        $find('hex=%235c7434')->where('recipes.0.area', 'Cloak');
        $find("paintId={$green->id}")->count('recipes', 1)->where('recipes.0.area', 'Cloak');
        $find('word=wash')->count('recipes', 1);
        $find("figureId={$figure->id}&word=skin")->count('recipes', 1);
        // A sign of the query language is a letter like any other.
        $find('word=%25')->count('recipes', 0);
        $this->get('/recipes?hex=green')->assertSessionHasErrors('hex');
    }

    private function step(Run $run, string $technique): RunStep
    {
        return $run->steps()->where('technique', $technique)->orderBy('position')->firstOrFail();
    }

    private function sentry(): Figure
    {
        $figure = $this->figure();
        $part = $figure->parts()->create(['name' => 'Body', 'position' => 1]);
        $primer = $this->pot('Primer Black', '#1a1a1a', PotKind::Primer);
        $green = $this->pot('Reed Green', '#5c7434');
        $skin = $this->pot('Cheek', '#d79a7c');
        foreach ([
            'Cloak' => [$this->layer($primer, 'spray can'), $this->layer($green, drops: 3), $this->layer($green, 'wash')],
            'Skin' => [$this->layer($primer, 'spray can'), $this->layer($skin)],
        ] as $name => $layers) {
            $area = $this->area($figure, $name);
            $area->update(['part_id' => $part->id]);
            foreach ($layers as $n => $_) {
                $layers[$n]['key'] = strtoupper(substr(md5("{$name} {$n}"), 0, 26));
            }
            $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => $layers, 'version' => 1])->assertOk();
        }

        return $figure;
    }

    private function runOf(Figure $figure): Run
    {
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();
        $run = $figure->runs()->firstOrFail();
        self::assertSame(RunStepState::Open, $run->steps()->firstOrFail()->state);

        return $run->load('steps');
    }
}
