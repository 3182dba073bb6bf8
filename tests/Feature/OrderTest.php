<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench\RunStepState;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\LayerRecord;
use App\Models\Seen;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\PotKind;
use Illuminate\Testing\PendingCommand;
use Inertia\Testing\AssertableInertia;

/**
 * @phpstan-type Judged array{steps: list<array{id: string, kind: string, words: string}>, rules: list<array{before: string, after: string, rule: string, reason: string, weight: float|null, isKept: bool}>, masks: list<array{protects: list<string>, mm: float, material: string}>, issues: list<array{what: string, stops: bool, remedy: string|null}>, cost: float, estimatedMm: float, canBePainted: bool}
 */
final class OrderTest extends TestCase
{
    public function test_a_usual_build_is_there_in_one_press_and_is_planned(): void
    {
        foreach (['figure on a base', 'bust', 'prop', 'set of equal figures'] as $template) {
            $figure = $this->figure();
            $this->postJson("/figures/{$figure->id}/template", ['template' => $template])->assertCreated();
            self::assertGreaterThan(1, $figure->parts()->count());
            self::assertGreaterThan(0, $figure->boundaries()->count());
            $this->get("/figures/{$figure->id}/order")->assertInertia(fn (AssertableInertia $page) => $page->component('order/index')->where('problem', null)->has('planned.steps')->has('approaches', 10));
        }
        $this->postJson("/figures/{$this->figure()->id}/template", ['template' => 'dragon'])->assertUnprocessable();
    }

    public function test_a_step_moved_shows_what_it_breaks_and_the_own_order_is_kept_and_followed_at_the_bench(): void
    {
        [$figure, $coat, $collar] = $this->built();
        $planned = $this->judged($figure, []);
        self::assertTrue($planned['canBePainted']);
        $ids = array_column($planned['steps'], 'id');
        $swapped = array_reverse($ids);
        $reversed = $this->judged($figure, $swapped);
        self::assertFalse($reversed['canBePainted']);
        $broken = array_values(array_filter($reversed['rules'], static fn (array $r): bool => ! $r['isKept'] && $r['weight'] === null));
        self::assertContains('stack order', array_column($broken, 'rule'));
        foreach ($broken as $rule) {
            self::assertNotSame('', $rule['reason']);
        }
        // Nothing was saved by asking.
        self::assertNull($figure->refresh()->own_order);
        $this->putJson("/figures/{$figure->id}/order", ['steps' => $swapped])->assertJsonValidationErrorFor('seen');
        $this->putJson("/figures/{$figure->id}/order", ['steps' => $swapped, 'seen' => Seen::of(null)])->assertOk();
        self::assertSame($swapped, $figure->refresh()->own_order);
        // An order that breaks hard rules is begun knowingly or not at all, and every page says so.
        $this->post("/figures/{$figure->id}/runs")->assertSessionHasErrors(['plan']);
        self::assertSame(0, $figure->runs()->count());
        $this->get("/figures/{$figure->id}/brief")->assertInertia(fn (AssertableInertia $page) => $page->where('figure.stages.4.state', 'stopped'));
        $this->post("/figures/{$figure->id}/runs", ['knowingly' => true])->assertRedirect();
        $painted = $figure->runs()->firstOrFail()->steps()->whereNotNull('technique')->pluck('area_name')->all();
        self::assertSame([$collar->name, $coat->name], [$painted[0], $painted[count($painted) - 1]]);
        $this->putJson("/figures/{$figure->id}/order", ['steps' => null, 'seen' => Seen::of($swapped)])->assertOk();
        self::assertNull($figure->refresh()->own_order);
        $this->postJson("/figures/{$figure->id}/order/judge", ['steps' => 'all'])->assertUnprocessable();
    }

    public function test_masks_follow_the_boundary_and_schools_change_the_rules(): void
    {
        [$figure, $coat, $collar] = $this->built();
        $this->postJson("/figures/{$figure->id}/boundaries", ['areaId' => $coat->id, 'otherId' => $collar->id, 'mm' => 80, 'isCurved' => false])->assertCreated();
        $this->patchJson("/figures/{$figure->id}/build/areas/{$coat->id}", ['squareCm' => 60, 'depth' => 1])->assertOk();
        $this->patchJson("/figures/{$figure->id}/build/areas/{$collar->id}", ['squareCm' => 2])->assertOk();
        $plan = $this->judged($figure, []);
        self::assertSame([['Collar', 80.0]], array_map(static fn (array $m): array => [$m['protects'][0], (float) $m['mm']], $plan['masks']));
        // Said twice, or with itself, a boundary is refused and nothing changes.
        $this->postJson(
            "/figures/{$figure->id}/boundaries",
            ['areaId' => $collar->id, 'otherId' => $coat->id, 'mm' => 70],
        )->assertUnprocessable()->assertJsonPath('errors.mm.0', 'These two meet along 80 mm already: remove that boundary first.');
        $this->postJson("/figures/{$figure->id}/boundaries", ['areaId' => $coat->id, 'otherId' => $coat->id, 'mm' => 70])->assertUnprocessable();
        $this->putJson('/approaches', ['approaches' => ['big areas first, touched up']])->assertOk();
        self::assertContains('big areas first', array_column($this->judged($figure, [])['rules'], 'rule'));
        $this->putJson('/approaches', ['approaches' => ['upside down']])->assertUnprocessable();
        $this->deleteJson("/figures/{$figure->id}/boundaries/{$figure->boundaries()->firstOrFail()->id}")->assertOk();
        // A border that nobody states is estimated, and asked for; one of 0 mm is none.
        $asked = $this->judged($figure, []);
        self::assertSame($asked['masks'][0]['mm'], $asked['estimatedMm']);
        self::assertStringContainsString('Cloak, Collar is not stated', implode(' ', array_column($asked['issues'], 'what')));
        $this->postJson("/figures/{$figure->id}/boundaries", ['areaId' => $coat->id, 'otherId' => $collar->id, 'mm' => 0])->assertCreated();
        // The can with the second primer still reaches what it does not meet: that is wrapped.
        $apart = $this->judged($figure, [])['masks'];
        self::assertSame([0, 'cling film or foil over all of it'], [$apart[0]['mm'], $apart[0]['material']]);
    }

    public function test_joints_and_own_rules_are_judged_before_they_are_kept(): void
    {
        [$figure, $coat] = $this->built();
        [$body, $base] = [$coat->part_id, $figure->parts()->create(['name' => 'Rock', 'is_base' => true])->id];
        $this->postJson("/figures/{$figure->id}/joints", ['partId' => $body, 'otherId' => $body])->assertUnprocessable()->assertJsonPath('errors.otherId.0', 'A part cannot be joined with itself.');
        $this->postJson("/figures/{$figure->id}/joints", ['partId' => $body, 'otherId' => $base, 'hides' => [$coat->id]])->assertCreated();
        $this->postJson("/figures/{$figure->id}/joints", ['partId' => $base, 'otherId' => $body])->assertUnprocessable()->assertJsonPath('errors.otherId.0', 'These two are joined already.');
        $plan = $this->judged($figure, []);
        self::assertSame("glue {$body} {$base}", $plan['steps'][count($plan['steps']) - 1]['id']);
        $layers = $coat->layers()->get()->map(static fn (LayerRecord $l): string => "layer {$l->key}")->all();
        // Against the stack: refused with the circle in words, and not kept.
        $this->postJson("/figures/{$figure->id}/own-rules", ['before' => $layers[1], 'after' => $layers[0], 'reason' => 'I like it so'])
            ->assertUnprocessable()->assertJsonPath('errors.before.0', fn (string $words): bool => str_contains($words, 'contradict each other') && str_contains($words, 'was not added'));
        self::assertSame(0, $figure->ownRules()->count());
        $id = $this->postJson("/figures/{$figure->id}/own-rules", ['before' => $layers[0], 'after' => $layers[1], 'weight' => 4, 'reason' => 'It dries slowly'])->assertCreated()->json('id');
        self::assertContains('own rule', array_column($this->judged($figure, [])['rules'], 'rule'));
        self::assertIsInt($id);
        $this->deleteJson("/figures/{$figure->id}/own-rules/{$id}")->assertOk();
    }

    /** Another mode of PHP stored a mask of 496 minutes: an upgrade puts open ones right and says so; what is done stays. */
    public function test_wrong_minutes_of_open_masks_are_corrected_and_told(): void
    {
        [$figure, $coat, $collar] = $this->built();
        $figure->boundaries()->create(['area_id' => min($coat->id, $collar->id), 'other_id' => max($coat->id, $collar->id), 'mm' => 80.0]);
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();
        $mask = $figure->runs()->firstOrFail()->steps()->where('kind', StepKind::Mask)->firstOrFail();
        $right = $mask->minutes;
        $mask->update(['minutes' => 496]);
        // A run of this version keeps its numbers, whatever its plan says by now.
        $this->correctMasks()->doesntExpectOutputToContain('Corrected')->assertOk();
        $figure->runs()->update(['needs_mask_check' => true]);
        $this->correctMasks()->expectsOutput('Corrected the minutes of 1 masking step.')->assertOk();
        self::assertSame([$right, "Estimate corrected: {$right} minutes. An earlier version said 496."], [$mask->refresh()->minutes, $mask->note]);
        $this->correctMasks()->doesntExpectOutputToContain('Corrected')->assertOk();
        $mask->update(['minutes' => 496, 'state' => RunStepState::Done, 'done_at' => now()]);
        $figure->runs()->update(['needs_mask_check' => true]);
        $this->correctMasks()->assertOk();
        self::assertSame(496, $mask->refresh()->minutes);
    }

    public function test_the_card_keeps_the_order_the_masks_and_the_cautions(): void
    {
        [$figure, $coat, $collar] = $this->built();
        $figure->boundaries()->create(['area_id' => $coat->id, 'other_id' => $collar->id, 'mm' => 80, 'is_curved' => false]);
        $this->get("/figures/{$figure->id}/card")->assertInertia(fn (AssertableInertia $page) => $page
            ->loadDeferredProps('default', fn (AssertableInertia $later) => $later
                ->count('work.steps', 5)
                ->where('work.steps.0', fn (mixed $step): bool => is_string($step) && str_contains($step, 'Prepare Body'))
                ->where('work.masks.0', fn (mixed $mask): bool => is_string($mask) && str_contains($mask, '80 mm'))
                ->where('work.cautions', fn (mixed $cautions): bool => str_contains((string) json_encode($cautions), 'safety data sheet'))));
        $this->painter->update(['length_unit' => 'in', 'volume_unit' => 'drops']);
        $pdf = $this->get("/figures/{$figure->id}/card.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent();
        $file = (string) tempnam(sys_get_temp_dir(), 'card');
        file_put_contents($file, (string) $pdf);
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($file).' -');
        unlink($file);
        // In the painter's own units: 80 mm of border are 3.15 in.
        self::assertMatchesRegularExpression('/\b3\.15\s+in\b/', $text);
        self::assertDoesNotMatchRegularExpression('/\d (mm|mL|cm²)/u', $text);
    }

    public function test_films_that_attack_each_other_stop_the_plan(): void
    {
        [$figure, $coat] = $this->built();
        $oil = $this->pot('Bitumen', '#2a1f14', PotKind::Oil);
        $layers = $this->getJson("/figures/{$figure->id}/areas/{$coat->id}/layers")->json();
        self::assertIsArray($layers);
        $this->putJson("/figures/{$figure->id}/areas/{$coat->id}/finish", ['layers' => [...$layers, $this->layer($oil, 'wash')], 'version' => 2])->assertOk();
        $plan = $this->judged($figure, []);
        self::assertFalse($plan['canBePainted']);
        self::assertTrue($plan['issues'][0]['stops']);
        self::assertStringContainsString('none on the shelf', (string) $plan['issues'][0]['remedy']);
        $this->pot('Flat Calm', '#ffffff', PotKind::Varnish);
        self::assertStringContainsString('Put a varnish', (string) $this->judged($figure, [])['issues'][0]['remedy']);
        // An area on no part is named.
        $coat->update(['part_id' => null]);
        $this->get("/figures/{$figure->id}/order")->assertInertia(fn (AssertableInertia $page) => $page->where(
            'problem',
            'The area "Cloak" is on no part: set its part in the brief.',
        )->where('planned', null));
    }

    public function test_one_area_has_many_borders_and_one_part_many_joints(): void
    {
        [$figure, $coat] = $this->built();
        $others = array_map(fn (string $name): int => $this->area($figure, $name)->id, ['Belt', 'Boots', 'Hood']);
        foreach ($others as $other) {
            $this->postJson("/figures/{$figure->id}/boundaries", ['areaId' => $coat->id, 'otherId' => $other, 'mm' => 10])->assertCreated();
            $part = $figure->parts()->create(['name' => "Part {$other}"]);
            $this->postJson("/figures/{$figure->id}/joints", ['partId' => $coat->part_id, 'otherId' => $part->id])->assertCreated();
        }
        self::assertSame([3, 3], [$figure->boundaries()->count(), $figure->joints()->count()]);
    }

    public function test_rules_in_a_circle_are_given_up_one_by_one(): void
    {
        [$figure, $coat, $collar] = $this->built();
        $base = $figure->parts()->create(['name' => 'Rock', 'is_base' => true]);
        $figure->joints()->create(['part_id' => $coat->part_id, 'other_id' => $base->id])->hiddenAreas()->sync([$coat->id]);
        $coat->update(['lies_on_id' => $collar->id]);
        $collar->update(['lies_on_id' => $coat->id]);
        $show = fn () => $this->get("/figures/{$figure->id}/order");
        $show()->assertInertia(fn (AssertableInertia $page) => $page->where('planned', null)->has('contradiction.links', 2)->where('contradiction.waysOut.0.what', 'lies on')->where('figure.stages.4.state', 'stopped'));
        $this->get("/figures/{$figure->id}/bench")->assertInertia(fn (AssertableInertia $page) => $page
            ->loadDeferredProps('default', fn (AssertableInertia $later) => $later->where('plan.hasNoOrder', true)->has('plan.hindrances', 1)));
        $give = fn (array $what) => $this->postJson("/figures/{$figure->id}/order/give-up", $what);
        $give(['what' => 'lies on', 'subject' => (string) $coat->id, 'other' => null])->assertOk();
        self::assertNull($coat->refresh()->lies_on_id);
        $show()->assertInertia(fn (AssertableInertia $page) => $page->where('contradiction', null)->where('figure.stages.4.state', 'as planned'));
        $give(['what' => 'hidden', 'subject' => (string) $coat->id, 'other' => null])->assertOk();
        self::assertSame(0, $figure->joints()->sole()->hiddenAreas()->count());
        $figure->ownRules()->create(['before' => 'layer a', 'after' => 'layer b', 'reason' => 'x']);
        $give(['what' => 'own rule', 'subject' => 'layer a', 'other' => 'layer b'])->assertOk();
        self::assertSame(0, $figure->ownRules()->count());
        $give(['what' => 'base apart', 'subject' => '', 'other' => null])->assertOk();
        self::assertContains('figure glued to its base first', $this->painter->refresh()->schools ?? []);
        $give(['what' => 'gravity', 'subject' => '', 'other' => null])->assertUnprocessable();
    }

    /** @return array{Figure, Area, Area} a figure of one part with a sprayed cloak and a sprayed collar */
    private function built(): array
    {
        $figure = $this->figure();
        $part = $figure->parts()->create(['name' => 'Body']);
        $coat = $this->area($figure);
        $collar = $this->area($figure, 'Collar');
        foreach ([$coat, $collar] as $area) {
            $area->update(['part_id' => $part->id]);
            $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [
                [...$this->layer($this->pot("Ground {$area->name}", '#777777', PotKind::Primer), 'spray can'), 'coats' => 1],
                [...$this->layer($this->pot("Coat {$area->name}", '#c98f1f'), 'airbrush'), 'coats' => 1],
            ], 'version' => 1])->assertOk();
        }

        return [$figure, $coat, $collar];
    }

    private function correctMasks(): PendingCommand
    {
        $command = $this->artisan('hyalin:correct-masks');
        assert($command instanceof PendingCommand);

        return $command;
    }

    /**
     * @param  list<string>  $ids
     * @return Judged
     */
    private function judged(Figure $figure, array $ids): array
    {
        /** @var Judged $judged */
        $judged = $this->postJson("/figures/{$figure->id}/order/judge", ['steps' => $ids ?: ['none']])->assertOk()->json();

        return $judged;
    }
}
