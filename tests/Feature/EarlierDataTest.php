<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Shelf\Paint;
use Hyalin\Pot\Chemistry;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What the version before wrote is read by this one: its tables are made, filled as it filled them, and migrated.
 */
final class EarlierDataTest extends TestCase
{
    private string $file;

    protected function setUp(): void
    {
        parent::setUp();
        $this->file = (string) tempnam(sys_get_temp_dir(), 'hyalin');
        config(['database.connections.earlier' => [...(array) config('database.connections.sqlite'), 'database' => $this->file]]);
    }

    protected function tearDown(): void
    {
        DB::purge('earlier');
        array_map(unlink(...), glob($this->file.'*') ?: []);
        parent::tearDown();
    }

    public function test_facts_and_lists_of_ids_become_columns_and_links(): void
    {
        $migrations = glob(database_path('migrations/*.php')) ?: [];
        $before = array_values(array_filter($migrations, static fn (string $m): bool => basename($m) < '2026_11_28_000015'));
        self::assertCount(14, $before);
        Artisan::call('migrate', ['--database' => 'earlier', '--force' => true, '--realpath' => true, '--path' => $before]);
        $painter = $this->row('painters', ['name' => 'Ines']);
        $figure = $this->row('figures', ['painter_id' => $painter, 'name' => 'Bell']);
        [$body, $base] = array_map(fn (string $name): int => $this->row('parts', ['figure_id' => $figure, 'name' => $name]), ['Body', 'Base']);
        [$cloak, $sole] = array_map(fn (string $name): int => $this->row('areas', ['figure_id' => $figure, 'name' => $name]), ['Cloak', 'Sole']);
        [$lacquer, $wax, $plain] = array_map(
            fn (?string $facts): int => $this->row('paints', ['painter_id' => $painter, 'kind' => 'acrylic', 'note' => 'mine', 'facts' => $facts]),
            ['{"chemistry":"nitro lacquer","density":1.1,"sizeMl":17,"price":3.5,"dryingMinutes":480,"pressurePsi":20,"thinner":1.5,"cleaner":"acetone"}', '{"chemistry":"beeswax"}', null],
        );
        // Each with the id of something that was deleted since.
        $joint = $this->row('joints', ['figure_id' => $figure, 'part_id' => $body, 'other_id' => $base, 'hides' => "[{$sole},9999]"]);
        $run = $this->row('runs', ['painter_id' => $painter, 'figure_id' => $figure]);
        $step = $this->row('run_steps', ['run_id' => $run, 'area_ids' => "[{$cloak},9999]", 'part_ids' => "[{$body}]"]);
        $mesh = $this->row('meshes', ['figure_id' => $figure, 'shell_areas' => "[{$cloak},0,9999]"]);
        $import = $this->row('shelf_imports', ['painter_id' => $painter, 'paint_ids' => "[{$wax},{$plain}]"]);
        $schedule = $this->row('schedules', ['painter_id' => $painter, 'figure_ids' => "[{$figure},9999]"]);

        Artisan::call('migrate', ['--database' => 'earlier', '--force' => true]);
        $first = Paint::on('earlier')->findOrFail($lacquer);
        self::assertEquals(
            [Chemistry::Lacquer, 1.1, 17.0, 3.5, 480, 20.0, 1.5, 'acetone', 'mine'],
            [$first->chemistry, $first->density, $first->size_ml, $first->price, $first->drying_minutes, $first->pressure_psi, $first->thinner, $first->cleaner, $first->note],
        );
        $second = Paint::on('earlier')->findOrFail($wax);
        // Words that name no chemistry are kept where the painter finds them.
        self::assertSame([null, "mine\nChemistry: beeswax"], [$second->chemistry, $second->note]);
        $linked = static fn (string $table, string $of, int $id, string $column): array => DB::connection('earlier')->table($table)->where($of, $id)->orderBy('id')->pluck($column)->all();
        self::assertSame([$wax, $plain], $linked('paints', 'shelf_import_id', $import, 'id'));
        self::assertSame([$sole], $linked('joint_hidden_areas', 'joint_id', $joint, 'area_id'));
        self::assertSame([$cloak], $linked('run_step_areas', 'run_step_id', $step, 'area_id'));
        self::assertSame([$body], $linked('run_step_parts', 'run_step_id', $step, 'part_id'));
        self::assertSame([$cloak, null, null], $linked('mesh_shells', 'mesh_id', $mesh, 'area_id'));
        self::assertSame([$figure], $linked('schedule_figures', 'schedule_id', $schedule, 'figure_id'));
        // And from now on a deleted area takes its links with it.
        DB::connection('earlier')->table('areas')->delete();
        self::assertSame(
            [[], [], [null, null, null]],
            [$linked('joint_hidden_areas', 'joint_id', $joint, 'area_id'), $linked('run_step_areas', 'run_step_id', $step, 'area_id'), $linked('mesh_shells', 'mesh_id', $mesh, 'area_id')],
        );
    }

    /** @param  array<string, int|string|null>  $values  the columns that matter; what else may not be empty is filled with nothing */
    private function row(string $table, array $values): int
    {
        foreach (Schema::connection('earlier')->getColumns($table) as $column) {
            if (! array_key_exists($column['name'], $values) && ! $column['nullable'] && $column['default'] === null && ! $column['auto_increment']) {
                $values[$column['name']] = match (true) {
                    in_array($column['type_name'], ['integer', 'float', 'double', 'numeric', 'tinyint'], true) => 0,
                    str_contains($column['type_name'], 'date') => '2026-11-01 10:00:00',
                    default => '[]',
                };
            }
        }

        return DB::connection('earlier')->table($table)->insertGetId($values);
    }
}
