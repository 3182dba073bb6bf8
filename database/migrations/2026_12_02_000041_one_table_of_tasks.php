<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Seven tables kept the state of work in the queue, each in its own words. All of it is tasks now. What was under way has a job that
 * names what is gone: it is called failed, and asked for again.
 */
return new class extends Migration
{
    private const KINDS_THAT_CHANGE_A_FIGURE = "'proposal', 'zones', 'spray', 'gradient', 'glow', 'measures', 'sculpt'";

    private const INTERRUPTED = 'Hyalin was brought up to date meanwhile. Start it again.';

    public function up(): void
    {
        DB::statement('DROP INDEX tasks_one_at_a_time');
        Schema::table('tasks', static function (Blueprint $table): void {
            $table->unsignedBigInteger('figure_id')->nullable()->change();
            $table->json('result')->nullable();
            $table->index('figure_id');
        });
        // Two at once would each undo what the other has done.
        DB::statement("CREATE UNIQUE INDEX tasks_one_at_a_time ON tasks (figure_id) WHERE state IN ('waiting', 'running') AND kind IN (".self::KINDS_THAT_CHANGE_A_FIGURE.')');
        foreach (['light_studies', 'mesh_uploads', 'sheet_photos', 'shelf_imports'] as $record) {
            Schema::table($record, static function (Blueprint $table): void {
                $table->foreignId('task_id')->nullable()->constrained()->nullOnDelete();
                $table->index('task_id');
            });
        }
        Schema::table('shelf_imports', static fn (Blueprint $table) => $table->timestamp('undone_at')->nullable());

        self::move(DB::table('mix_searches')->join('areas', 'areas.id', '=', 'area_id')->select(['mix_searches.*', 'areas.figure_id']), 'mix_searches', 'proof', static fn (stdClass $row): array => [...self::json($row->request), 'areaId' => $row->area_id]);
        self::move(DB::table('proposal_searches'), 'proposal_searches', 'finishes', static fn (stdClass $row): array => self::json($row->request));
        foreach (['bench', 'picture'] as $kind) {
            self::move(DB::table('incoming_files')->where('kind', $kind), 'incoming_files', $kind, static fn (stdClass $row): array => ['name' => $row->name, 'path' => $row->path, 'both' => (bool) $row->both]);
        }
        $kept = [
            ['light_studies', 'light', DB::table('light_studies')->whereNotIn('light_studies.state', ['none', 'done'])],
            ['sheet_photos', 'sheet', DB::table('sheet_photos')->join('swatch_sheets', 'swatch_sheets.id', '=', 'sheet_id')->where('sheet_photos.state', '!=', 'done')->select(['sheet_photos.*', 'swatch_sheets.painter_id'])],
            ['shelf_imports', 'shelf', DB::table('shelf_imports')->whereNotIn('state', ['done', 'undone'])],
        ];
        foreach ($kept as [$table, $kind, $rows]) {
            self::move($rows, $table, $kind, static fn (): null => null, $table);
        }
        DB::table('shelf_imports')->where('state', 'undone')->update(['undone_at' => DB::raw('updated_at')]);
        DB::table('mesh_uploads')->where('state', 'reading')->update(['state' => 'failed', 'problem' => self::INTERRUPTED]);

        foreach (['mix_searches', 'proposal_searches', 'incoming_files'] as $table) {
            Schema::drop($table);
        }
        Schema::table('light_studies', static fn (Blueprint $table) => $table->dropColumn(['state', 'progress', 'stop_asked', 'problem', 'job']));
        Schema::table('sheet_photos', static fn (Blueprint $table) => $table->dropColumn(['state', 'progress', 'stop_asked', 'problem']));
        Schema::table('shelf_imports', static fn (Blueprint $table) => $table->dropColumn(['state', 'progress', 'problem', 'paint_ids']));
    }

    /**
     * @param  callable(stdClass): (array<string, mixed>|null)  $input
     * @param  string|null  $back  table whose rows name their task
     */
    private static function move(Builder $rows, string $table, string $kind, callable $input, ?string $back = null): void
    {
        foreach ($rows->orderBy("{$table}.id")->get() as $row) {
            $isOpen = in_array($row->state, ['waiting', 'running'], true);
            $asked = $input($row);
            $task = DB::table('tasks')->insertGetId([
                'painter_id' => $row->painter_id, 'figure_id' => $row->figure_id ?? null, 'kind' => $kind,
                'state' => $isOpen ? 'failed' : $row->state, 'problem' => $isOpen ? self::INTERRUPTED : $row->problem ?? null,
                'progress' => $row->progress, 'stop_asked' => $row->stop_asked ?? false,
                'input' => $asked === null ? null : json_encode($asked), 'result' => $back === null ? $row->result : null,
                'created_at' => $row->created_at, 'updated_at' => $row->updated_at,
            ]);
            if ($back !== null) {
                DB::table($back)->where('id', $row->id)->update(['task_id' => $task]);
            }
        }
    }

    /** @return array<string, mixed> */
    private static function json(mixed $text): array
    {
        $read = json_decode(is_string($text) ? $text : '', true);

        return is_array($read) ? array_filter($read, is_string(...), ARRAY_FILTER_USE_KEY) : [];
    }
};
