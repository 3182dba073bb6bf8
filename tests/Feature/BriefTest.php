<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench\Run;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\LayerRecord;
use App\Models\SetAsideEdit;
use Inertia\Testing\AssertableInertia;

final class BriefTest extends TestCase
{
    public function test_a_figure_is_begun_with_a_name_and_gets_the_trades_defaults(): void
    {
        $this->post('/figures', ['name' => ''])->assertSessionHasErrors('name');
        $this->post('/figures', ['name' => 'Lantern boy', 'heightMm' => 2])->assertSessionHasErrors('heightMm');
        $this->post('/figures', ['name' => 'Lantern boy', 'heightMm' => 54])->assertRedirect();
        $figure = Figure::query()->sole();
        self::assertSame([54, 1, 'D65', 'matt'], [$figure->height_mm, $figure->refresh()->copies, $figure->light->value, $figure->sheen->value]);
        $this->get("/figures/{$figure->id}/brief")->assertInertia(fn (AssertableInertia $page) => $page
            ->component('brief/index')
            ->where('figure.stages.0.state', 'no areas yet')
            ->where('figure.stages.3.state', 'no print file'));
    }

    public function test_parts_and_areas_are_added_changed_and_removed(): void
    {
        $figure = $this->figure();
        $url = "/figures/{$figure->id}";
        $this->post("{$url}/parts", ['name' => 'Head'])->assertRedirect();
        $head = $figure->parts()->sole();
        $elsewhere = $this->figure()->parts()->create(['name' => 'Foreign']);
        $this->post("{$url}/areas", ['name' => 'Face', 'partId' => $elsewhere->id])->assertSessionHasErrors('partId');
        $this->post("{$url}/areas", ['name' => 'Face', 'partId' => $head->id, 'wish' => 'Pale'])->assertRedirect();
        $this->post("{$url}/areas", ['name' => 'Hair'])->assertRedirect();
        $face = $figure->areas()->firstOrFail();
        $this->patch("{$url}/areas/{$face->id}", ['name' => 'Face and neck', 'partId' => $head->id])->assertRedirect();
        self::assertSame(['Face and neck', 'Hair'], $figure->areas()->pluck('name')->all());
        self::assertNull($face->refresh()->wish);
        // A part that goes leaves its areas; an area that goes takes its layers.
        $this->delete("{$url}/parts/{$head->id}")->assertRedirect();
        self::assertNull($face->refresh()->part_id);
        $pot = $this->pot('Cheek', '#d79a7c');
        $this->putJson("{$url}/areas/{$face->id}/finish", ['layers' => [$this->layer($pot)], 'version' => 1])->assertOk();
        $this->delete("{$url}/areas/{$face->id}")->assertRedirect();
        self::assertSame([1, 0], [Area::query()->count(), LayerRecord::query()->count()]);
    }

    public function test_a_part_of_clear_resin_starts_from_what_lies_behind_it(): void
    {
        $figure = $this->figure();
        $url = "/figures/{$figure->id}";
        $this->post("{$url}/parts", ['name' => 'Bottle'])->assertRedirect();
        $bottle = $figure->parts()->sole();
        $this->post("{$url}/areas", ['name' => 'Glass', 'partId' => $bottle->id])->assertRedirect();
        $this->post("{$url}/areas", ['name' => 'Coat'])->assertRedirect();
        [$glass, $coat] = $figure->areas()->get()->all();
        $bare = fn (Area $area): array => (array) $this->postJson("{$url}/areas/{$area->id}/section", ['layers' => []])->assertOk()->json('rows.0.cells.2.colour');
        $grey = $bare($coat);
        self::assertSame($grey, $bare($glass));
        $this->patch("{$url}/parts/{$bottle->id}", ['bareHex' => '#C8DCC8', 'translucency' => 0])->assertRedirect();
        self::assertSame('light greyish green', $bare($glass)['name']);
        self::assertSame($grey, $bare($coat));
        // Clear through and through: of what white paper (0.85) gave back, what lies behind (0.15) leaves 0.18.
        $this->patch("{$url}/parts/{$bottle->id}", ['bareHex' => '#c8dcc8', 'translucency' => 1])->assertRedirect();
        self::assertIsArray($bare($glass)['lab']);
        self::assertLessThan(45, $bare($glass)['lab'][0]);
        $this->patch("{$url}/parts/{$bottle->id}", ['bareHex' => 'green', 'translucency' => 2])->assertSessionHasErrors(['bareHex', 'translucency']);
        // What says nothing of the print leaves it; said to be as the figure, it is.
        $this->patch("{$url}/parts/{$bottle->id}", [])->assertRedirect();
        self::assertSame('#c8dcc8', $bottle->refresh()->bare_hex);
        $this->patch("{$url}/parts/{$bottle->id}", ['bareHex' => null, 'translucency' => null])->assertRedirect();
        self::assertSame($grey, $bare($glass));
    }

    public function test_the_facts_of_a_figure_are_guarded_against_a_second_window(): void
    {
        $figure = $this->figure();
        $this->patchJson("/figures/{$figure->id}", ['name' => 'First', 'version' => 1])->assertOk()->assertJson(['version' => 2]);
        $this->patchJson("/figures/{$figure->id}", ['name' => 'Second', 'about' => 'long thought', 'version' => 1])
            ->assertConflict()
            ->assertJsonPath('theirs.name', 'First');
        self::assertSame('long thought', SetAsideEdit::query()->sole()->values['about']);
        $this->patchJson("/figures/{$figure->id}", ['name' => 'Third', 'sheen' => 'mirror', 'version' => 2])->assertUnprocessable();
        // What is not sent stays.
        $this->patchJson("/figures/{$figure->id}", ['name' => 'First', 'sheen' => 'gloss', 'version' => 2])->assertOk()->assertJsonPath('light', 'D65');
    }

    public function test_the_bench_door_says_what_comes_next_for_each_figure(): void
    {
        $next = fn (string $words) => $this->get('/')->assertInertia(fn (AssertableInertia $page) => $page->where('page.figures.0.next', $words));
        $figure = $this->figure();
        $next('Name its parts and areas');
        $area = $this->area($figure);
        $next('Take colours from a reference');
        $picture = $figure->pictures()->create(['title' => 'x', 'path' => 'x.png', 'width' => 1, 'height' => 1]);
        $area->samples()->create([
            'picture_id' => $picture->id, 'zone' => 'mid', 'method' => 'spot', 'outline' => [[0.5, 0.5], [0.1, 0.0]],
            'lightness' => 50, 'a' => 0, 'b' => 0, 'spread' => 1.0, 'pixels' => 50, 'clipped' => 0.0,
        ]);
        $next('Build the first finish');
        $pot = $this->pot('Cheek', '#d79a7c');
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [$this->layer($pot)], 'version' => 1])->assertOk();
        $next('Start painting');
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();
        $next('prepare: Reed sentry');
        $run = Run::query()->sole();
        foreach ($run->steps as $step) {
            $this->patchJson("/runs/{$run->id}/steps/{$step->id}", ['version' => 1, 'state' => 'skipped'])->assertOk();
        }
        $next('Painted. Repeat it or open its record');
        $this->delete("/figures/{$figure->id}")->assertRedirect('/');
        self::assertSame([0, 0, 1], [Figure::query()->count(), Run::query()->count(), $this->painter->paints()->count()]);
    }
}
