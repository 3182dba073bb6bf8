<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\SetAsideEdit;
use App\Models\Shelf\Paint;
use App\Models\Task;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\Sheen;
use Hyalin\Pot\PotKind;

final class FinishTest extends TestCase
{
    private Figure $figure;

    private Area $area;

    private string $url;

    protected function setUp(): void
    {
        parent::setUp();
        $this->figure = $this->figure();
        $this->area = $this->area($this->figure);
        $this->url = "/figures/{$this->figure->id}/areas/{$this->area->id}";
    }

    public function test_an_area_left_bare_is_seen_as_its_colour_was_typed(): void
    {
        $this->figure->update(['bare_hex' => '#202020', 'sheen' => Sheen::Matt]);
        $hex = fn (): mixed => $this->postJson("{$this->url}/section", ['layers' => []])->assertOk()->json('rows.0.cells.2.colour.hex');
        // Beneath a matt finish the same print is veiled by its surface.
        self::assertNotSame('#202020', $hex());
        $this->area->update(['is_left_bare' => true]);
        self::assertSame('#202020', $hex());
    }

    public function test_the_section_of_unsaved_layers_is_predicted_without_saving_them(): void
    {
        $black = $this->pot('Primer Black', '#1a1a1a', PotKind::Primer);
        $ochre = $this->pot('Lamp Ochre', '#d79a1e');
        $section = $this->postJson("{$this->url}/section", ['layers' => [$this->layer($black, 'spray can'), $this->layer($ochre)]])
            ->assertOk()
            ->assertJsonCount(3, 'rows')
            ->assertJsonCount(5, 'rows.0.cells')
            ->assertJsonPath('rows.2.shows', true)
            ->assertJsonPath('rows.2.quality', 'estimated');
        self::assertSame('mid', $section->json('rows.2.cells.2.zone'));
        self::assertSame(0, $this->area->layers()->count());
        // An area without layers is the bare print, not an error.
        $this->postJson("{$this->url}/section", ['layers' => []])->assertOk()->assertJsonCount(1, 'rows');
        $this->get("/figures/{$this->figure->id}/finishes")->assertOk();
    }

    public function test_layers_are_saved_with_their_keys_and_the_second_tab_is_told(): void
    {
        $ochre = $this->pot('Lamp Ochre', '#d79a1e');
        $first = [$this->layer($ochre), $this->layer($ochre, 'wash')];
        $this->putJson("{$this->url}/finish", ['layers' => $first, 'version' => 1])->assertOk()->assertJson(['version' => 2]);
        self::assertSame([$first[0]['key'], $first[1]['key']], $this->area->layers()->pluck('key')->all());
        $this->putJson("{$this->url}/finish", ['layers' => [$this->layer($ochre, 'glaze', 7)], 'version' => 1])
            ->assertConflict()
            ->assertJsonPath('theirs.layers.1.technique', 'wash')
            ->assertJsonPath('version', 2);
        self::assertSame(2, $this->area->layers()->count());
        self::assertSame('Area', SetAsideEdit::query()->sole()->subject);
    }

    public function test_drops_that_are_not_whole_and_other_nonsense_are_refused_and_nothing_is_saved(): void
    {
        $ochre = $this->pot('Lamp Ochre', '#d79a1e');
        $good = $this->layer($ochre);
        $foreign = $this->pot('Peat', '#33251b', owner: \App\Models\Painter::factory()->create());
        foreach ([
            [$this->layer($ochre, drops: 2.5), 'layers.1.mix.0.drops'],
            [$this->layer($ochre, drops: 0), 'layers.1.mix.0.drops'],
            [[...$good, 'mix' => []], 'layers.1.mix'],
            [[...$good, 'zones' => []], 'layers.1.zones'],
            [[...$good, 'technique' => 'levitation'], 'layers.1.technique'],
            [[...$good, 'coats' => 99], 'layers.1.coats'],
            [[...$good, 'mix' => [['paintId' => $ochre->id, 'drops' => 1], ['paintId' => $ochre->id, 'drops' => 2]]], 'layers.1.mix'],
            [$this->layer($foreign), 'layers.1.mix'],
        ] as [$bad, $field]) {
            $this->putJson("{$this->url}/finish", ['layers' => [$good, $bad], 'version' => 1])
                ->assertUnprocessable()
                ->assertJsonValidationErrors([$field]);
        }
        self::assertSame([0, 1], [$this->area->layers()->count(), $this->area->refresh()->version]);
    }

    public function test_the_finder_mixes_over_what_lies_beneath_and_says_how_sure_it_is(): void
    {
        $white = $this->pot('Chalk White', '#f4f3ee');
        $blue = $this->pot('Night Watch', '#1d2b4a');
        $this->pot('Ink Cyan', '#0a6f9a', PotKind::Ink);
        $this->want('mid', '#6388bb');
        $ask = ['layers' => [$this->layer($white)], 'index' => 0, 'zone' => 'mid'];
        $answer = $this->postJson("{$this->url}/mixes", $ask)->assertOk()
            ->assertJsonPath('ending', 'proven')
            ->assertJsonPath('quality', 'estimated')
            ->assertJsonPath('potCount', 2)
            ->assertJsonPath('missing', null);
        self::assertEqualsCanonicalizing([$white->id, $blue->id], array_column((array) $answer->json('mixes.0.drops'), 'paintId'));
        // The mix, put into the layer, gives the colour that the finder promised.
        $mix = array_map(static fn (mixed $d): array => ['paintId' => ((array) $d)['paintId'], 'drops' => ((array) $d)['drops']], (array) $answer->json('mixes.0.drops'));
        $section = $this->postJson("{$this->url}/section", ['layers' => [[...$ask['layers'][0], 'mix' => $mix]]]);
        self::assertEqualsWithDelta($answer->json('mixes.0.colour.lab'), $section->json('rows.1.cells.2.colour.lab'), 0.01);
        self::assertEqualsWithDelta($answer->json('mixes.0.difference'), $section->json('matches.0.difference'), 0.01);
        // A glaze may be mixed from inks as well.
        $this->postJson("{$this->url}/mixes", [...$ask, 'layers' => [$this->layer($white, 'glaze')]])->assertOk()->assertJsonPath('potCount', 3);
        $this->postJson("{$this->url}/mixes", [...$ask, 'allKinds' => true])->assertOk()->assertJsonPath('potCount', 3);
    }

    public function test_the_finder_says_what_stands_in_its_way(): void
    {
        $ask = fn (array $with = []): \Illuminate\Testing\TestResponse => $this->postJson("{$this->url}/mixes", $with);
        $primer = $this->pot('Primer White', '#f2f2f0', PotKind::Primer);
        $layers = [$this->layer($primer)];
        $ask(['layers' => $layers, 'index' => 0, 'zone' => 'mid', 'targetHex' => '#808080'])
            ->assertUnprocessable()
            ->assertJsonPath('errors.shelf.0', 'No pot on the shelf suits the technique base coat. Add one, or allow all kinds.');
        $this->pot('Keel Black', '#1b1b1d');
        $ask(['layers' => $layers, 'index' => 0, 'zone' => 'mid'])->assertUnprocessable()->assertJsonValidationErrors('zone');
        $ask(['layers' => [[...$layers[0], 'zones' => ['edge']]], 'index' => 0, 'zone' => 'mid', 'targetHex' => '#808080'])
            ->assertUnprocessable()
            ->assertJsonPath('errors.zone.0', 'This layer does not touch the mid: choose a zone it paints.');
        $ask(['layers' => $layers, 'index' => 3, 'zone' => 'mid', 'targetHex' => '#808080'])->assertUnprocessable();
        $ask(['layers' => $layers, 'index' => 0, 'zone' => 'mid', 'targetHex' => '#f2c117'])->assertOk()
            ->assertJsonPath('missing', fn (?string $words): bool => str_contains((string) $words, 'lighter, more saturated, towards yellow'));
    }

    public function test_a_search_to_the_end_runs_in_the_queue_and_proves_the_mix(): void
    {
        foreach (['#f4f3ee', '#1d2b4a', '#d79a1e', '#a91f22', '#5c7434', '#33251b', '#5f7f97', '#8a6d9c'] as $i => $hex) {
            $this->pot("Pot {$i}", $hex);
        }
        config(['hyalin.prove_at_once' => 0]);
        $ask = ['layers' => [$this->layer($this->painter->paints()->firstOrFail())], 'index' => 0, 'zone' => 'mid', 'targetHex' => '#9a8a60'];
        $quick = $this->postJson("{$this->url}/mixes", $ask)->assertOk()->assertJsonPath('ending', 'settled');
        $this->postJson("{$this->url}/mixes/proof", $ask)->assertAccepted();
        $id = Task::query()->sole()->id;
        $proof = $this->getJson("/tasks/{$id}")->assertOk()
            ->assertJsonPath('state', 'done')
            ->assertJsonPath('progress', 1)
            ->assertJsonPath('result.ending', 'proven');
        self::assertGreaterThanOrEqual($proof->json('result.mixes.0.score'), $quick->json('mixes.0.score'));
        $this->deleteJson("/tasks/{$id}")->assertOk();
        self::assertTrue(Task::query()->sole()->stop_asked);
    }

    public function test_the_card_is_a_pdf_with_embedded_type_and_every_mix(): void
    {
        $ochre = $this->pot('Lamp Ochre', '#d79a1e');
        $this->putJson("{$this->url}/finish", ['layers' => [$this->layer($ochre, drops: 3)], 'version' => 1])->assertOk();
        $this->get("/figures/{$this->figure->id}/card")->assertOk();
        $pdf = (string) $this->get("/figures/{$this->figure->id}/card.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent();
        $file = tempnam(sys_get_temp_dir(), 'card');
        self::assertIsString($file);
        file_put_contents($file, $pdf);
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($file).' -');
        $fonts = (string) shell_exec('pdffonts '.escapeshellarg($file));
        unlink($file);
        self::assertStringContainsString('Reed sentry', $text);
        self::assertMatchesRegularExpression('/3\s+Lamp Ochre/', $text);
        self::assertStringContainsString('base coat', $text);
        self::assertMatchesRegularExpression('/AtkinsonHyperlegible\S*\s+CID TrueType\s+\S+\s+yes/', $fonts);
        self::assertStringNotContainsString('Times', $fonts);
        // A figure without a finish has an empty card, not an error.
        $this->get("/figures/{$this->figure()->id}/card.pdf")->assertOk();
    }

    private function want(string $zone, string $hex): void
    {
        $picture = $this->figure->pictures()->create(['title' => 'x', 'path' => 'x.png', 'width' => 1, 'height' => 1]);
        $lab = Srgb::hex($hex)->toXyz()->toLab();
        $this->area->samples()->create([
            'picture_id' => $picture->id, 'zone' => $zone, 'method' => 'spot', 'outline' => [[0.5, 0.5], [0.1, 0.0]],
            'lightness' => $lab->lightness, 'a' => $lab->a, 'b' => $lab->b, 'spread' => 1.0, 'pixels' => 50, 'clipped' => 0.0,
        ]);
    }

    public function test_advice_sets_coats_compares_primers_and_grows_a_ramp_from_the_same_cup(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        foreach (['Primer Black' => '#1c1c1c', 'Primer White' => '#f1f1ee'] as $name => $hex) {
            $this->pot($name, $hex)->update(['kind' => PotKind::Primer]);
        }
        $mid = $this->pot('Reed', '#5f7f57');
        $this->pot('Chalk White', '#f4f3ee');
        $this->pot('Soot', '#1b1b1d');
        $ask = ['layers' => [$this->layer($mid, drops: 6)], 'index' => 0, 'zone' => 'mid', 'targetHex' => '#7a9a70', 'contrast' => 9];
        $advice = $this->postJson("/figures/{$figure->id}/areas/{$area->id}/advice", $ask)
            ->assertOk()
            // A primer that would take the finished zone farther from the colour is no advice.
            ->assertJsonCount(1, 'undercoats')
            ->assertJsonPath('undercoats.0.name', 'Primer White')
            ->assertJsonCount(4, 'ramp');
        foreach ([-2, -1, 1, 2] as $place => $step) {
            // Every step keeps the six drops of the base and adds to them.
            $advice->assertJsonPath("ramp.{$place}.step", $step)->assertJsonPath("ramp.{$place}.mix.0.name", 'Reed');
            self::assertGreaterThanOrEqual(6, $advice->json("ramp.{$place}.mix.0.drops"));
        }
        // What is advised is what the section then predicts.
        $set = [...$this->layer($mid, drops: 6), 'coats' => $advice->json('setting.coats'), 'thinner' => $advice->json('setting.thinner')];
        $this->postJson("/figures/{$figure->id}/areas/{$area->id}/section", ['layers' => [$set]])
            ->assertOk()
            ->assertJsonPath('rows.1.cells.2.colour.hex', $advice->json('setting.colour.hex'));
        // Without a colour to match there is still a ramp.
        unset($ask['targetHex']);
        $this->postJson("/figures/{$figure->id}/areas/{$area->id}/advice", $ask)->assertOk()->assertJsonPath('setting', null)->assertJsonCount(4, 'ramp');
        $this->postJson("/figures/{$figure->id}/areas/{$area->id}/advice", [...$ask, 'index' => 3])->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/areas/{$area->id}/advice", [...$ask, 'drift' => 'sideways'])->assertUnprocessable();
    }

    public function test_a_step_that_will_not_read_brings_changes_to_choose_from(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $base = $this->pot('Reed', '#5f7f57');
        $near = $this->pot('Dark Reed', '#51704a');
        $layers = [$this->layer($base), [...$this->layer($near), 'technique' => 'glaze', 'thinner' => 6]];
        $section = $this->postJson("/figures/{$figure->id}/areas/{$area->id}/section", ['layers' => $layers])->assertOk()->assertJsonPath('rows.2.shows', false);
        $remedies = $section->json('rows.2.remedies');
        self::assertIsArray($remedies);
        self::assertNotSame([], $remedies);
        foreach (array_keys($remedies) as $n) {
            $change = [];
            foreach (['coats', 'thinner', 'zones'] as $what) {
                $change[$what] = $section->json("rows.2.remedies.{$n}.{$what}");
            }
            $this->postJson("/figures/{$figure->id}/areas/{$area->id}/section", ['layers' => [$layers[0], [...$layers[1], ...$change]]])->assertJsonPath('rows.2.shows', true);
        }
    }

    public function test_one_mix_is_found_for_all_sampled_zones(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $ochre = $this->pot('Lamp Ochre', '#d79a1e');
        $white = $this->pot('Chalk White', '#f4f3ee');
        $this->pot('Peat', '#33251b');
        $this->sample($area, 'mid', '#dfb25a');
        $this->sample($area, 'light', '#e6c684');
        $prime = [...$this->layer($white, 'spray can'), 'coats' => 1];
        $ask = ['layers' => [$prime, $this->layer($ochre)], 'index' => 1, 'zone' => 'mid'];
        $mid = $this->postJson("/figures/{$figure->id}/areas/{$area->id}/mixes", $ask)->assertOk()->json('mixes.0.difference');
        $light = $this->postJson("/figures/{$figure->id}/areas/{$area->id}/mixes", [...$ask, 'zone' => 'light'])->assertOk()->json('mixes.0.difference');
        $both = $this->postJson("/figures/{$figure->id}/areas/{$area->id}/mixes", [...$ask, 'allZones' => true])->assertOk()->assertJsonPath('ending', 'settled')->json('mixes.0.difference');
        self::assertIsNumeric($mid);
        self::assertIsNumeric($light);
        self::assertIsNumeric($both);
        // One mix cannot be better for both than the best for each.
        self::assertGreaterThanOrEqual((2 * (float) $mid + (float) $light) / 3 - 0.35, (float) $both);
        self::assertLessThan(12.0, (float) $both);
    }

    public function test_a_decal_is_an_area_of_its_own_that_starts_from_what_it_lies_on(): void
    {
        $figure = $this->figure();
        $bell = $this->area($figure, 'Enamel');
        $mark = $this->area($figure, 'Number');
        $red = $this->pot('Rust', '#7d2a20');
        $white = $this->pot('Chalk White', '#f4f3ee');
        $this->putJson("/figures/{$figure->id}/areas/{$bell->id}/finish", ['layers' => [$this->layer($red)], 'version' => 1])->assertOk();
        $finished = $this->postJson("/figures/{$figure->id}/areas/{$bell->id}/section", ['layers' => [$this->layer($red)]])->json('rows.1.cells.2.colour.hex');
        $area = ['name' => 'Number', 'liesOnId' => $bell->id];
        $this->patch("/figures/{$figure->id}/areas/{$mark->id}", $area)->assertRedirect();
        $section = $this->postJson("/figures/{$figure->id}/areas/{$mark->id}/section", ['layers' => [$this->layer($white, 'decal')]])->assertOk();
        self::assertSame($finished, $section->json('rows.0.cells.2.colour.hex'));
        // An area cannot lie on what lies on it, nor on one of another figure.
        $this->patchJson(
            "/figures/{$figure->id}/areas/{$bell->id}",
            ['name' => 'Enamel', 'liesOnId' => $mark->id],
        )->assertUnprocessable()->assertJsonPath('errors.liesOnId.0', 'Enamel cannot lie on an area that lies on it.');
        $this->patchJson("/figures/{$figure->id}/areas/{$bell->id}", ['name' => 'Enamel', 'liesOnId' => $this->area($this->figure())->id])->assertUnprocessable();
    }

    public function test_flakes_show_their_other_face_from_the_side(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $metal = $this->pot('Anchor', '#b9bcbf', PotKind::Metal);
        $plain = $this->pot('Rust', '#7d2a20');
        $ask = fn (Paint $pot) => $this->postJson("/figures/{$figure->id}/areas/{$area->id}/section", ['layers' => [$this->layer($pot)]])->assertOk();
        self::assertNull($ask($plain)->json('rows.1.cells.2.side'));
        $face = $ask($metal)->json('rows.1.cells.2.colour.lab.0');
        $side = $ask($metal)->json('rows.1.cells.2.side.lab.0');
        self::assertIsFloat($face);
        self::assertIsFloat($side);
        self::assertLessThan($face - 15, $side);
    }
}
