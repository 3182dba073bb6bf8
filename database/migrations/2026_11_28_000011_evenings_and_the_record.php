<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('painters', function (Blueprint $table): void {
            // Weekday (1 Monday .. 7 Sunday), start "HH:MM", minutes.
            $table->json('bench_hours')->nullable();
            // Date => null for no evening, or start and minutes.
            $table->json('bench_exceptions')->nullable();
            $table->string('time_zone')->nullable();
            $table->string('drying_aid')->default('still air');
        });

        Schema::table('runs', function (Blueprint $table): void {
            $table->unsignedSmallInteger('copies')->default(1);
            $table->string('batch_mode')->default('step by step');
        });

        Schema::table('run_steps', function (Blueprint $table): void {
            // Work without paint has neither.
            $table->string('technique')->nullable()->change();
            $table->string('layer_key', 26)->nullable()->change();
        });
        Schema::table('run_steps', function (Blueprint $table): void {
            $table->string('kind')->default('brush');
            // As the order of work names it; null for steps that were inserted.
            $table->string('step_key')->nullable();
            $table->text('words')->nullable();
            $table->string('tool')->nullable();
            $table->json('cautions')->nullable();
            $table->json('part_ids')->nullable();
            $table->json('area_ids')->nullable();
            $table->unsignedSmallInteger('minutes')->default(0);
            $table->unsignedSmallInteger('used_minutes')->nullable();
            // Longest a mask may stay on.
            $table->unsignedSmallInteger('most_minutes')->nullable();
            $table->double('square_cm')->nullable();
            // Which figure of a batch, where it is painted figure by figure.
            $table->unsignedSmallInteger('copy')->nullable();
            $table->string('skip_reason')->nullable();
            $table->boolean('is_inserted')->default(false);
            $table->unsignedSmallInteger('used_drops')->nullable();
            // What left the pots when it was done, mL by paint.
            $table->json('taken_ml')->nullable();
            $table->foreignId('repeats_step_id')->nullable()->constrained('run_steps')->nullOnDelete();
        });

        Schema::table('pictures', function (Blueprint $table): void {
            $table->foreignId('run_step_id')->nullable()->constrained('run_steps')->nullOnDelete();
        });

        Schema::table('cups', function (Blueprint $table): void {
            $table->foreignId('run_step_id')->nullable()->constrained('run_steps')->nullOnDelete();
        });

        Schema::create('timers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->foreignId('run_id')->nullable()->constrained()->nullOnDelete();
            $table->ulid('key');
            $table->string('what');
            // A moment, not a counter: it runs on through a reload, a closed lid and a restart.
            $table->timestamp('ends_at');
            $table->timestamp('stopped_at')->nullable();
            $table->timestamps();
            $table->unique(['painter_id', 'key']);
        });

        Schema::create('schedules', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->unique()->constrained()->cascadeOnDelete();
            $table->unsignedInteger('laid')->default(1);
            $table->json('figure_ids');
            $table->json('sessions');
            $table->json('chain');
            $table->timestamp('finish');
            $table->timestamp('bound');
            $table->timestamps();
        });

        Schema::create('answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            // Chosen by the browser: a change that was sent twice is made once.
            $table->ulid('key');
            $table->unsignedSmallInteger('status');
            $table->longText('body');
            $table->timestamps();
            $table->unique(['painter_id', 'key']);
        });

        Schema::create('piece_readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->foreignId('area_id')->constrained()->cascadeOnDelete();
            $table->unsignedSmallInteger('copy');
            $table->double('lightness');
            $table->double('a');
            $table->double('b');
            $table->string('method');
            $table->timestamps();
            $table->unique(['run_id', 'area_id', 'copy']);
        });

        Schema::create('recipe_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->foreignId('run_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('number');
            $table->string('why');
            // The stack of every area, as it was.
            $table->json('finishes');
            $table->timestamps();
            $table->unique(['figure_id', 'number']);
        });
    }
};
