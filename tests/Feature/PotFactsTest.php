<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Bench\PlanSteps;
use App\Adapters\Bench\PlannedStep;
use App\Adapters\Shelf\TableFormat;
use App\Models\Brief\Joint;
use App\Models\Finish\LayerRecord;
use App\Models\Shelf\Paint;
use Hyalin\Formats\Csv;
use Hyalin\Pot\Chemistry;
use Hyalin\Pot\PotField;
use Hyalin\Pot\PotFields;
use Hyalin\Pot\PotKind;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Inertia\Testing\AssertableInertia;

/**
 * What a painter states of a pot is what everything goes by.
 */
final class PotFactsTest extends TestCase
{
    public function test_a_pot_that_is_a_lacquer_and_dries_eight_hours_is_planned_so(): void
    {
        $figure = $this->figure();
        $part = $figure->parts()->create(['name' => 'Body', 'position' => 1]);
        $area = $this->area($figure);
        $area->update(['part_id' => $part->id]);
        $under = $this->pot('Keel Black', '#1b1b1d');
        $over = $this->pot('Storm', '#46606e');
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => [$this->layer($under), $this->layer($over, 'layer')], 'version' => 1])->assertOk();
        $drying = fn (): array => array_map(
            static fn (PlannedStep $s): mixed => $s->attributes['drying_minutes'],
            array_values(array_filter(app(PlanSteps::class)($figure->refresh()), static fn (PlannedStep $s): bool => isset($s->attributes['technique']))),
        );
        $issues = fn (): string => (string) json_encode($this->postJson("/figures/{$figure->id}/order/judge", ['steps' => ['none']])->assertOk()->json('issues'));
        $before = $drying();
        self::assertStringNotContainsString('lacquer', $issues());
        $this->patchJson("/shelf/paints/{$over->id}/facts", ['chemistry' => 'lacquer', 'dryingMinutes' => 480, 'version' => $over->refresh()->version])->assertOk();
        // The wait after its own layer, not that of an acrylic; and it attacks what lies beneath.
        self::assertSame([$before[0], 480], $drying());
        self::assertStringContainsString('lacquer thinner attacks the acrylic', $issues());
        // Undone, it is usual again.
        $this->patchJson("/shelf/paints/{$over->id}/facts", ['chemistry' => null, 'dryingMinutes' => null, 'version' => $over->refresh()->version])->assertOk();
        self::assertSame($before, $drying());
        self::assertStringNotContainsString('lacquer', $issues());
    }

    public function test_the_table_of_a_shelf_carries_every_field_and_brings_it_back(): void
    {
        $pot = $this->pot('Lantern', '#f0b030', PotKind::Airbrush);
        $pot->update([
            'flop_hex' => '#c08020',
            'note' => "two\nlines, \"quoted\"",
            'level_percent' => 37,
            'chemistry' => Chemistry::Enamel,
            'density' => 1.31,
            'size_ml' => 17.5,
            'price' => 3.95,
            'drying_minutes' => 700,
            'curing_minutes' => 3000,
            'pressure_psi' => 18.5,
            'thinner' => 1.5,
            'thinned_with' => 'white spirit',
            'cleaner' => 'turpentine',
            'drop_ml' => 0.031,
            'is_mixed' => false,
            'opened_on' => '2026-03-01',
            'good_until' => '2028-02-29',
        ]);
        $table = $this->get('/shelf/file.csv')->assertOk()->getContent();
        self::assertIsString($table);
        $header = Csv::read($table)->header;
        self::assertSame(TableFormat::columns(), $header);
        // A painter who moves with this file would lose a field that is in no column.
        self::assertSame([], array_diff(array_map(static fn (PotField $f): string => $f->inTables(), PotFields::all()), $header));
        $first = $pot->refresh()->only(self::columns());
        $pot->forceDelete();
        $this->post('/shelf/imports', ['file' => UploadedFile::fake()->createWithContent('shelf.csv', $table)], ['Accept' => 'application/json'])->assertSuccessful();
        self::assertEquals($first, Paint::query()->where('name', 'Lantern')->sole()->only(self::columns()));
    }

    public function test_a_deleted_area_leaves_nothing_in_a_joint_a_step_or_a_schedule(): void
    {
        $figure = $this->figure();
        [$a, $b] = [$figure->parts()->create(['name' => 'Body', 'position' => 1]), $figure->parts()->create(['name' => 'Base', 'position' => 2])];
        [$cloak, $sole] = [$this->area($figure), $this->area($figure, 'Sole')];
        $joint = $this->postJson(
            "/figures/{$figure->id}/joints",
            ['partId' => $a->id, 'otherId' => $b->id, 'hides' => [$cloak->id, $sole->id]],
        )->assertCreated()->json('id') ?? Joint::query()->sole()->id;
        self::assertSame(2, DB::table('joint_hidden_areas')->where('joint_id', $joint)->count());
        $this->delete("/figures/{$figure->id}/areas/{$sole->id}")->assertRedirect();
        self::assertSame([$cloak->id], Joint::query()->sole()->hiddenAreas->map(static fn ($area): int => $area->id)->all());
        $this->get("/figures/{$figure->id}/order")->assertOk();
        self::assertSame(0, LayerRecord::query()->count());
    }

    /**
     * Whatever describes a pot is in its form, and a form that is sent back as it came changes nothing: a field that is added to
     * the list is asked for and kept without another line.
     */
    public function test_a_form_gives_back_what_it_was_given(): void
    {
        $values = [
            'maker' => 'Own Hand', 'name' => 'Old Amber', 'kind' => 'varnish', 'sheen' => 'gloss', 'thickHex' => '#f5f5f2', 'flopHex' => '#6a4f8c',
            'tintHex' => '#f3e2b0', 'opacity' => 'wash', 'strength' => 'weak', 'levelPercent' => 35, 'note' => 'yellows in a year',
        ];
        $keys = array_map(static fn (PotField $f): string => $f->key, PotFields::described());
        self::assertEqualsCanonicalizing($keys, array_keys($values), 'a field that describes a pot is not in this test');
        $id = $this->postJson('/shelf/paints', $values)->assertCreated()->json('id');
        $paint = Paint::query()->where('id', $id)->sole();
        $this->get('/shelf')->assertInertia(fn (AssertableInertia $page) => $page
            ->where('page.paints.0.described', static fn (mixed $shown): bool => $shown instanceof Collection && $shown->all() === $values));
        $before = $paint->getAttributes();
        $absorption = $paint->absorption;
        $this->patchJson("/shelf/paints/{$paint->id}", [...$values, 'version' => 1])->assertOk()->assertJsonPath('described', $values);
        $after = $paint->refresh()->getAttributes();
        foreach (PotFields::all() as $field) {
            self::assertSame($before[$field->column()] ?? null, $after[$field->column()], $field->key);
        }
        self::assertEqualsWithDelta($absorption, $paint->absorption, 1e-12);
        // A kind that is no longer clear keeps its tint in case it is again, and is paint.
        $this->patchJson("/shelf/paints/{$paint->id}", [...$values, 'kind' => 'acrylic', 'version' => 2])->assertOk()->assertJsonPath('described.tintHex', '#f3e2b0');
        self::assertGreaterThan(0.0, min(1.0, ...$paint->refresh()->scattering));
    }

    /** @return list<string> of the table, for every field of a pot */
    private static function columns(): array
    {
        return array_map(static fn (PotField $f): string => \Illuminate\Support\Str::snake($f->key), PotFields::all());
    }
}
