<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What was kept as JSON - facts of a pot, lists of ids - gets columns and tables of its own. The old columns stay as they
 * were and are read no more.
 */
return new class extends Migration
{
    private const CHUNK = 200;

    /** Words of the first release that are one of the chemistries now. */
    private const CHEMISTRIES = ['/lacquer/' => 'lacquer', '/enamel/' => 'enamel', '/\boils?\b/' => 'oil', '/acryl|medium/' => 'acrylic', '/pigment|powder/' => 'powder'];

    /** Foreign keys that had no index: deleting the record they point to looked through the whole table. */
    private const KEYS = [
        'paints' => ['painter_id'], 'figures' => ['painter_id'], 'parts' => ['figure_id'], 'areas' => ['figure_id', 'part_id', 'lies_on_id'],
        'layers' => ['area_id'], 'layer_paints' => ['layer_id', 'paint_id'], 'pictures' => ['figure_id', 'run_step_id'], 'samples' => ['picture_id'],
        'findings' => ['area_id'], 'runs' => ['painter_id', 'figure_id', 'repeats_id'], 'run_steps' => ['run_id', 'repeats_step_id'],
        'mix_searches' => ['painter_id', 'area_id'], 'proposal_searches' => ['painter_id', 'figure_id'], 'set_aside_edits' => ['painter_id'],
        'shelf_imports' => ['painter_id'], 'cups' => ['painter_id', 'area_id', 'run_step_id'], 'cup_entries' => ['cup_id', 'paint_id'],
        'balances' => ['figure_id', 'area_id', 'other_id'], 'chips' => ['painter_id', 'paint_id'], 'corrections' => ['paint_id'],
        'joints' => ['figure_id', 'other_id'], 'boundaries' => ['figure_id', 'other_id'], 'own_rules' => ['figure_id'], 'timers' => ['run_id'],
        'piece_readings' => ['area_id'], 'recipe_versions' => ['run_id'], 'meshes' => ['figure_id', 'part_id'], 'light_studies' => ['painter_id'],
    ];

    public function up(): void
    {
        $this->facts();
        $this->links();
        foreach (self::KEYS as $table => $columns) {
            Schema::table($table, static function (Blueprint $blueprint) use ($table, $columns): void {
                foreach ($columns as $column) {
                    if (! self::isIndexed($table, $column)) {
                        $blueprint->index($column);
                    }
                }
            });
        }
    }

    private function facts(): void
    {
        Schema::table('paints', static function (Blueprint $table): void {
            // As the painter states it; null for the usual of the kind.
            $table->string('chemistry')->nullable();
            $table->double('density')->nullable();
            $table->double('size_ml')->nullable();
            $table->double('price')->nullable();
            $table->unsignedInteger('drying_minutes')->nullable();
            $table->unsignedInteger('curing_minutes')->nullable();
            $table->double('pressure_psi')->nullable();
            $table->double('thinner')->nullable();
            $table->string('thinned_with')->nullable();
            $table->string('cleaner')->nullable();
            $table->double('drop_ml')->nullable();
            $table->boolean('is_mixed')->nullable();
            // The file it came in by, so that the import can be undone.
            $table->foreignId('shelf_import_id')->nullable()->index()->constrained()->nullOnDelete();
        });
        foreach (DB::table('paints')->whereNotNull('facts')->select(['id', 'facts', 'note'])->lazyById(self::CHUNK) as $paint) {
            $facts = json_decode(is_string($paint->facts) ? $paint->facts : '', true);
            if (is_array($facts)) {
                DB::table('paints')->where('id', $paint->id)->update(self::columns($facts, is_string($paint->note) ? $paint->note : null));
            }
        }
        foreach (DB::table('shelf_imports')->whereNotNull('paint_ids')->select(['id', 'paint_ids'])->lazyById(self::CHUNK) as $import) {
            foreach (array_chunk(self::ids($import->paint_ids), self::CHUNK) as $ids) {
                DB::table('paints')->whereIn('id', $ids)->update(['shelf_import_id' => $import->id]);
            }
        }
    }

    /**
     * @param  array<array-key, mixed>  $facts
     * @return array<string, mixed> a chemistry in words that none of the known ones is goes into the note: nothing is lost
     */
    private static function columns(array $facts, ?string $note): array
    {
        $columns = [
            'sizeMl' => 'size_ml',
            'density' => 'density',
            'price' => 'price',
            'dryingMinutes' => 'drying_minutes',
            'pressurePsi' => 'pressure_psi',
            'thinner' => 'thinner',
            'cleaner' => 'cleaner',
        ];
        $values = [];
        foreach ($columns as $key => $column) {
            $values[$column] = is_scalar($facts[$key] ?? null) ? $facts[$key] : null;
        }
        $words = is_string($facts['chemistry'] ?? null) ? $facts['chemistry'] : '';
        foreach ($words === '' ? [] : self::CHEMISTRIES as $pattern => $chemistry) {
            if (preg_match($pattern, strtolower($words)) === 1) {
                return [...$values, 'chemistry' => $chemistry];
            }
        }

        return $words === '' ? $values : [...$values, 'note' => trim("{$note}\nChemistry: {$words}")];
    }

    private function links(): void
    {
        $this->link('joint_hidden_areas', 'joint_id', 'joints', 'area_id', 'areas');
        $this->link('run_step_areas', 'run_step_id', 'run_steps', 'area_id', 'areas');
        $this->link('run_step_parts', 'run_step_id', 'run_steps', 'part_id', 'parts');
        $this->link('schedule_figures', 'schedule_id', 'schedules', 'figure_id', 'figures');
        Schema::create('mesh_shells', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('mesh_id')->constrained('meshes')->cascadeOnDelete();
            // Which piece of the file, from 0.
            $table->unsignedInteger('shell');
            // Null for a piece that is no area.
            $table->foreignId('area_id')->nullable()->index()->constrained()->nullOnDelete();
            $table->unique(['mesh_id', 'shell']);
        });
        // The old list is written no more.
        Schema::table('schedules', static function (Blueprint $table): void {
            $table->json('figure_ids')->nullable()->change();
        });
        $this->copy('joints', 'hides', 'joint_hidden_areas', 'joint_id', 'area_id', 'areas');
        $this->copy('run_steps', 'area_ids', 'run_step_areas', 'run_step_id', 'area_id', 'areas');
        $this->copy('run_steps', 'part_ids', 'run_step_parts', 'run_step_id', 'part_id', 'parts');
        $this->copy('schedules', 'figure_ids', 'schedule_figures', 'schedule_id', 'figure_id', 'figures');
        $known = self::known('areas');
        foreach (DB::table('meshes')->whereNotNull('shell_areas')->select(['id', 'shell_areas'])->lazyById(self::CHUNK) as $mesh) {
            foreach (self::ids($mesh->shell_areas) as $shell => $areaId) {
                DB::table('mesh_shells')->insert(['mesh_id' => $mesh->id, 'shell' => $shell, 'area_id' => isset($known[$areaId]) ? $areaId : null]);
            }
        }
    }

    private function link(string $name, string $own, string $ownTable, string $other, string $otherTable): void
    {
        Schema::create($name, static function (Blueprint $table) use ($own, $ownTable, $other, $otherTable): void {
            $table->id();
            $table->foreignId($own)->constrained($ownTable)->cascadeOnDelete();
            $table->foreignId($other)->index()->constrained($otherTable)->cascadeOnDelete();
            $table->unique([$own, $other]);
        });
    }

    /** Ids of records that are gone are left behind. */
    private function copy(string $from, string $column, string $to, string $own, string $other, string $otherTable): void
    {
        $known = self::known($otherTable);
        foreach (DB::table($from)->whereNotNull($column)->select(['id', $column])->lazyById(self::CHUNK) as $row) {
            $rows = [];
            foreach (array_unique(self::ids($row->{$column})) as $id) {
                if (isset($known[$id])) {
                    $rows[] = [$own => $row->id, $other => $id];
                }
            }
            DB::table($to)->insert($rows);
        }
    }

    /** @return array<int, true> */
    private static function known(string $table): array
    {
        $known = [];
        foreach (DB::table($table)->pluck('id') as $id) {
            $known[is_int($id) ? $id : 0] = true;
        }

        return $known;
    }

    /** @return list<int> */
    private static function ids(mixed $json): array
    {
        $ids = json_decode(is_string($json) ? $json : '[]', true);

        return array_values(array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, is_array($ids) ? $ids : []));
    }

    private static function isIndexed(string $table, string $column): bool
    {
        foreach (Schema::getIndexes($table) as $index) {
            if (($index['columns'][0] ?? '') === $column) {
                return true;
            }
        }

        return false;
    }
};
