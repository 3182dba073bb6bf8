<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Brief\BalanceRecord;
use App\Models\Painter;
use Inertia\Testing\AssertableInertia;

final class BalanceTest extends TestCase
{
    public function test_wishes_are_judged_over_the_figure_and_under_each_light(): void
    {
        $figure = $this->figure();
        $coat = $this->area($figure);
        $hat = $this->area($figure);
        $dark = $this->pot('Soot', '#1b1b1d');
        $light = $this->pot('Chalk White', '#f4f3ee');
        $this->putJson("/figures/{$figure->id}/areas/{$coat->id}/finish", ['layers' => [$this->layer($dark)], 'version' => 1])->assertOk();
        $this->putJson("/figures/{$figure->id}/areas/{$hat->id}/finish", ['layers' => [$this->layer($light)], 'version' => 1])->assertOk();
        $wish = fn (array $body) => $this->postJson("/figures/{$figure->id}/balances", $body);
        $wish(['kind' => 'stand apart', 'areaId' => $coat->id, 'otherId' => $hat->id])->assertCreated();
        $wish(['kind' => 'sit together', 'areaId' => $coat->id, 'otherId' => $hat->id, 'limit' => 3])->assertCreated();
        $wish(['kind' => 'focal point', 'areaId' => $coat->id])->assertCreated();
        $this->get("/figures/{$figure->id}/balance")->assertInertia(fn (AssertableInertia $page) => $page
            ->component('balance/index')
            ->count('page.areas', 2)
            ->where('page.areas.0.moved', fn (mixed $moved): bool => is_numeric($moved) && abs((float) $moved) < 1e-9)
            ->where('page.preferences.0.holds', true)
            ->where('page.preferences.1.holds', false)
            ->where('page.preferences.1.limit', 3)
            ->count('page.mismatches', 0));
        $this->get("/figures/{$figure->id}/balance?light=A")->assertInertia(fn (AssertableInertia $page) => $page->where('page.light', 'A'));
        $id = BalanceRecord::query()->firstOrFail()->id;
        $this->deleteJson("/figures/{$figure->id}/balances/{$id}")->assertOk();
        self::assertSame(2, BalanceRecord::query()->count());
    }

    public function test_wishes_that_make_no_sense_are_refused(): void
    {
        $figure = $this->figure();
        $coat = $this->area($figure);
        $elsewhere = $this->area($this->figure());
        foreach ([
            ['kind' => 'stand apart', 'areaId' => $coat->id],
            ['kind' => 'stand apart', 'areaId' => $coat->id, 'otherId' => $coat->id],
            ['kind' => 'stand apart', 'areaId' => $coat->id, 'otherId' => $elsewhere->id],
            ['kind' => 'shine', 'areaId' => $coat->id],
            ['kind' => 'focal point', 'areaId' => 0],
        ] as $body) {
            $this->postJson("/figures/{$figure->id}/balances", $body)->assertUnprocessable();
        }
        $this->actingAs(Painter::factory()->create());
        $this->get("/figures/{$figure->id}/balance")->assertNotFound();
    }
}
