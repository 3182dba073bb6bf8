<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Painter;
use App\Models\SetAsideEdit;
use Inertia\Testing\AssertableInertia;

/**
 * Two windows of one painter on the same thing: the second to save is told, nothing is overwritten, and nothing of either is lost.
 */
final class TwoWindowsTest extends TestCase
{
    public function test_hours_order_and_areas_are_never_overwritten_without_a_word(): void
    {
        $seen = '';
        $this->get('/schedule')->assertInertia(function (AssertableInertia $page) use (&$seen): void {
            $page->where('seen', function (string $mark) use (&$seen): bool {
                return ($seen = $mark) !== '';
            });
        });
        $hours = static fn (int $day): array => ['hours' => [['day' => $day, 'start' => '20:00', 'minutes' => 90]], 'seen' => $seen];
        $mark = $this->putJson('/schedule/hours', ['timeZone' => 'Europe/Oslo', 'seen' => $seen])->assertOk()->json('seen');
        self::assertSame($seen, $mark, 'where a window stands is no change of the hours');
        $mark = $this->putJson('/schedule/hours', $hours(5))->assertOk()->json('seen');
        $this->putJson('/schedule/hours', [...$hours(5), 'seen' => $mark])->assertOk();
        $this->putJson('/schedule/hours', $hours(6))->assertConflict()->assertJsonPath('message', fn (string $w): bool => str_contains($w, 'another window'));
        self::assertSame(5, $this->painter->refresh()->bench_hours[0]['day'] ?? null);

        $figure = $this->figure();
        $figure->parts()->create(['name' => 'Body', 'position' => 1]);
        $steps = [];
        $this->get("/figures/{$figure->id}/order")->assertInertia(function (AssertableInertia $page) use (&$seen, &$steps): void {
            $page->where('seen', function (string $mark) use (&$seen): bool {
                return ($seen = $mark) !== '';
            })->where('planned.steps', function (iterable $planned) use (&$steps): bool {
                foreach ($planned as $step) {
                    $steps[] = is_array($step) ? $step['id'] : '';
                }

                return $steps !== [];
            });
        });
        $this->putJson("/figures/{$figure->id}/order", ['steps' => $steps, 'seen' => $seen])->assertOk();
        $this->putJson("/figures/{$figure->id}/order", ['steps' => array_reverse($steps), 'seen' => $seen])->assertConflict();
        self::assertSame($steps, $figure->refresh()->own_order);

        $area = $this->area($figure);
        $was = $area->refresh()->seen();
        $form = static fn (string $name, string $seen): array => ['name' => $name, 'form' => 'light and shade', 'seen' => $seen];
        $url = "/figures/{$figure->id}/areas/{$area->id}";
        $this->patch($url, $form('Mantle', $was))->assertSessionHasNoErrors();
        $this->patch($url, $form('Cape', $was))->assertSessionHasErrors('seen');
        self::assertSame('Mantle', $area->refresh()->name);
        // Told, and meant all the same.
        $this->patch($url, $form('Cape', $area->seen()))->assertSessionHasNoErrors();
        self::assertSame('Cape', $area->refresh()->name);

        // What lost can be read, by its painter alone, and forgotten.
        self::assertSame(['Painter', 'Figure', 'Area'], SetAsideEdit::query()->pluck('subject')->all());
        $this->get('/account')->assertInertia(fn (AssertableInertia $page) => $page->count('setAside', 3)->where('setAside.0.of', 'area')->where('setAside.0.lines.0', 'name: Cape'));
        $first = SetAsideEdit::query()->firstOrFail();
        $this->actingAs(Painter::factory()->create()->refresh());
        $this->delete("/account/set-aside/{$first->id}")->assertNotFound();
        $this->actingAs($this->painter);
        $this->delete("/account/set-aside/{$first->id}")->assertRedirect();
        self::assertSame(2, SetAsideEdit::query()->count());
    }

    /** Paint dries from when it went on, not from when the server was back to hear of it. */
    public function test_a_step_that_waited_in_the_browser_was_done_when_it_was_done(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [$this->layer($green = $this->pot('Reed Green', '#5c7434')), [...$this->layer($green, 'wash')]], 'version' => 1])->assertOk();
        $this->post("/figures/{$figure->id}/runs");
        $run = $figure->runs()->firstOrFail();
        $run->forceFill(['created_at' => now()->subDay()])->save();
        [$first, $second] = $run->steps()->get()->all();
        $this->patchJson("/runs/{$run->id}/steps/{$first->id}", ['version' => 1, 'state' => 'done', 'ago' => 3600])->assertOk();
        self::assertEqualsWithDelta(3600, $first->refresh()->done_at?->diffInSeconds(now()), 5);
        // Never before the run was begun, and nothing beyond reason.
        $this->patchJson("/runs/{$run->id}/steps/{$second->id}", ['version' => 1, 'state' => 'done', 'ago' => 2_000_000])->assertOk();
        self::assertEqualsWithDelta(86_400, $second->refresh()->done_at?->diffInSeconds(now()), 5);
        $this->patchJson("/runs/{$run->id}/steps/{$second->id}", ['version' => 2, 'state' => 'done', 'ago' => -5])->assertUnprocessable();
        // The clock of the server jumps, either way: what was done lies ahead or long ago, and every page stands.
        foreach ([-2, 400] as $days) {
            $this->travel($days)->days();
            foreach (['/', "/runs/{$run->id}", "/figures/{$figure->id}/bench", '/schedule', '/cups'] as $page) {
                $this->get($page)->assertOk();
            }
            $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertOk();
            $this->get('/schedule')->assertOk();
            $this->travelBack();
        }
    }
}
