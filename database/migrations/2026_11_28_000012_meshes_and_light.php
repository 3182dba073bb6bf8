<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('meshes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->foreignId('part_id')->nullable()->constrained()->nullOnDelete();
            $table->string('title');
            $table->string('path');
            $table->unsignedInteger('triangles');
            $table->json('measures');
            // mm of one unit of the file.
            $table->double('unit_mm')->default(1);
            // Where it stands on the finished figure: moved by mm, turned about up by degrees, mirrored.
            $table->json('pose')->nullable();
            // Area by piece of the file, where a whole piece is one area.
            $table->json('shell_areas')->nullable();
            $table->timestamps();
        });

        Schema::create('light_studies', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->foreignId('figure_id')->unique()->constrained()->cascadeOnDelete();
            $table->string('up')->default('z');
            $table->double('height_mm')->nullable();
            $table->double('spread')->default(30);
            $table->unsignedTinyInteger('passes')->default(2);
            $table->string('state')->default('waiting');
            $table->double('progress')->default(0);
            $table->boolean('stop_asked')->default(false);
            $table->text('problem')->nullable();
            // What it was computed from: another set of meshes or another pose makes it stale.
            $table->string('of')->nullable();
            $table->string('path')->nullable();
            $table->json('result')->nullable();
            $table->timestamps();
        });
    }
};
