<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Painter;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\TechniqueHand;
use Hyalin\Finish\Technique;
use Hyalin\Optics\OpticsQuality;
use Inertia\Testing\AssertableInertia;

final class ChipTest extends TestCase
{
    public function test_a_hand_is_told_by_chips_and_used_from_then_on(): void
    {
        $pot = $this->pot('Reed', '#5f7f57');
        // Known for sure: the stand-in reader then reads just this paint.
        $pot->update([
            'quality' => OpticsQuality::Measured,
            'scattering' => array_map(static fn (float $s): float => 0.2 * $s, $pot->scattering),
            'absorption' => array_map(static fn (float $k): float => 0.2 * $k, $pot->absorption),
        ]);
        $figure = $this->figure();
        $area = $this->area($figure);
        $ask = ['layers' => [[...$this->layer($pot, 'stipple'), 'coats' => 1]]];
        $section = fn () => $this->postJson("/figures/{$figure->id}/areas/{$area->id}/section", $ask)->assertOk()->json('rows.1.cells.2.colour.lab');
        $before = $section();
        foreach (['black', 'white'] as $card) {
            $this->postJson('/chips', ['technique' => 'stipple', 'paintId' => $pot->id, 'card' => $card, 'coats' => 1, 'thinner' => 0])->assertCreated();
        }
        $hand = TechniqueHand::query()->sole();
        // The hand behind the stand-in: 0.85 of the usual coverage, 1.25 of the usual film.
        self::assertEqualsWithDelta(0.85, $hand->coverage, 4 * $hand->coverage_deviation + 0.005);
        self::assertEqualsWithDelta(1.25, $hand->thickness, 4 * $hand->thickness_deviation + 0.01);
        self::assertSame(2, $hand->chips);
        self::assertNotSame($before, $section());
        $this->get('/chips')->assertInertia(fn (AssertableInertia $page) => $page->component('chips/index')->count('hands', 1)->count('hands.0.chips', 2));
        // Without chips the usual profile holds again.
        foreach (ChipRecord::query()->pluck('id') as $id) {
            self::assertIsInt($id);
            $this->deleteJson("/chips/{$id}")->assertOk();
        }
        self::assertSame(0, TechniqueHand::query()->count());
        self::assertSame($before, $section());
    }

    public function test_chips_that_can_tell_nothing_are_refused_and_not_kept(): void
    {
        $pot = $this->pot('Reed', '#5f7f57');
        $chip = ['technique' => 'base coat', 'paintId' => $pot->id, 'card' => 'white', 'coats' => 1, 'thinner' => 0];
        $this->postJson('/chips', [...$chip, 'technique' => 'edge highlight'])->assertUnprocessable()->assertJsonPath(
            'errors.technique.0',
            'This technique leaves nothing on a flat chip: it works on edges and in recesses only.',
        );
        $this->postJson('/chips', [...$chip, 'paintId' => 99])->assertUnprocessable();
        $this->postJson('/chips', [...$chip, 'card' => 'blue'])->assertUnprocessable();
        self::assertSame(0, ChipRecord::query()->count());
        $this->postJson('/chips', $chip)->assertCreated();
        self::assertSame(Technique::BaseCoat, TechniqueHand::query()->sole()->technique);
        $id = ChipRecord::query()->sole()->id;
        $this->actingAs(Painter::factory()->create())->deleteJson("/chips/{$id}")->assertNotFound();
    }
}
