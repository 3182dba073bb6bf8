<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench\Run;
use App\Models\Bench\RunStepState;
use App\Models\Brief\Figure;
use Illuminate\Support\Collection;
use Inertia\Testing\AssertableInertia;

final class RunTest extends TestCase
{
    public function test_a_figure_without_layers_cannot_be_painted_and_says_why(): void
    {
        $figure = $this->figure();
        $this->area($figure);
        $this->post("/figures/{$figure->id}/runs")->assertSessionHasErrors('figure');
        $this->get("/figures/{$figure->id}/bench")->assertOk();
        self::assertSame(0, Run::query()->count());
    }

    public function test_spray_layers_that_areas_share_are_one_step_and_the_rest_follows_the_stacks(): void
    {
        $run = $this->runOf($this->sentry());
        $steps = $run->steps->map(static fn ($s): string => "{$s->title()}: {$s->area_name}")->all();
        self::assertSame([
            'prepare: Reed sentry',
            'spray can: Cloak, Skin',
            'base coat: Cloak',
            'wash: Cloak',
            'base coat: Skin',
        ], $steps);
        self::assertSame([1, 2, 3, 4, 5], $run->steps->pluck('position')->all());
        self::assertSame('Reed Green', ($run->steps[2]->planned_mix ?? [])[0]['name'] ?? null);
    }

    public function test_what_was_really_used_is_recorded_and_a_repeat_starts_from_it(): void
    {
        $figure = $this->sentry();
        $run = $this->runOf($figure);
        $step = $run->steps[1];
        self::assertNotNull($step);
        $bone = $this->pot('Bone Lane', '#e0d4b4');
        $url = "/runs/{$run->id}/steps/{$step->id}";
        $this->patchJson($url, ['version' => 1, 'usedMix' => [['paintId' => $bone->id, 'drops' => 0]]])->assertUnprocessable();
        $this->patchJson($url, ['version' => 1, 'usedMix' => [['paintId' => 999, 'drops' => 2]]])->assertUnprocessable();
        $this->patchJson($url, [
            'version' => 1, 'note' => 'A drop of bone made it warmer.',
            'usedMix' => [['paintId' => $step->planned_mix[0]['paintId'], 'drops' => 4], ['paintId' => $bone->id, 'drops' => 1]],
        ])->assertOk()->assertJson(['version' => 2, 'state' => 'open']);
        $this->patchJson($url, ['version' => 2, 'state' => 'done'])->assertOk()->assertJsonPath('state', 'done');

        // The plan changes afterwards, a pot leaves the shelf: the record stays.
        $figure->areas()->firstOrFail()->layers()->delete();
        $bone->delete();
        $this->post("/runs/{$run->id}/repeat")->assertRedirect();
        $repeat = Run::query()->where('repeats_id', $run->id)->sole();
        self::assertSame(2, $repeat->number);
        $again = $repeat->steps()->where('position', 2)->sole();
        self::assertSame([4, 1], array_column($again->planned_mix, 'drops'));
        self::assertSame('Bone Lane', $again->planned_mix[1]['name']);
        self::assertSame(RunStepState::Open, $again->state);
        $this->get("/runs/{$repeat->id}")->assertInertia(fn (AssertableInertia $page) => $page
            ->where('run.steps.1.lastTime', 'Run 1: A drop of bone made it warmer.')
            ->where('run.repeatsNumber', 1));
        // The drop of bone can be used again although its pot is gone from the shelf.
        $this->patchJson("/runs/{$repeat->id}/steps/{$again->id}", ['version' => 1, 'usedMix' => [['paintId' => $bone->id, 'drops' => 2]]])->assertOk();
    }

    /** The day is the painter's: half an hour before midnight at Greenwich it is the next one in Vienna. */
    public function test_a_pot_past_its_time_is_told_with_the_amounts_and_at_the_step(): void
    {
        $figure = $this->sentry();
        $run = $this->runOf($figure);
        $pot = $this->painter->paints()->where('name', 'Reed Green')->sole();
        $this->patchJson("/shelf/paints/{$pot->id}/facts", ['openedOn' => '2026-02-30'])->assertUnprocessable()->assertJsonPath('errors.openedOn.0', 'Opened on: "2026-02-30" is no day from 1900 to 2199 written as YYYY-MM-DD, for example 2026-12-02.');
        $this->patchJson("/shelf/paints/{$pot->id}/facts", ['openedOn' => '2025-04-01', 'goodUntil' => '2026-10-03'])->assertOk();
        foreach (['UTC' => null, 'Europe/Vienna' => '2026-10-03'] as $zone => $since) {
            $this->travelTo('2026-10-03 23:30:00');
            $this->painter->update(['time_zone' => $zone]);
            $this->get("/figures/{$figure->id}/quantities")->assertInertia(fn (AssertableInertia $page) => $page
                ->where('inRun.left', static fn (mixed $left): bool => $left instanceof Collection && $left->pluck('wasGoodUntil', 'name')->get('Reed Green') === $since));
            $this->get("/runs/{$run->id}")->assertInertia(fn (AssertableInertia $page) => $page
                ->where('run.steps.2.cautions', static fn (mixed $said): bool => $said instanceof Collection && $said->contains('Reed Green was good until 3 October 2026: try it on a card first.') === ($since !== null)));
        }
    }

    public function test_a_step_done_in_two_windows_is_told_and_what_is_wet_stands_on_the_sill(): void
    {
        $run = $this->runOf($this->sentry());
        $step = $run->steps[1];
        self::assertNotNull($step);
        $this->patchJson("/runs/{$run->id}/steps/{$step->id}", ['version' => 1, 'state' => 'done'])->assertOk();
        $this->patchJson("/runs/{$run->id}/steps/{$step->id}", ['version' => 1, 'note' => 'mine'])
            ->assertConflict()
            ->assertJsonPath('theirs.state', 'done');
        $wet = fn (int $items) => $this->get('/')->assertInertia(fn (AssertableInertia $page) => $page->loadDeferredProps('tray', fn (AssertableInertia $tray) => $tray->count('tray', $items)));
        $wet(1);
        $this->travel(59)->minutes();
        $wet(1);
        $this->travel(2)->minutes();
        $wet(0);
    }

    public function test_a_run_is_finished_with_its_last_step_and_open_again_when_one_is_taken_back(): void
    {
        $run = $this->runOf($this->sentry());
        foreach ($run->steps as $step) {
            $this->patchJson("/runs/{$run->id}/steps/{$step->id}", ['version' => 1, 'state' => 'done'])->assertOk();
        }
        self::assertNotNull($run->refresh()->finished_at);
        $last = $run->steps->last();
        $this->patchJson("/runs/{$run->id}/steps/{$last?->id}", ['version' => 2, 'state' => 'open'])->assertOk()->assertJsonPath('doneAt', null);
        self::assertNull($run->refresh()->finished_at);
    }

    private function sentry(): Figure
    {
        $figure = $this->figure();
        $primer = $this->pot('Primer Black', '#1a1a1a', \Hyalin\Pot\PotKind::Primer);
        $green = $this->pot('Reed Green', '#5c7434');
        $skin = $this->pot('Cheek', '#d79a7c');
        $prime = $this->layer($primer, 'spray can');
        foreach (['Cloak' => [$prime, $this->layer($green, drops: 3), $this->layer($green, 'wash')], 'Skin' => [$prime, $this->layer($skin)]] as $name => $layers) {
            $area = $this->area($figure, $name);
            $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => $layers, 'version' => 1])->assertOk();
        }
        $this->area($figure, 'Spear');

        return $figure;
    }

    private function runOf(Figure $figure): Run
    {
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();

        return $figure->runs()->firstOrFail()->load('steps');
    }
}
