<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench\RunStepState;
use App\Models\Compare\Correction;
use App\Models\Shelf\Paint;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\Sheen;
use Hyalin\Pot\PotKind;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Inertia\Testing\AssertableInertia;

/**
 * Predictions a painter can believe: through the application, with pots typed in.
 */
final class BelievableTest extends TestCase
{
    /** A black that is varnished is black, whichever of the clear pots lies on it. */
    public function test_clear_pots_that_are_typed_in_are_clear(): void
    {
        $soot = $this->typed('Soot', 'acrylic', 'matt', '#1b1b1d', ['opacity' => '1', 'strength' => 'usual']);
        $figure = $this->figure();
        $area = $this->area($figure);
        $black = [
            'key' => 'A',
            'technique' => 'base coat',
            'zones' => ['recess', 'shade', 'mid', 'light', 'edge'],
            'thinner' => 0,
            'coats' => 3,
            'mix' => [['paintId' => $soot->id, 'drops' => 1]],
            'note' => null,
        ];
        $url = "/figures/{$figure->id}/areas/{$area->id}/section";
        foreach (['varnish' => 'varnish', 'medium' => 'wash', 'thinner' => 'glaze'] as $kind => $technique) {
            $clear = $this->typed("Clear {$kind}", $kind, 'matt', '#f5f5f2');
            self::assertSame([0.0], array_values(array_unique([...$clear->absorption, ...$clear->scattering])));
            $over = [...$black, 'key' => 'B', 'technique' => $technique, 'coats' => 2, 'mix' => [['paintId' => $clear->id, 'drops' => 1]]];
            $section = $this->postJson($url, ['layers' => [$black, $over]])->assertOk();
            foreach (range(0, 4) as $zone) {
                self::assertEqualsWithDelta($section->json("rows.1.cells.{$zone}.colour.lab"), $section->json("rows.2.cells.{$zone}.colour.lab"), 1e-9, $kind);
                self::assertLessThan(20.0, $section->json("rows.2.cells.{$zone}.colour.lab.0"));
            }
        }
        $ask = ['layers' => [$black], 'index' => 0, 'zone' => 'mid', 'targetHex' => '#808080', 'allKinds' => true];
        $this->postJson("/figures/{$figure->id}/areas/{$area->id}/mixes", $ask)->assertOk()->assertJsonPath('potCount', 1);
        // One that yellows says so, and is kept and filed with it.
        $amber = $this->typed('Old Amber', 'varnish', 'gloss', '#f5f5f2', ['tintHex' => '#f3e2b0']);
        self::assertSame('#f3e2b0', $amber->tint_hex);
        self::assertGreaterThan(5 * $amber->absorption[30], $amber->absorption[5]);
        self::assertStringContainsString('#f3e2b0', (string) $this->get('/shelf/file.csv')->assertOk()->getContent());
    }

    public function test_what_keeps_a_colour_out_of_reach_is_named_as_what_it_is(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $black = $this->pot('Soot', '#1b1b1d');
        $primer = $this->pot('Primer White', '#f0f0ee', PotKind::Primer);
        $this->pot('Chalk White', '#f4f3ee')->update(['level_percent' => 3]);
        $url = "/figures/{$figure->id}/areas/{$area->id}";
        $layer = fn (string $technique, Paint $pot, int $coats = 2): array => [...$this->layer($pot, $technique), 'key' => "{$technique}{$coats}", 'coats' => $coats];
        /** @return array{missing: string|null, potCount: int, mixes: list<array{drops: list<mixed>, runningOut: list<string>}>} */
        $ask = function (array $layers, int $index, string $hex) use ($url): array {
            /** @var array{missing: string|null, potCount: int, mixes: list<array{drops: list<mixed>, runningOut: list<string>}>} $answer */
            $answer = $this->postJson("{$url}/mixes", ['layers' => $layers, 'index' => $index, 'zone' => 'mid', 'targetHex' => $hex])->assertOk()->json();

            return $answer;
        };
        // Three coats of black follow: no lighter pot is missing, nothing beneath can show.
        $buried = $ask([$layer('base coat', $black), $layer('layer', $black, 6)], 0, '#d0d0d0');
        self::assertIsString($buried['missing']);
        self::assertStringContainsString('nothing beneath can show', $buried['missing']);
        // A matt film is never that black: the sheen is the cause, not the shelf.
        $figure->update(['sheen' => 'matt']);
        $dark = $ask([$layer('base coat', $black)], 0, '#050505');
        self::assertIsString($dark['missing']);
        self::assertStringContainsString('this sheen is never darker than L* 12', $dark['missing']);
        // A pot that is nearly empty is not put into a mix without a word.
        $grey = $ask([$layer('base coat', $black)], 0, '#c8c8c8');
        self::assertContains('Chalk White (3 % left)', array_merge(...array_column($grey['mixes'], 'runningOut')));
        // Nothing is stirred into a can: one primer, as it is, and never thinned.
        $can = $ask([$layer('spray can', $primer, 1)], 0, '#808080');
        self::assertSame([1], array_values(array_unique(array_map(static fn (array $m): int => count($m['drops']), $can['mixes']))));
        self::assertSame(1, $can['potCount']);
        foreach (['spray can' => 0.0, 'base coat' => 1.0] as $technique => $most) {
            $advice = $this->postJson("{$url}/advice", ['layers' => [$layer($technique, $technique === 'base coat' ? $black : $primer, 1)], 'index' => 0, 'zone' => 'mid', 'targetHex' => '#7a7a7a'])->json('setting.thinner');
            self::assertLessThanOrEqual($most, $advice ?? 0.0);
        }
    }

    /** Stored by the version before: whitish K and S for clear pots, colours taken as if seen in gloss. */
    public function test_pots_of_the_version_before_are_estimated_again_and_measured_ones_are_not(): void
    {
        $varnish = $this->pot('Flat Coat', '#f5f5f2', PotKind::Varnish);
        $matt = $this->pot('Reed', '#5f7f57');
        $measured = $this->pot('Read One', '#5f7f57');
        $right = $matt->scattering;
        DB::table('paints')->update(['absorption' => json_encode(array_fill(0, 36, 0.01)), 'scattering' => json_encode(array_fill(0, 36, 0.46))]);
        DB::table('paints')->where('id', $measured->id)->update(['quality' => OpticsQuality::Measured->value]);
        DB::table('paints')->where('id', $varnish->id)->update(['deleted_at' => now()]);
        $columns = ['paints' => 'tint_hex', 'areas' => 'sheen'];
        foreach ($columns as $table => $column) {
            DB::statement("alter table {$table} drop column {$column}");
        }
        $migration = require database_path('migrations/2026_11_29_000016_clear_pots_are_clear.php');
        self::assertIsObject($migration);
        self::assertTrue(method_exists($migration, 'up'));
        $migration->up();
        self::assertSame([0.0], array_values(array_unique(Paint::withTrashed()->findOrFail($varnish->id)->scattering)));
        self::assertEqualsWithDelta($right, $matt->refresh()->scattering, 1e-9);
        self::assertSame(array_fill(0, 36, 0.46), $measured->refresh()->scattering);
    }

    /** Suggestions answered 500 in any light but daylight; they are of daylight colours, and the same in every light. */
    public function test_suggestions_are_given_in_every_viewing_light(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $this->pot('Primer White', '#f1f1ee', PotKind::Primer);
        $reed = $this->pot('Reed', '#5f7f57');
        $ask = ['layers' => [$this->layer($reed)], 'index' => 0, 'zone' => 'mid', 'targetHex' => '#7a9a70'];
        $answers = [];
        foreach (['D65', 'D50', 'A', 'LED'] as $light) {
            $this->patchJson("/figures/{$figure->id}", ['name' => $figure->name, 'light' => $light, 'version' => $figure->refresh()->version])->assertOk();
            $answer = $this->postJson("/figures/{$figure->id}/areas/{$area->id}/advice", $ask)->assertOk();
            $answers[] = $answer->json();
        }
        self::assertSame($answers[0], $answers[1]);
        self::assertSame($answers[0], $answers[2]);
        self::assertSame($answers[0], $answers[3]);
        self::assertNotNull($answer->json('setting'));
        // Set so, nothing is suggested that is so already.
        $set = [[...$this->layer($reed), 'coats' => $answer->json('setting.coats'), 'thinner' => $answer->json('setting.thinner')]];
        $this->postJson("/figures/{$figure->id}/areas/{$area->id}/advice", [...$ask, 'layers' => $set])->assertOk()->assertJsonPath('setting', null);
    }

    /** A gloss visor on a matt figure. */
    public function test_an_area_may_have_a_sheen_of_its_own(): void
    {
        $figure = $this->figure();
        $visor = $this->area($figure, 'Visor');
        $coat = $this->area($figure, 'Coat');
        $black = $this->pot('Keel Black', '#1b1b1d');
        $seen = fn (int $area): mixed => $this->postJson("/figures/{$figure->id}/areas/{$area}/section", ['layers' => [$this->layer($black)]])->assertOk()->json('rows.1.cells.2.colour.lab.0');
        self::assertSame($seen($visor->id), $seen($coat->id));
        $this->patch("/figures/{$figure->id}/areas/{$visor->id}", ['name' => 'Visor', 'sheen' => 'gloss'])->assertRedirect();
        self::assertSame(Sheen::Gloss, $visor->refresh()->sheen);
        self::assertEqualsWithDelta(Sheen::Matt->darkest(), 12.0, 0.1);
        self::assertLessThan(Sheen::Matt->darkest(), $seen($visor->id));
        self::assertGreaterThan(Sheen::Matt->darkest(), $seen($coat->id));
        $this->get("/figures/{$figure->id}/brief")->assertInertia(fn (AssertableInertia $page) => $page->where('areas.0.sheen', 'gloss')->where('areas.1.sheen', null));
        $this->patch("/figures/{$figure->id}/areas/{$visor->id}", ['name' => 'Visor', 'sheen' => 'shiny'])->assertSessionHasErrors('sheen');
        // A varnish has the last word, whatever the area says.
        $matt = $this->pot('Flat Coat', '#f5f5f2', PotKind::Varnish);
        $ends = $this->postJson(
            "/figures/{$figure->id}/areas/{$visor->id}/section",
            ['layers' => [$this->layer($black), [...$this->layer($matt, 'varnish'), 'key' => 'V']]],
        )->json('rows.2.cells.2.colour.lab.0');
        self::assertEqualsWithDelta($seen($coat->id), $ends, 0.01);
    }

    public function test_a_new_layer_starts_with_the_pot_of_its_technique_and_says_what_is_left(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $black = $this->pot('Keel Black', '#1b1b1d');
        $varnish = $this->pot('Flat Coat', '#f5f5f2', PotKind::Varnish);
        $primer = $this->pot('Primer Grey', '#8c8c8c', PotKind::Primer);
        $this->get("/figures/{$figure->id}/finishes")->assertInertia(fn (AssertableInertia $page) => $page
            ->where('techniques', static function (mixed $techniques) use ($varnish, $primer, $black): bool {
                $starts = array_column($techniques instanceof Collection ? $techniques->all() : [], 'potId', 'technique');

                return [$starts['varnish'], $starts['spray can'], $starts['base coat']] === [$varnish->id, $primer->id, $black->id];
            }));
        $highlight = [...$this->layer($this->pot('Bone', '#e8e2d0')), 'key' => 'H', 'zones' => ['edge'], 'technique' => 'edge highlight'];
        $cover = [...$this->layer($black), 'key' => 'C', 'coats' => 6];
        $section = $this->postJson("/figures/{$figure->id}/areas/{$area->id}/section", ['layers' => [$this->layer($black), $highlight, $cover]])->assertOk();
        self::assertGreaterThan(15.0, $section->json('rows.2.largestChange'));
        self::assertLessThan(1.5, $section->json('rows.2.left'));
    }

    /** What a photo teaches is put down to the pot that was put on, and not to the one that was planned. */
    public function test_lessons_blame_the_pot_that_was_used(): void
    {
        [$figure, $photo] = $this->photographed();
        $area = $figure->areas()->firstOrFail();
        $planned = $this->pot('Lamp Ochre', '#c98f1f');
        $used = $this->pot('Harbour Ochre', '#b5791a');
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [$this->layer($planned)], 'version' => 1])->assertOk();
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();
        $run = $figure->runs()->firstOrFail();
        $step = $run->steps()->whereNotNull('layer_key')->firstOrFail();
        $this->patchJson("/runs/{$run->id}/steps/{$step->id}", ['version' => $step->version, 'state' => RunStepState::Done->value, 'usedMix' => [['paintId' => $used->id, 'drops' => 1]]])->assertOk();
        $this->postJson(
            "/figures/{$figure->id}/pictures/{$photo->id}/findings",
            ['areaId' => $area->id, 'zone' => 'mid', 'method' => 'lasso', 'points' => [[0.1, 0.1], [0.4, 0.1], [0.4, 0.5], [0.1, 0.5]]],
        )->assertCreated();
        $this->postJson("/figures/{$figure->id}/pictures/{$photo->id}/lessons")->assertCreated()->assertJson(['learnt' => 1]);
        self::assertSame($used->id, Correction::query()->sole()->paint_id);
    }

    /** @param  array<string, string>  $more */
    private function typed(string $name, string $kind, string $sheen, string $hex, array $more = []): Paint
    {
        $answer = $this->postJson('/shelf/paints', [
            'maker' => 'Own', 'name' => $name, 'kind' => $kind, 'sheen' => $sheen, 'thickHex' => $hex, 'opacity' => 'wash', 'strength' => 'weak', 'levelPercent' => 100, ...$more,
        ])->assertCreated();

        return Paint::query()->where('id', $answer->json('id'))->sole();
    }
}
