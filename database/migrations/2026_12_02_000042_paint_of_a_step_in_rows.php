<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What a step took from the pots was JSON in the step: "where did this pot go" had to read every step of every run.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('run_step_paints', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_step_id')->constrained()->cascadeOnDelete();
            $table->foreignId('paint_id')->constrained()->cascadeOnDelete();
            $table->double('millilitres');
            $table->unique(['run_step_id', 'paint_id']);
            $table->index('paint_id');
        });
        $pots = DB::table('paints')->pluck('id')->flip();
        foreach (DB::table('run_steps')->whereNotNull('taken_ml')->orderBy('id')->get(['id', 'taken_ml']) as $step) {
            $taken = json_decode(is_string($step->taken_ml) ? $step->taken_ml : '', true);
            foreach (is_array($taken) ? $taken : [] as $paint => $millilitres) {
                // A pot that is no more has no life to tell of.
                if ($pots->has($paint) && is_numeric($millilitres)) {
                    DB::table('run_step_paints')->insert(['run_step_id' => $step->id, 'paint_id' => $paint, 'millilitres' => (float) $millilitres]);
                }
            }
        }
        Schema::table('run_steps', static fn (Blueprint $table) => $table->dropColumn('taken_ml'));
    }
};
