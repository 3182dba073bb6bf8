<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pictures', function (Blueprint $table): void {
            $table->string('kind')->default('artwork');
            // Whether the light in it is painted on or real; null until the painter was asked.
            $table->string('shading')->nullable();
            // Left, top, width, height, 0..1.
            $table->json('crop')->nullable();
            // What it was neutralised on: method, points, reflectance.
            $table->json('neutral')->nullable();
            // The pixels still lie on the grid of 8 x 8 blocks they were compressed in.
            $table->boolean('block_grid')->default(false);
            // What was found out when it came in, in words.
            $table->json('remarks')->nullable();
        });

        Schema::table('samples', function (Blueprint $table): void {
            $table->json('doubts')->nullable();
        });

        Schema::table('areas', function (Blueprint $table): void {
            // CIEDE2000 that the painted piece may differ by; null for the usual.
            $table->double('tolerance')->nullable();
        });

        // Colours found on a photo of the painted piece.
        Schema::create('findings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('picture_id')->constrained()->cascadeOnDelete();
            $table->foreignId('area_id')->constrained()->cascadeOnDelete();
            $table->string('zone');
            $table->string('method');
            $table->json('outline');
            $table->double('lightness');
            $table->double('a');
            $table->double('b');
            $table->double('spread');
            $table->unsignedInteger('pixels');
            $table->double('clipped');
            $table->json('doubts')->nullable();
            $table->timestamps();
            $table->unique(['picture_id', 'area_id', 'zone']);
        });

        // How the outcome of a pot put on by a technique differs from what was predicted.
        Schema::create('corrections', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->foreignId('paint_id')->constrained()->cascadeOnDelete();
            $table->string('technique');
            // 36 factors of the predicted reflectance.
            $table->json('factors');
            $table->unsignedInteger('seen');
            $table->double('difference');
            $table->timestamp('taken_at')->nullable();
            $table->timestamps();
            $table->unique(['painter_id', 'paint_id', 'technique']);
        });

        Schema::create('proposal_searches', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->json('request');
            $table->string('state')->default('waiting');
            $table->double('progress')->default(0);
            $table->boolean('stop_asked')->default(false);
            $table->json('result')->nullable();
            $table->timestamps();
        });
    }
};
