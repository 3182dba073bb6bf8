<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('chips', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->string('technique');
            $table->foreignId('paint_id')->constrained()->restrictOnDelete();
            $table->double('thinner');
            $table->unsignedTinyInteger('coats');
            // Reflectance of the card, without surface reflection.
            $table->double('card');
            // 36 reflectances as seen from outside.
            $table->json('read');
            $table->timestamps();
        });

        Schema::create('technique_hands', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->string('technique');
            // Factors of the usual profile, with one standard deviation.
            $table->double('coverage');
            $table->double('coverage_deviation');
            $table->double('thickness');
            $table->double('thickness_deviation');
            $table->unsignedInteger('chips');
            $table->timestamps();
            $table->unique(['painter_id', 'technique']);
        });
    }
};
