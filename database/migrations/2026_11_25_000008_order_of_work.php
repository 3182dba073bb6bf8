<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('parts', function (Blueprint $table): void {
            $table->string('process')->default('resin');
            $table->boolean('is_base')->default(false);
            $table->boolean('is_fiddly')->default(false);
        });

        Schema::table('areas', function (Blueprint $table): void {
            // 0 lies innermost.
            $table->unsignedTinyInteger('depth')->default(0);
            // Square centimetres, typed in until a mesh measures them.
            $table->double('square_cm')->nullable();
            $table->boolean('is_hidden')->default(false);
        });

        Schema::table('painters', function (Blueprint $table): void {
            // Schools that differ from the default.
            $table->json('schools')->nullable();
        });

        Schema::table('figures', function (Blueprint $table): void {
            // The painter's own order of steps; null for the planned one.
            $table->json('own_order')->nullable();
        });

        Schema::create('joints', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->foreignId('part_id')->constrained()->cascadeOnDelete();
            $table->foreignId('other_id')->constrained('parts')->cascadeOnDelete();
            // Areas that cannot be reached once it is glued.
            $table->json('hides')->nullable();
            $table->timestamps();
            $table->unique(['part_id', 'other_id']);
        });

        Schema::create('boundaries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->foreignId('area_id')->constrained()->cascadeOnDelete();
            $table->foreignId('other_id')->constrained('areas')->cascadeOnDelete();
            $table->double('mm');
            $table->boolean('is_curved')->default(true);
            $table->timestamps();
            $table->unique(['area_id', 'other_id']);
        });

        Schema::create('own_rules', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            // Steps as the plan names them.
            $table->string('before');
            $table->string('after');
            // Minutes it is worth; null when it must be.
            $table->double('weight')->nullable();
            $table->string('reason');
            $table->timestamps();
        });
    }
};
