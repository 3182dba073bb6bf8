<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Cups\CupRecord;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Illuminate\Testing\TestResponse;
use Inertia\Testing\AssertableInertia;

final class CupTest extends TestCase
{
    /** A level is a sum: what is poured and taken back, in whatever order and from two pages, leaves it as it was. */
    public function test_a_pot_that_seemed_empty_is_not_filled_by_taking_back(): void
    {
        $pot = $this->pot('Fen', '#43351b');
        $pot->update(['level_percent' => 1, 'size_ml' => 17]);
        $pot->takeOut(5.0);
        self::assertSame(0, $pot->refresh()->level_percent);
        $pot->takeOut(-5.0);
        self::assertSame(1, $pot->refresh()->level_percent);
        self::assertEqualsWithDelta(0.0, $pot->used_ml, 1e-9);
        $pot->update(['level_percent' => 99]);
        $pot->takeOut(-5.0);
        self::assertSame(100, $pot->refresh()->level_percent);
        $pot->takeOut(5.0);
        self::assertSame(99, $pot->refresh()->level_percent);
        // Two pages that both saw it full.
        [$one, $other] = [Paint::query()->findOrFail($pot->id), Paint::query()->findOrFail($pot->id)];
        $one->takeOut(1.7);
        $other->takeOut(1.7);
        self::assertSame(79, $pot->refresh()->level_percent);
        // Another name is no other level; a look into the pot is.
        $pot->takeOut(0.1);
        $form = ['version' => $pot->version, 'maker' => $pot->maker, 'name' => 'Fen brown', 'kind' => $pot->kind->value, 'sheen' => $pot->sheen->value, 'thickHex' => $pot->thick_hex, 'opacity' => $pot->opacity->value, 'strength' => $pot->strength->value, 'levelPercent' => 79];
        $this->patchJson("/shelf/paints/{$pot->id}", $form)->assertOk();
        self::assertEqualsWithDelta(0.1, $pot->refresh()->used_ml, 1e-9);
        $this->patchJson("/shelf/paints/{$pot->id}", [...$form, 'version' => $pot->version, 'levelPercent' => 60])->assertOk();
        self::assertSame([60, 0.0], [$pot->refresh()->level_percent, $pot->used_ml]);
    }

    public function test_a_cup_keeps_its_true_recipe_through_use_and_topping_up(): void
    {
        $ochre = $this->pot('Lamp Ochre', '#d79a1e');
        $white = $this->pot('Chalk White', '#f4f3ee');
        $id = $this->postJson('/cups', ['name' => 'Oilskin, mid', 'mix' => [['paintId' => $ochre->id, 'drops' => 3], ['paintId' => $white->id, 'drops' => 1]]])
            ->assertCreated()
            ->assertJson(['millilitres' => 0.2, 'recipeDrops' => 4, 'difference' => 0, 'quality' => 'estimated', 'parts' => [['drops' => 3], ['drops' => 1]]])
            ->json('id');
        self::assertIsInt($id);
        $this->act($id, 'A', ['act' => 'use', 'millilitres' => 0.1])->assertOk()->assertJson(['millilitres' => 0.1, 'recipeDrops' => 4]);
        // Half of 3 + 1 and a drop of white: 3 + 3 of half drops.
        $this->act($id, 'B', ['act' => 'add', 'paintId' => $white->id, 'drops' => 1])->assertOk()->assertJson(['recipeDrops' => 2, 'parts' => [['drops' => 1], ['drops' => 1]]]);
        $this->act($id, 'C', ['act' => 'thin', 'drops' => 2])->assertOk()->assertJsonPath('parts.0.pot', null);
        $this->patchJson("/cups/{$id}/entries/".str_repeat('C', 26), [])->assertOk()->assertJson(['recipeDrops' => 2])->assertJsonPath('entries.0.undone', true);
        $this->postJson("/cups/{$id}/again", ['millilitres' => 3])->assertCreated()->assertJson(['recipeDrops' => 2, 'millilitres' => 3]);
        $this->get("/cups/{$id}")->assertInertia(fn (AssertableInertia $page) => $page->component('cups/show')->where('cup.name', 'Oilskin, mid')->loadDeferredProps(
            'tray',
            fn (AssertableInertia $tray) => $tray->count('openCups', 2),
        ));
    }

    public function test_what_goes_into_a_cup_is_taken_off_the_level_of_its_pot(): void
    {
        // 17 mL: a hundredth is 3.4 drops.
        $pot = $this->pot('Peat', '#33251b');
        $cup = $this->cup();
        $this->act($cup->id, 'A', ['act' => 'add', 'paintId' => $pot->id, 'drops' => 3])->assertOk();
        self::assertSame(100, $pot->refresh()->level_percent);
        $this->act($cup->id, 'B', ['act' => 'add', 'paintId' => $pot->id, 'drops' => 4])->assertOk();
        self::assertSame(98, $pot->refresh()->level_percent);
        self::assertEqualsWithDelta(0.01, $pot->used_ml, 1e-9);
        // A drop that never went in is restored, once.
        foreach ([1, 2] as $time) {
            $this->patchJson("/cups/{$cup->id}/entries/".str_repeat('B', 26), [])->assertOk();
            self::assertSame(100, $pot->refresh()->level_percent);
            self::assertEqualsWithDelta(0.15, $pot->used_ml, 1e-9);
        }
    }

    public function test_a_change_sent_twice_is_done_once_and_one_that_cannot_be_is_refused(): void
    {
        $pot = $this->pot('Peat', '#33251b');
        $cup = $this->cup();
        foreach ([1, 2, 3] as $time) {
            $this->act($cup->id, 'A', ['act' => 'add', 'paintId' => $pot->id, 'drops' => 2])->assertOk()->assertJson(['millilitres' => 0.1]);
        }
        // By weight, with the density of its kind (acrylic, 1.25 g/mL) and with the painter's own.
        $this->act($cup->id, 'B', ['act' => 'add', 'paintId' => $pot->id, 'grams' => 0.125])->assertOk()->assertJson(['millilitres' => 0.2]);
        $pot->update(['density' => 2.5]);
        $this->act($cup->id, 'C', ['act' => 'add', 'paintId' => $pot->id, 'grams' => 0.25])->assertOk()->assertJson(['millilitres' => 0.3]);
        $this->act($cup->id, 'D', ['act' => 'use', 'millilitres' => 0.4])->assertUnprocessable()->assertJsonPath('errors.millilitres.0', 'This cup holds only 0.30 mL.');
        $this->act($cup->id, 'E', ['act' => 'add', 'paintId' => $pot->id, 'drops' => 1.5])->assertUnprocessable()->assertJsonPath('errors.drops.0', 'Drops must be whole numbers.');
        $this->act($cup->id, 'F', ['act' => 'add', 'drops' => 1])->assertUnprocessable();
        $this->act($cup->id, 'G', ['act' => 'add', 'paintId' => 999, 'drops' => 1])->assertUnprocessable()->assertJsonPath('errors.paintId.0', 'This pot is not on your shelf.');
        $this->deleteJson("/cups/{$cup->id}")->assertOk()->assertJson(['emptied' => true]);
        $this->act($cup->id, 'H', ['act' => 'add', 'paintId' => $pot->id, 'drops' => 1])->assertUnprocessable();
        $this->postJson("/cups/{$cup->id}/restore")->assertOk()->assertJson(['emptied' => false, 'millilitres' => 0.3]);
        // A pot taken off the shelf stays in the cup.
        $pot->delete();
        $this->get("/cups/{$cup->id}")->assertOk()->assertInertia(fn (AssertableInertia $page) => $page->where('cup.parts.0.pot.onShelf', false));
    }

    public function test_a_cup_is_brought_back_to_what_was_planned(): void
    {
        $ochre = $this->pot('Lamp Ochre', '#d79a1e');
        $white = $this->pot('Chalk White', '#f4f3ee');
        $this->pot('Peat', '#33251b');
        $id = $this->postJson('/cups', ['name' => 'Sleeve', 'mix' => [['paintId' => $ochre->id, 'drops' => 4], ['paintId' => $white->id, 'drops' => 2]]])->json('id');
        self::assertIsInt($id);
        // A drop of white too much: two of ochre set it right.
        $off = $this->act($id, 'A', ['act' => 'add', 'paintId' => $white->id, 'drops' => 1])->json('difference');
        $advice = $this->getJson("/cups/{$id}/steering")->assertOk()->assertJsonPath('drops.0.name', 'Lamp Ochre')->assertJson(['removeMl' => 0])->json();
        self::assertIsArray($advice);
        self::assertIsFloat($off);
        self::assertLessThan($off / 3, $advice['difference']);
        $this->getJson("/cups/{$this->cup()->id}/steering")->assertUnprocessable();
    }

    public function test_the_scale_counts_drops_and_says_what_went_wrong(): void
    {
        $cup = $this->cup();
        $ask = fn (int $readings, int $session = 7) => $this->getJson("/cups/{$cup->id}/scale?session={$session}&readings={$readings}");
        $ask(0)->assertOk()->assertJson(['grams' => 0, 'state' => 'steady', 'readings' => 0]);
        // A drop of 0.0625 g every six readings; the stand-in's elbows, gaps and drift are not counted.
        foreach ([7, 8, 9] as $session) {
            $grams = $ask(245, $session)->assertOk()->json('grams');
            self::assertIsNumeric($grams);
            self::assertEqualsWithDelta(40 * 0.0625, (float) $grams, 0.13);
        }
        self::assertSame($ask(100)->json('grams'), $ask(100)->json('grams'));
        $ask(601)->assertUnprocessable();
        $ask(-1)->assertUnprocessable();
    }

    public function test_another_painters_cup_is_not_there(): void
    {
        $cup = $this->cup();
        $this->actingAs(Painter::factory()->create());
        $this->get("/cups/{$cup->id}")->assertNotFound();
        $this->act($cup->id, 'A', ['act' => 'thin', 'drops' => 1])->assertNotFound();
        $this->get('/cups')->assertInertia(fn (AssertableInertia $page) => $page->count('cups', 0));
    }

    private function cup(): CupRecord
    {
        $cup = new CupRecord(['name' => 'Test']);
        $cup->painter_id = $this->painter->id;
        $cup->save();

        return $cup;
    }

    /**
     * @param  array<string, mixed>  $deed
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function act(int $cup, string $letter, array $deed): TestResponse
    {
        return $this->postJson("/cups/{$cup}/entries", ['key' => str_repeat($letter, 26), ...$deed]);
    }
}
