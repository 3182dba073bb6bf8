<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('areas', static function (Blueprint $table): void {
            // A clear lens, a printed colour: it gets no paint, and every spray keeps off it.
            $table->boolean('is_left_bare')->default(false);
        });
        Schema::table('figures', static function (Blueprint $table): void {
            // Whether its plan could not be painted when it was last looked at.
            $table->boolean('is_stopped')->default(false);
        });
        Schema::table('run_steps', static function (Blueprint $table): void {
            // What the step takes before the painter's own runs have told more: what is learned is measured against it.
            $table->unsignedSmallInteger('usual_minutes')->nullable();
            // Done by mistake or as a trial: left out when the run is repeated or becomes the recipe.
            $table->string('verdict')->nullable();
        });
    }
};
