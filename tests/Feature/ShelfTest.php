<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\SetAsideEdit;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\OpticsQuality;
use Inertia\Testing\AssertableInertia;

final class ShelfTest extends TestCase
{
    private const POT = [
        'maker' => 'Osmerby Colour Works', 'name' => 'Lamp Ochre', 'kind' => 'acrylic', 'sheen' => 'matt', 'levelPercent' => 70,
        'thickHex' => '#d79a1e', 'opacity' => '2', 'strength' => 'strong', 'note' => null,
    ];

    public function test_a_pot_described_by_colour_and_opacity_gets_optics_that_say_they_are_estimated(): void
    {
        $this->postJson('/shelf/paints', self::POT)
            ->assertCreated()
            ->assertJson(['name' => 'Lamp Ochre', 'quality' => 'estimated', 'thickHex' => '#d79a1e']);
        $this->getJson('/shelf/paints')->assertOk()->assertJsonCount(1)->assertJsonPath('0.name', 'Lamp Ochre');
        $this->postJson('/shelf/estimate', [...self::POT, 'opacity' => '5', 'strength' => 'usual'])->assertOk()->assertJson(['coatsToHide' => 5]);
    }

    public function test_flakes_have_a_second_face(): void
    {
        $metal = [...self::POT, 'name' => 'Bell Brass', 'kind' => 'metal flake', 'thickHex' => '#b08d3e'];
        // Darker from the side, until the painter says how.
        $flop = $this->postJson('/shelf/paints', $metal)->assertCreated()->assertJsonPath('isFlake', true)->json('flopHex');
        self::assertIsString($flop);
        self::assertLessThan(Srgb::hex('#b08d3e')->toXyz()->toLab()->lightness - 20, Srgb::hex($flop)->toXyz()->toLab()->lightness);
        $this->postJson('/shelf/paints', [...$metal, 'name' => 'Shift', 'flopHex' => '#6A4F8C'])->assertCreated()->assertJsonPath('flopHex', '#6a4f8c');
        $this->postJson('/shelf/paints', [...$metal, 'flopHex' => 'violet'])->assertUnprocessable()->assertJsonValidationErrors(['flopHex']);
        $this->postJson('/shelf/paints', self::POT)->assertJsonPath('flopHex', null);
    }

    public function test_what_is_wrong_with_a_pot_is_said_by_field(): void
    {
        $this->postJson('/shelf/paints', [...self::POT, 'name' => '', 'thickHex' => 'ochre', 'opacity' => '4', 'levelPercent' => 101])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['name', 'thickHex', 'opacity', 'levelPercent']);
        self::assertSame(0, $this->painter->paints()->count());
    }

    public function test_the_second_of_two_saves_is_told_and_neither_is_lost(): void
    {
        $pot = $this->pot('Peat', '#33251b');
        $this->patchJson("/shelf/paints/{$pot->id}", [...self::POT, 'name' => 'First', 'version' => 1])->assertOk()->assertJson(['version' => 2]);
        $this->patchJson("/shelf/paints/{$pot->id}", [...self::POT, 'name' => 'Second', 'version' => 1])
            ->assertConflict()
            ->assertJson(['version' => 2, 'theirs' => ['name' => 'First']]);
        self::assertSame('First', $pot->refresh()->name);
        self::assertSame('Second', SetAsideEdit::query()->sole()->values['name']);
        // Told so, the painter may still keep the own version.
        $this->patchJson("/shelf/paints/{$pot->id}", [...self::POT, 'name' => 'Second', 'version' => 2])->assertOk();
    }

    public function test_a_measured_pot_keeps_what_was_read_when_its_name_changes(): void
    {
        $pot = $this->pot('Peat', '#33251b');
        $pot->update(['quality' => OpticsQuality::Measured]);
        $before = $pot->absorption;
        $this->patchJson("/shelf/paints/{$pot->id}", [...self::POT, 'version' => 1])->assertOk();
        self::assertSame($before, $pot->refresh()->absorption);
    }

    public function test_a_pot_taken_off_the_shelf_stays_in_the_recipes_and_can_be_put_back(): void
    {
        $pot = $this->pot('Peat', '#33251b');
        $figure = $this->figure();
        $area = $this->area($figure);
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [$this->layer($pot)], 'version' => 1])->assertOk();
        $this->deleteJson("/shelf/paints/{$pot->id}")->assertOk();
        $this->get("/figures/{$figure->id}/finishes/{$area->id}")->assertInertia(fn (AssertableInertia $page) => $page
            ->where('area.layers.0.mix.0.name', 'Peat')
            ->count('pots', 0));
        // The recipe can still be changed and saved with it.
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [$this->layer($pot, drops: 3)], 'version' => 2])->assertOk();
        $this->postJson("/shelf/paints/{$pot->id}/restore")->assertOk();
        self::assertSame(1, $this->painter->paints()->count());
    }

    public function test_the_shelf_says_what_it_reaches_lacks_and_has_twice(): void
    {
        $this->get('/shelf/reach')->assertInertia(fn (AssertableInertia $page) => $page->component('shelf/reach')->where('page.pots', 0));
        foreach (['Chalk White' => '#f4f3ee', 'Soot' => '#1b1b1d', 'Deep' => '#2f5d9a', 'Deep again' => '#305e9b'] as $name => $hex) {
            $this->pot($name, $hex);
        }
        $this->pot('Empty Red', '#c01818')->update(['level_percent' => 0]);
        $figure = $this->figure();
        $area = $this->area($figure);
        $this->sample($area, 'mid', '#b02020');
        $this->sample($area, 'light', '#305f9c');
        $this->get('/shelf/reach')->assertInertia(fn (AssertableInertia $page) => $page
            ->where('page.pots', 4)
            ->count('page.overWhite', 60)
            ->count('page.lacks', 1)
            ->where('page.lacks.0.served', 1)
            ->where('page.lacks.0.wanted', fn (string $wanted): bool => str_contains($wanted, 'red'))
            ->where('page.doubles.0.one.name', 'Deep')
            ->where('page.doubles.0.other.name', 'Deep again'));
    }
}
