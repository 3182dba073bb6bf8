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
        $this->migrateUntil('2026_11_28_000015', 14);
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

    public function test_what_a_step_took_becomes_rows(): void
    {
        $this->migrateUntil('2026_12_02_000042', 41);
        $painter = $this->row('painters', ['name' => 'Ines']);
        $figure = $this->row('figures', ['painter_id' => $painter, 'name' => 'Bell']);
        $pot = $this->row('paints', ['painter_id' => $painter, 'name' => 'Fen']);
        $run = $this->row('runs', ['painter_id' => $painter, 'figure_id' => $figure]);
        $step = $this->row('run_steps', ['run_id' => $run, 'taken_ml' => "{\"{$pot}\":0.35,\"9999\":1}"]);
        Artisan::call('migrate', ['--database' => 'earlier', '--force' => true]);
        self::assertEquals([(object) ['run_step_id' => $step, 'paint_id' => $pot, 'millilitres' => 0.35]], DB::connection('earlier')->table('run_step_paints')->get(['run_step_id', 'paint_id', 'millilitres'])->all());
    }

    /** Seven tables had states of their own; what was done, stopped or failed is so still, and what was under way is told. */
    public function test_work_in_the_queue_becomes_tasks(): void
    {
        $this->migrateUntil('2026_12_02_000041', 40);
        $painter = $this->row('painters', ['name' => 'Ines']);
        $figure = $this->row('figures', ['painter_id' => $painter, 'name' => 'Bell']);
        $area = $this->row('areas', ['figure_id' => $figure, 'name' => 'Cloak']);
        $own = ['painter_id' => $painter, 'progress' => 1];
        $this->row('mix_searches', [...$own, 'area_id' => $area, 'request' => '{"index":2}', 'state' => 'done', 'result' => '{"ending":"proven"}']);
        $this->row('proposal_searches', [...$own, 'figure_id' => $figure, 'request' => '{"brushOnly":true}', 'state' => 'running', 'result' => null]);
        $this->row('incoming_files', [...$own, 'kind' => 'picture', 'name' => 'hood.jpg', 'path' => 'incoming/X', 'both' => 0, 'state' => 'done', 'result' => '{"width":9}']);
        $light = $this->row('light_studies', [...$own, 'figure_id' => $figure, 'state' => 'failed', 'problem' => 'The mesh has no facets.']);
        $sheet = $this->row('swatch_sheets', ['painter_id' => $painter]);
        [$read, $waiting] = array_map(fn (string $state): int => $this->row('sheet_photos', ['sheet_id' => $sheet, 'progress' => 0, 'state' => $state]), ['done', 'waiting']);
        [$undone, $refused] = array_map(fn (string $state): int => $this->row('shelf_imports', [...$own, 'state' => $state, 'problem' => 'Line 2.', 'updated_at' => '2026-11-30 10:00:00']), ['undone', 'failed']);
        $upload = $this->row('mesh_uploads', ['figure_id' => $figure, 'state' => 'reading']);
        Artisan::call('migrate', ['--database' => 'earlier', '--force' => true]);
        $of = static fn (string $kind): object => DB::connection('earlier')->table('tasks')->where('kind', $kind)->sole();
        $this->assertTask($of('proof'), ['state' => 'done', 'figure_id' => $figure, 'input' => '{"index":2,"areaId":'.$area.'}', 'result' => '{"ending":"proven"}']);
        $this->assertTask($of('finishes'), ['state' => 'failed', 'figure_id' => $figure, 'input' => '{"brushOnly":true}', 'problem' => 'Hyalin was brought up to date meanwhile. Start it again.']);
        $this->assertTask($of('picture'), ['state' => 'done', 'input' => '{"name":"hood.jpg","path":"incoming\/X","both":false}', 'result' => '{"width":9}']);
        $this->assertTask($of('light'), ['id' => $this->valueOf('light_studies', $light, 'task_id'), 'state' => 'failed', 'problem' => 'The mesh has no facets.']);
        self::assertNull($this->valueOf('sheet_photos', $read, 'task_id'));
        $this->assertTask($of('sheet'), ['id' => $this->valueOf('sheet_photos', $waiting, 'task_id'), 'state' => 'failed']);
        self::assertSame([null, '2026-11-30 10:00:00'], [$this->valueOf('shelf_imports', $undone, 'task_id'), $this->valueOf('shelf_imports', $undone, 'undone_at')]);
        $this->assertTask($of('shelf'), ['id' => $this->valueOf('shelf_imports', $refused, 'task_id'), 'problem' => 'Line 2.']);
        self::assertSame('failed', $this->valueOf('mesh_uploads', $upload, 'state'));
    }

    private function migrateUntil(string $migration, int $count): void
    {
        $before = array_values(array_filter(glob(database_path('migrations/*.php')) ?: [], static fn (string $m): bool => basename($m) < $migration));
        self::assertCount($count, $before);
        Artisan::call('migrate', ['--database' => 'earlier', '--force' => true, '--realpath' => true, '--path' => $before]);
    }

    /** @param  array<string, mixed>  $wanted */
    private function assertTask(object $task, array $wanted): void
    {
        self::assertSame($wanted, array_intersect_key(array_replace($wanted, get_object_vars($task)), $wanted));
    }

    private function valueOf(string $table, int $id, string $column): mixed
    {
        return DB::connection('earlier')->table($table)->where('id', $id)->value($column);
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
