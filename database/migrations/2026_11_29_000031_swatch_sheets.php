<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('swatch_sheets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->index()->constrained()->cascadeOnDelete();
            $table->foreignId('white_id')->nullable()->index()->constrained('paints')->nullOnDelete();
            $table->string('paper', 8)->default('a4');
            $table->float('grey')->default(0.18);
            $table->timestamps();
        });
        Schema::create('swatch_fields', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('sheet_id')->constrained('swatch_sheets')->cascadeOnDelete();
            $table->unsignedTinyInteger('position');
            $table->foreignId('paint_id')->index()->constrained()->cascadeOnDelete();
            // A strip of a technique instead of the swatches of a pot.
            $table->string('technique', 40)->nullable();
            $table->float('thinner')->default(0);
            $table->unsignedTinyInteger('coats')->default(1);
            $table->unique(['sheet_id', 'position']);
        });
        Schema::create('sheet_photos', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('sheet_id')->index()->constrained('swatch_sheets')->cascadeOnDelete();
            $table->string('path')->nullable();
            $table->string('state', 16)->default('waiting');
            $table->float('progress')->default(0);
            $table->boolean('stop_asked')->default(false);
            $table->string('problem', 500)->nullable();
            $table->json('result')->nullable();
            $table->json('fits')->nullable();
            $table->timestamp('kept_at')->nullable();
            $table->timestamps();
        });
    }
};
