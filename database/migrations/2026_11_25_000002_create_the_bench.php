<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('paints', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position')->default(0);
            $table->string('maker');
            $table->string('name');
            $table->string('kind');
            $table->string('sheen');
            $table->unsignedTinyInteger('level_percent')->default(100);
            // Colour of a thick layer as typed or read, off its highlight.
            $table->string('thick_hex', 7);
            $table->string('opacity');
            $table->string('strength');
            // 36 numbers each, per reference coat.
            $table->json('absorption');
            $table->json('scattering');
            $table->string('quality');
            $table->text('note')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->softDeletes();
        });

        Schema::create('figures', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('sculptor')->nullable();
            $table->unsignedInteger('height_mm')->nullable();
            $table->unsignedSmallInteger('copies')->default(1);
            $table->text('about')->nullable();
            // Colour of the bare print.
            $table->string('bare_hex', 7)->default('#8c8c8c');
            $table->string('light')->default('D65');
            $table->string('sheen')->default('matt');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });

        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->unsignedInteger('position')->default(0);
            $table->timestamps();
        });

        Schema::create('areas', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->foreignId('part_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name');
            $table->text('wish')->nullable();
            $table->unsignedInteger('position')->default(0);
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });

        Schema::create('pictures', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->string('title');
            $table->string('path');
            $table->unsignedInteger('width');
            $table->unsignedInteger('height');
            $table->timestamps();
        });

        Schema::create('samples', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('area_id')->constrained()->cascadeOnDelete();
            $table->foreignId('picture_id')->constrained()->cascadeOnDelete();
            $table->string('zone');
            $table->string('method');
            // Picture coordinates, 0..1 of width and height.
            $table->json('outline');
            $table->double('lightness');
            $table->double('a');
            $table->double('b');
            $table->double('spread');
            $table->unsignedInteger('pixels');
            $table->double('clipped');
            $table->timestamps();
            $table->unique(['area_id', 'zone']);
        });

        Schema::create('layers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('area_id')->constrained()->cascadeOnDelete();
            // Stays the same through every edit: runs and their notes hang on it.
            $table->ulid('key');
            $table->unsignedInteger('position');
            $table->string('technique');
            $table->json('zones');
            $table->double('thinner');
            $table->unsignedTinyInteger('coats');
            $table->text('note')->nullable();
            $table->timestamps();
            $table->unique(['area_id', 'key']);
        });

        Schema::create('layer_paints', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('layer_id')->constrained()->cascadeOnDelete();
            // A pot taken off the shelf is only marked so; the recipe keeps it as it was.
            $table->foreignId('paint_id')->constrained()->restrictOnDelete();
            $table->unsignedTinyInteger('drops');
            $table->unsignedTinyInteger('position');
            $table->unique(['layer_id', 'paint_id']);
        });

        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->foreignId('repeats_id')->nullable()->constrained('runs')->nullOnDelete();
            $table->unsignedInteger('number');
            $table->timestamp('finished_at')->nullable();
            $table->timestamps();
            $table->unique(['figure_id', 'number']);
        });

        Schema::create('run_steps', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->string('layer_key', 26);
            $table->string('part_name')->nullable();
            $table->string('area_name');
            $table->string('technique');
            $table->json('zones');
            $table->double('thinner');
            $table->unsignedTinyInteger('coats');
            // The mix and the colours as they were planned when the run began.
            $table->json('planned_mix');
            $table->json('planned_colours');
            $table->unsignedSmallInteger('drying_minutes');
            $table->string('state')->default('open');
            $table->json('used_mix')->nullable();
            $table->unsignedTinyInteger('used_coats')->nullable();
            $table->text('note')->nullable();
            $table->timestamp('done_at')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->unique(['run_id', 'position']);
        });

        Schema::create('set_aside_edits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->string('subject');
            $table->unsignedBigInteger('subject_id');
            $table->unsignedInteger('based_on');
            $table->json('values');
            $table->timestamps();
        });

        Schema::create('mix_searches', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->foreignId('area_id')->constrained()->cascadeOnDelete();
            $table->json('request');
            $table->string('state')->default('waiting');
            $table->double('progress')->default(0);
            $table->boolean('stop_asked')->default(false);
            $table->json('result')->nullable();
            $table->timestamps();
        });
    }
};
