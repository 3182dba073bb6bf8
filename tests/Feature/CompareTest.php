<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Props\Shelf\PaintProps;
use App\Models\Compare\Correction;
use App\Models\Painter;
use App\Models\Shelf\TechniqueHand;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Formats\Csv;
use Illuminate\Testing\Fluent\AssertableJson;
use Inertia\Testing\AssertableInertia;

final class CompareTest extends TestCase
{
    /** A photo of two flat fields with a strip of grey, all under a lamp that is redder than it should be. */
    public function test_a_photo_is_neutralised_compared_and_answered_with_the_smallest_remedy(): void
    {
        [$figure, $photo] = $this->photographed();
        $area = $figure->areas()->firstOrFail();
        $ochre = $this->pot('Lamp Ochre', '#c98f1f');
        $this->pot('Rust', '#7d3a20');
        $this->pot('Chalk White', '#f4f3ee');
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [$this->layer($ochre)], 'version' => 1])->assertOk();
        foreach (['shade', 'mid', 'light'] as $zone) {
            $this->sample($area, $zone, '#c98f1f');
        }
        $url = "/figures/{$figure->id}/pictures/{$photo->id}";
        $find = fn (string $zone) => $this->postJson("{$url}/findings", ['areaId' => $area->id, 'zone' => $zone, 'method' => 'spot', 'points' => [[0.25, 0.3], [0.05, 0]]]);
        $find('mid')->assertCreated();
        $cast = $photo->findings()->sole()->lab();
        // Neutralised, what was found is found again where it was, without the cast.
        $this->putJson("{$url}/neutral", ['method' => 'grey', 'points' => [[0.1, 0.8], [0.9, 0.8], [0.9, 0.95], [0.1, 0.95]], 'reflectance' => 0.18])
            ->assertOk()->assertJsonPath('taken', 1);
        $true = $photo->findings()->sole()->lab();
        self::assertGreaterThan($true->b + 1, $cast->b);
        $find('shade')->assertCreated();
        $find('light')->assertCreated();
        $this->get("/figures/{$figure->id}/compare/{$photo->id}")->assertInertia(fn (AssertableInertia $page) => $page
            ->component('compare/index')
            ->where('photoId', $photo->id)
            ->where('areas.0.name', 'Cloak')
            ->where('areas.0.tolerance', 3)
            ->count('areas.0.zones', 3)
            ->where('areas.0.zones.0.words.0', fn (mixed $word): bool => is_string($word))
            ->where('areas.0.isWithin', false));
        $this->getJson("/figures/{$figure->id}/areas/{$area->id}/touch-up?photo={$photo->id}")->assertOk()
            ->assertJsonPath('layer.technique', fn (?string $technique): bool => $technique !== null)
            ->assertJson(fn (AssertableJson $json) => $json->where('after', fn (float $after): bool => $after < 4.0)->where('before', fn (float $before): bool => $before > 5.0)->etc());
        // The same as a table.
        $csv = Csv::read((string) $this->get("/figures/{$figure->id}/compare/{$photo->id}/table.csv")->assertOk()->getContent());
        self::assertSame(['area', 'zone', 'wanted_l', 'wanted_a', 'wanted_b', 'painted_l', 'painted_a', 'painted_b', 'predicted_l', 'predicted_a', 'predicted_b', 'ciede2000', 'words'], $csv->header);
        self::assertCount(3, $csv->records);
        // A wider tolerance: nothing to do.
        $this->patch("/figures/{$figure->id}/areas/{$area->id}", ['name' => 'Cloak', 'tolerance' => 20])->assertRedirect();
        $this->getJson("/figures/{$figure->id}/areas/{$area->id}/touch-up?photo={$photo->id}")->assertOk()->assertJson(['layer' => null, 'isWithin' => true]);
    }

    public function test_a_photo_moves_all_pots_and_hands_together_and_is_undone_in_one_press(): void
    {
        [$figure, $photo] = $this->photographed();
        $area = $figure->areas()->firstOrFail();
        $pot = $this->pot('Lamp Ochre', '#a98f4f');
        $layers = ['layers' => [[...$this->layer($pot, 'glaze'), 'coats' => 2]]];
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", [...$layers, 'version' => 1])->assertOk();
        $url = "/figures/{$figure->id}/pictures/{$photo->id}";
        $this->postJson("{$url}/lessons/together")->assertUnprocessable()->assertJsonPath('errors.photo.0', fn (string $words): bool => str_contains($words, 'Find the zones'));
        $this->postJson("{$url}/findings", ['areaId' => $area->id, 'zone' => 'mid', 'method' => 'lasso', 'points' => [[0.1, 0.1], [0.4, 0.1], [0.4, 0.5], [0.1, 0.5]]])->assertCreated();
        $section = fn (): array => (array) $this->postJson("/figures/{$figure->id}/areas/{$area->id}/section", $layers)->assertOk()->json();
        $was = $pot->refresh()->only(['absorption', 'scattering', 'spread']);
        $before = $section();
        $lesson = $this->postJson("{$url}/lessons/together")->assertCreated()->json();
        self::assertIsArray($lesson);
        self::assertNotSame([], $lesson['words']);
        $after = $section();
        self::assertIsArray($before['rows']);
        self::assertIsArray($after['rows']);
        // Nearer to what was found, and surer than before.
        $found = $photo->findings()->sole()->lab();
        $missed = static fn (array $s): float => DifferenceFormula::Ciede2000->between($found, Lab::parse(data_get($s, 'rows.1.cells.2.colour.lab')));
        self::assertLessThan($missed($before), $missed($after));
        self::assertLessThan(data_get($before, 'spreads.2.spread.radius'), data_get($after, 'spreads.2.spread.radius'));
        $hand = TechniqueHand::query()->sole();
        self::assertSame('glaze', $hand->technique->value);
        self::assertLessThan(0.3, $hand->thickness_deviation / $hand->thickness);
        // Another name or level says nothing of what is in the pot.
        $taught = $pot->refresh()->absorption;
        $this->patchJson("/shelf/paints/{$pot->id}", [...PaintProps::of($pot)->described, 'name' => 'Lamp Ochre, new', 'levelPercent' => 40, 'version' => $pot->version])->assertOk();
        self::assertSame($taught, $pot->refresh()->absorption);
        self::assertNotNull($pot->spread);
        $this->get("/figures/{$figure->id}/compare/{$photo->id}")->assertInertia(fn (AssertableInertia $page) => $page->loadDeferredProps('lessons', fn (AssertableInertia $late) => $late->has('lessons', 1)));
        // Pressed again, the same photo does not count twice.
        $again = $this->postJson("{$url}/lessons/together")->assertCreated()->json('id');
        self::assertEqualsWithDelta($taught, $pot->refresh()->absorption, 1e-9);
        self::assertIsInt($again);
        $this->actingAs(Painter::factory()->create())->deleteJson("/lessons/{$again}")->assertNotFound();
        $this->actingAs($this->painter)->deleteJson("/lessons/{$again}")->assertOk()->assertJson(['isUndone' => true]);
        self::assertSame($was, $pot->refresh()->only(['absorption', 'scattering', 'spread']));
        self::assertSame(0, TechniqueHand::query()->count());
        self::assertEquals($before['rows'], $section()['rows']);
    }

    public function test_what_a_photo_teaches_is_offered_and_used_only_when_taken(): void
    {
        [$figure, $photo] = $this->photographed();
        $area = $figure->areas()->firstOrFail();
        $pot = $this->pot('Lamp Ochre', '#c98f1f');
        $layers = ['layers' => [$this->layer($pot)]];
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", [...$layers, 'version' => 1])->assertOk();
        $this->postJson(
            "/figures/{$figure->id}/pictures/{$photo->id}/findings",
            ['areaId' => $area->id, 'zone' => 'mid', 'method' => 'lasso', 'points' => [[0.1, 0.1], [0.4, 0.1], [0.4, 0.5], [0.1, 0.5]]],
        )->assertCreated();
        $predicted = fn () => $this->postJson("/figures/{$figure->id}/areas/{$area->id}/section", $layers)->json('rows.1.cells.2.colour.lab');
        $before = $predicted();
        $this->postJson("/figures/{$figure->id}/pictures/{$photo->id}/lessons")->assertCreated()->assertJson(['learnt' => 1]);
        $correction = Correction::query()->sole();
        self::assertSame($pot->id, $correction->paint_id);
        self::assertSame($before, $predicted());
        $this->patchJson("/corrections/{$correction->id}", ['taken' => true])->assertOk()->assertJson(['isTaken' => true, 'potName' => 'Lamp Ochre']);
        $after = $predicted();
        self::assertIsArray($after);
        $found = $photo->findings()->sole()->lab();
        self::assertEqualsWithDelta($found->toArray(), $after, 1.5);
        // Learning again does not count it twice; restored, all is as it was.
        $factors = $correction->factors;
        $this->postJson("/figures/{$figure->id}/pictures/{$photo->id}/lessons")->assertCreated();
        self::assertEqualsWithDelta($factors, $correction->refresh()->factors, 1e-9);
        $this->patchJson("/corrections/{$correction->id}", ['taken' => false])->assertOk();
        self::assertSame($before, $predicted());
    }

    public function test_a_photo_from_the_side_of_a_reference_is_found_at_once(): void
    {
        [$figure, $photo] = $this->photographed();
        $area = $figure->areas()->firstOrFail();
        $mid = $this->sample($area, 'mid', '#c98f1f');
        $mid->update(['outline' => [[0.25, 0.3], [0.05, 0.0]]]);
        $reference = $mid->picture_id;
        $this->sample($area, 'light', '#c98f1f')->update(['picture_id' => $reference, 'outline' => [[3.0, 3.0], [0.01, 0.0]]]);
        // What lies outside this photo stays to be found.
        $this->postJson("/figures/{$figure->id}/pictures/{$photo->id}/findings-from", ['referenceId' => $reference])->assertCreated()->assertJson(['found' => 1]);
        $this->postJson("/figures/{$figure->id}/pictures/{$photo->id}/findings-from", ['referenceId' => 999_999])->assertNotFound();
    }

    public function test_the_booth_has_only_the_demos_pieces_and_nothing_found_is_said(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $this->postJson("/figures/{$figure->id}/booth", ['lamp' => 'LED', 'exposure' => 0.8, 'neutral' => 'grey'])->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/booth", ['lamp' => 'moon', 'exposure' => 9, 'neutral' => 'cat'])->assertUnprocessable()->assertJsonCount(3, 'errors');
        $figure->update(['name' => 'The Tide Bell']);
        foreach (['grey', 'chart', 'none'] as $neutral) {
            $this->postJson("/figures/{$figure->id}/booth", ['lamp' => 'D50', 'exposure' => 0.7, 'neutral' => $neutral])->assertCreated()->assertJsonPath('kind', 'photo of my painted piece');
        }
        $photo = $figure->pictures()->firstOrFail();
        $this->getJson("/figures/{$figure->id}/areas/{$area->id}/touch-up?photo={$photo->id}")->assertUnprocessable()->assertJsonPath(
            'errors.area.0',
            fn (string $words): bool => str_contains($words, 'find its zones first'),
        );
        // The chart in the frame neutralises it; its corners the wrong way round do not.
        $chart = $figure->pictures()->skip(1)->firstOrFail();
        $corner = static fn (float $column, float $row): array => [(8 + 20 * $column + 8) / $chart->width, ($chart->height - 96 + 8 + 20 * $row + 8) / $chart->height];
        $corners = [$corner(0, 0), $corner(5, 0), $corner(5, 3), $corner(0, 3)];
        $this->putJson("/figures/{$figure->id}/pictures/{$chart->id}/neutral", ['method' => 'chart', 'points' => array_reverse($corners)])->assertUnprocessable();
        $this->putJson("/figures/{$figure->id}/pictures/{$chart->id}/neutral", ['method' => 'chart', 'points' => $corners])->assertOk()
            ->assertJsonCount(24, 'picture.neutral.residuals')
            ->assertJsonPath('picture.neutral.words', fn (string $words): bool => (float) substr($words, strpos($words, 'CIEDE2000') + 10) < 2.5);
        $this->get("/figures/{$figure->id}/pictures/{$chart->id}/image?neutral=1")->assertOk()->assertHeader('Content-Type', 'image/png');
        $this->deleteJson("/figures/{$figure->id}/pictures/{$chart->id}/neutral")->assertOk()->assertJsonPath('picture.neutral', null);
    }
}
