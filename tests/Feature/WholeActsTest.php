<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench\RunStep;
use App\Models\Brief\Area;
use App\Models\Brief\Boundary;
use App\Models\Brief\Figure;
use App\Models\Shelf\Paint;
use Hyalin\Plan\PrintProcess;
use Hyalin\Pot\PotKind;
use Inertia\Testing\AssertableInertia;

/**
 * One act over many areas, steps of one's own, parts and areas as they are entered.
 */
final class WholeActsTest extends TestCase
{
    public function test_one_act_over_many_areas_is_undone_in_one_press(): void
    {
        [$figure, $areas] = $this->three();
        $varnish = $this->pot('Flat Calm', '#ffffff', PotKind::Varnish);
        $layer = ['technique' => 'varnish', 'thinner' => 0, 'coats' => 1, 'mix' => [['paintId' => $varnish->id, 'drops' => 1]]];
        // All but one.
        $kept = $this->postJson("/figures/{$figure->id}/acts", ['areaIds' => [$areas[0]->id, $areas[1]->id], 'isOnTop' => true, 'layer' => $layer])->assertOk()->json('kept');
        self::assertIsInt($kept);
        self::assertSame([2, 1, 0], $this->counts($areas));
        self::assertSame('varnish', $areas[0]->layers()->reorder('position', 'desc')->firstOrFail()->technique->value);
        $this->postJson("/figures/{$figure->id}/versions/{$kept}/restore")->assertOk();
        self::assertSame([1, 0, 0], $this->counts($areas));
        // Beneath what is there.
        $primer = $this->pot('Primer Black', '#1a1a1a', PotKind::Primer);
        $this->postJson("/figures/{$figure->id}/acts", ['areaIds' => array_map(static fn (Area $a): int => $a->id, $areas), 'isOnTop' => false, 'layer' => [...$layer, 'technique' => 'spray can', 'mix' => [['paintId' => $primer->id, 'drops' => 1]]]])->assertOk();
        self::assertSame([2, 1, 1], $this->counts($areas));
        self::assertSame('spray can', $areas[0]->layers()->firstOrFail()->technique->value);
        // One that is not on this figure: nothing is changed.
        $this->postJson("/figures/{$figure->id}/acts", ['areaIds' => [$areas[0]->id, $this->area($this->figure())->id], 'isOnTop' => true, 'layer' => $layer])->assertUnprocessable();
        self::assertSame([2, 1, 1], $this->counts($areas));
    }

    public function test_a_finish_is_copied_from_another_area_or_figure_with_layers_of_its_own(): void
    {
        [$figure, $areas] = $this->three();
        $this->postJson("/figures/{$figure->id}/copies", ['fromAreaId' => $areas[0]->id, 'areaIds' => [$areas[1]->id, $areas[2]->id]])->assertOk();
        self::assertSame([1, 1, 1], $this->counts($areas));
        self::assertCount(3, array_unique(array_map(static fn (Area $a): string => $a->layers()->sole()->key, $areas)));
        $other = $this->area($this->figure());
        $this->postJson("/figures/{$other->figure_id}/copies", ['fromAreaId' => $areas[0]->id, 'areaIds' => [$other->id]])->assertOk();
        self::assertSame(1, $other->layers()->count());
        $empty = $this->area($figure, 'Spear');
        $this->postJson("/figures/{$figure->id}/copies", ['fromAreaId' => $empty->id, 'areaIds' => [$areas[0]->id]])->assertUnprocessable()->assertJsonPath('message', 'Spear has no layer to copy.');
    }

    public function test_the_same_mix_in_several_areas_is_one_cup(): void
    {
        [$figure, $areas] = $this->three();
        $this->postJson("/figures/{$figure->id}/copies", ['fromAreaId' => $areas[0]->id, 'areaIds' => [$areas[1]->id, $areas[2]->id]])->assertOk();
        foreach ($areas as $area) {
            $area->update(['square_cm' => 20]);
        }
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();
        $run = $figure->runs()->sole();
        $first = $run->steps()->where('technique', 'base coat')->firstOrFail();
        $at = 'run.steps.'.($first->position - 1).'.need';
        // By hand: 20 cm2 x 40 um x 2 coats / 0.8 = 0.2 mL an area; three, and the drop that stays on the palette once, are 13 drops.
        $this->get("/runs/{$run->id}")->assertInertia(fn (AssertableInertia $page) => $page->where("{$at}.cup.0.drops", 5)->where("{$at}.next", 2)->where("{$at}.together.0.drops", 13));
        self::assertStringContainsString('Reed Green,0.650,', (string) $this->get("/figures/{$figure->id}/quantities.csv")->assertOk()->getContent());
        $this->patchJson("/runs/{$run->id}/steps/{$first->id}", ['version' => 1, 'state' => 'done'])->assertOk();
        $at = "run.steps.{$first->position}.need";
        $this->get("/runs/{$run->id}")->assertInertia(fn (AssertableInertia $page) => $page->where("{$at}.next", 0)->where("{$at}.mixedFor", $first->area_name));

        // The cup leaves the pot with the first of its steps, once, in whatever order they are finished, taken back or counted.
        $pot = Paint::query()->where('name', 'Reed Green')->sole();
        $taken = static fn (): float => $pot->refresh()->used_ml + $pot->pot()->sizeMl() * (100 - $pot->level_percent) / 100;
        self::assertEqualsWithDelta(13 * 0.05, $taken(), 1e-9);
        [$second, $third] = [...$run->steps()->where('technique', 'base coat')->where('id', '!=', $first->id)->orderBy('position')->get(), null, null];
        $answer = function (?RunStep $step, array $change) use ($run, $taken): float {
            self::assertNotNull($step);
            $this->patchJson("/runs/{$run->id}/steps/{$step->id}", ['version' => $step->refresh()->version, ...$change])->assertOk();

            return $taken();
        };
        self::assertEqualsWithDelta(13 * 0.05, $answer($second, ['state' => 'done']), 1e-9);
        self::assertEqualsWithDelta(13 * 0.05, $answer($first, ['state' => 'open']), 1e-9);
        self::assertEqualsWithDelta(11 * 0.05, $answer($second, ['usedDrops' => 11]), 1e-9);
        self::assertEqualsWithDelta(11 * 0.05, $answer($first, ['state' => 'done']), 1e-9);
        self::assertEqualsWithDelta(11 * 0.05, $answer($third, ['state' => 'skipped', 'skipReason' => 'hidden']), 1e-9);
        self::assertEqualsWithDelta(9 * 0.05, $answer($second, ['usedDrops' => null]), 1e-9, 'of the two that are left');
        self::assertEqualsWithDelta(0.0, $answer($first, ['state' => 'open']) - $answer($second, ['state' => 'open']) - 9 * 0.05, 1e-9);
    }

    public function test_adopting_a_proposal_over_a_finish_of_ones_own_keeps_it(): void
    {
        [$figure, $areas] = $this->three();
        $saved = $this->putJson("/figures/{$figure->id}/areas/{$areas[0]->id}/finish", ['layers' => [$this->layer($this->pot('Peat', '#33251b'))], 'version' => 2, 'keepAs' => 'before a proposal'])->assertOk()->json('kept');
        self::assertIsInt($saved);
        $this->postJson("/figures/{$figure->id}/versions/{$saved}/restore")->assertOk();
        self::assertSame('Reed Green', $areas[0]->layers()->with('paints.paint')->sole()->paints[0]?->paint->name);
    }

    public function test_a_step_of_ones_own_stands_where_it_was_said_and_goes_to_the_bench(): void
    {
        [$figure, $areas] = $this->three();
        $key = $areas[0]->layers()->sole()->key;
        $step = ['words' => 'Grout the base', 'minutes' => 25, 'dryMinutes' => 720, 'tool' => 'spatula', 'caution' => 'Gloves: it burns', 'partId' => $figure->parts()->firstOrFail()->id, 'after' => null, 'before' => "layer {$key}"];
        $id = $this->postJson("/figures/{$figure->id}/own-steps", $step)->assertCreated()->json('id');
        self::assertIsInt($id);
        $own = $figure->ownSteps()->sole();
        $ids = array_column((array) $this->postJson("/figures/{$figure->id}/order/judge", ['steps' => ['none']])->json('steps'), 'id');
        self::assertLessThan(array_search("layer {$key}", $ids, true), array_search("own {$own->key}", $ids, true));
        // What must come before and after itself is refused, and the step stays as it was.
        $seen = $figure->ownSteps()->sole()->seen();
        $this->putJson("/figures/{$figure->id}/own-steps/{$id}", [...$step, 'seen' => 'otherwise', 'words' => 'mine'])->assertConflict();
        self::assertSame($seen, $figure->ownSteps()->sole()->seen());
        $this->putJson("/figures/{$figure->id}/own-steps/{$id}", [...$step, 'after' => "layer {$key}", 'seen' => $seen])->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/own-rules", ['before' => "layer {$key}", 'after' => "own {$own->key}", 'reason' => 'x'])->assertUnprocessable();
        self::assertNull($own->refresh()->after);
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();
        $done = $figure->runs()->firstOrFail()->steps()->where('kind', 'own step')->sole();
        self::assertSame(['Grout the base', 'spatula', 25, 720, ['Gloves: it burns']], [$done->words, $done->tool, $done->minutes, $done->drying_minutes, $done->cautions]);
        $this->deleteJson("/figures/{$figure->id}/own-steps/{$id}")->assertOk();
        self::assertSame(0, $figure->ownSteps()->count());
    }

    public function test_parts_are_renamed_merged_and_sanded_as_said(): void
    {
        [$figure, $areas] = $this->three();
        $body = $figure->parts()->firstOrFail();
        $arm = $figure->parts()->create(['name' => 'Arm']);
        $head = $figure->parts()->create(['name' => 'Head']);
        $figure->joints()->create(['part_id' => $body->id, 'other_id' => $arm->id]);
        $figure->joints()->create(['part_id' => $arm->id, 'other_id' => $head->id]);
        $areas[1]->update(['part_id' => $arm->id]);
        $this->patchJson("/figures/{$figure->id}/build/parts/{$body->id}", ['name' => 'Torso', 'gritFrom' => 220, 'gritTo' => 400, 'sandingRounds' => 3])->assertOk();
        $this->patchJson("/figures/{$figure->id}/build/parts/{$body->id}", ['gritFrom' => 400, 'gritTo' => 220])->assertUnprocessable();
        $steps = (string) json_encode($this->postJson("/figures/{$figure->id}/order/judge", ['steps' => ['none']])->json('steps'));
        foreach (['Prepare Torso', 'P220, P320, P400', 'up to 3 times'] as $words) {
            self::assertStringContainsString($words, $steps);
        }
        $this->postJson("/figures/{$figure->id}/build/parts/{$arm->id}/merge", ['intoId' => $arm->id])->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/build/parts/{$arm->id}/merge", ['intoId' => $body->id])->assertOk();
        self::assertSame($body->id, $areas[1]->refresh()->part_id);
        self::assertSame([[$body->id, $head->id]], $figure->joints()->get()->map(static fn ($j): array => [$j->part_id, $j->other_id])->all());
        self::assertSame(2, $figure->parts()->count());
    }

    public function test_many_areas_are_entered_a_line_each_wholly_or_not_at_all(): void
    {
        $figure = $this->figure();
        $this->post("/figures/{$figure->id}/areas/many", ['lines' => "Face, Head, 2\nHair, head, 3, 1\n\nCloak"])->assertSessionHasNoErrors();
        self::assertSame([['Face', 2.0, 0], ['Hair', 3.0, 1], ['Cloak', null, 0]], $figure->areas()->get()->map(static fn (Area $a): array => [$a->name, $a->square_cm, $a->depth])->all());
        self::assertSame(['Head'], $figure->parts()->pluck('name')->all());
        // Where they meet is said from either side, and from both once.
        $this->post("/figures/{$figure->id}/areas/many", ['lines' => "Belt, Body, 1.5, 2, Cloak 40, Buckle 6 mm\nBuckle, Body, , , belt 6"])->assertSessionHasNoErrors();
        self::assertSame([['Cloak', 'Belt', 40.0], ['Belt', 'Buckle', 6.0]], $figure->boundaries()->get()->map(static fn (Boundary $b): array => [Area::query()->findOrFail($b->area_id)->name, Area::query()->findOrFail($b->other_id)->name, $b->mm])->all());
        foreach (['Boots, Body, 3, 1, Sock 4' => 'Boots is to meet Sock: there is no such other area.', 'Boots, Body, 3, 1, Belt' => 'Line 1: "Belt" is no border: write the other area and its mm, as in Face 25.', "Boots\nFace, Head" => 'Line 2: Face is there already.', 'Boots, Body, wide' => 'Line 1: "wide" is no size in cm2.', 'Boots, Body, 3, 12' => 'Line 1: the depth is a number from 0 to 9.', ' ' => 'The lines field is required.'] as $lines => $words) {
            $this->post("/figures/{$figure->id}/areas/many", ['lines' => $lines])->assertSessionHasErrors(['lines' => $words]);
        }
        self::assertSame(5, $figure->areas()->count());
        // The print is asked for where parts are named, and the size where areas are; what says nothing of them leaves them.
        $body = $figure->parts()->where('name', 'Body')->sole();
        $this->patch("/figures/{$figure->id}/parts/{$body->id}", ['bareHex' => null, 'translucency' => 0, 'process' => 'melted plastic'])->assertSessionHasNoErrors();
        $this->patch("/figures/{$figure->id}/parts/{$body->id}", ['bareHex' => '#aabbcc'])->assertSessionHasNoErrors();
        self::assertSame([PrintProcess::MeltedPlastic, '#aabbcc'], [$body->refresh()->process, $body->bare_hex]);
        $belt = $figure->areas()->where('name', 'Belt')->sole();
        $this->patch("/figures/{$figure->id}/areas/{$belt->id}", ['name' => 'Belt', 'form' => 'gradient'])->assertSessionHasNoErrors();
        self::assertSame(1.5, $belt->refresh()->square_cm);
        $this->patch("/figures/{$figure->id}/areas/{$belt->id}", ['name' => 'Belt', 'squareCm' => null])->assertSessionHasNoErrors();
        self::assertNull($belt->refresh()->square_cm);
    }

    public function test_what_the_piece_has_to_stand_is_said_with_the_order(): void
    {
        [$figure] = $this->three();
        $this->patchJson("/figures/{$figure->id}", ['name' => $figure->name, 'uses' => ['worn', 'stands in the sun'], 'version' => 1])->assertOk();
        $this->patchJson("/figures/{$figure->id}", ['name' => $figure->name, 'uses' => ['eaten'], 'version' => 2])->assertUnprocessable();
        self::assertSame(['worn', 'stands in the sun'], $figure->refresh()->uses);
        $said = array_column((array) $this->postJson("/figures/{$figure->id}/order/judge", ['steps' => ['none']])->json('issues'), 'what');
        self::assertContains('It will be worn: it is bent, rubbed and sweated on.', $said);
        $this->get("/figures/{$figure->id}/brief")->assertInertia(fn (AssertableInertia $page) => $page->where('figure.uses', ['worn', 'stands in the sun']));
    }

    /**
     * @param  list<Area>  $areas
     * @return list<int>
     */
    private function counts(array $areas): array
    {
        return array_map(static fn (Area $a): int => $a->layers()->count(), $areas);
    }

    /** @return array{Figure, list<Area>} the first of three areas has a layer */
    private function three(): array
    {
        $figure = $this->figure();
        $part = $figure->parts()->create(['name' => 'Body']);
        $areas = array_map(fn (string $name): Area => $this->area($figure, $name), ['Cloak', 'Boots', 'Belt']);
        foreach ($areas as $area) {
            $area->update(['part_id' => $part->id]);
        }
        $this->putJson("/figures/{$figure->id}/areas/{$areas[0]->id}/finish", ['layers' => [$this->layer($this->pot('Reed Green', '#5c7434'))], 'version' => 1])->assertOk();

        return [$figure, $areas];
    }
}
