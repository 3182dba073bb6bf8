<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('schedules', static function (Blueprint $table): void {
            // What stands in another session than before it was planned again, and why.
            $table->json('moved')->nullable();
        });
        Schema::table('run_steps', static function (Blueprint $table): void {
            // The painter went on although the paint beneath was still wet.
            $table->boolean('went_on_wet')->default(false);
        });
        Schema::table('parts', static function (Blueprint $table): void {
            // Grits to begin and end with, and rounds of filler primer to expect; null for the usual of the print.
            $table->unsignedSmallInteger('grit_from')->nullable();
            $table->unsignedSmallInteger('grit_to')->nullable();
            $table->unsignedTinyInteger('sanding_rounds')->nullable();
        });
        Schema::table('figures', static function (Blueprint $table): void {
            // What will be done with it: handled, worn, played with, stood in the sun.
            $table->json('uses')->nullable();
        });
        Schema::create('own_steps', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->index()->constrained()->cascadeOnDelete();
            $table->foreignId('part_id')->nullable()->index()->constrained()->nullOnDelete();
            // Stays with the step through every edit and file: the order of work names it by this.
            $table->string('key', 26)->unique();
            $table->string('words', 300);
            $table->string('tool', 60)->nullable();
            $table->unsignedSmallInteger('minutes');
            $table->unsignedSmallInteger('dry_minutes')->default(0);
            $table->string('caution', 300)->nullable();
            // As the order of work names them: what must come before it, and what after; null for nothing.
            $table->string('after')->nullable();
            $table->string('before')->nullable();
            $table->timestamps();
        });
    }
};
