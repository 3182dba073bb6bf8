<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('practice_rounds', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->index()->constrained()->cascadeOnDelete();
            $table->string('exercise', 16);
            // What it is about, for what one is weak at.
            $table->string('subject', 40);
            $table->float('level');
            $table->json('task');
            $table->json('answer')->nullable();
            $table->float('score')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::drop('practice_rounds');
    }
};
