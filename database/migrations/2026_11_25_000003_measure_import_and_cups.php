<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('paints', function (Blueprint $table): void {
            // Second face of flakes and colour-shift powders, seen from the side.
            $table->string('flop_hex', 7)->nullable();
            // What the painter says of this pot where its kind's defaults are wrong: grams a millilitre, mL, minutes ...
            $table->json('facts')->nullable();
            // The readings that K and S came from, so that they can be solved anew.
            $table->json('readings')->nullable();
        });

        Schema::create('shelf_imports', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->string('file_name');
            $table->longText('text');
            $table->string('state')->default('waiting');
            $table->double('progress')->default(0);
            $table->json('paint_ids')->nullable();
            $table->text('problem')->nullable();
            $table->timestamps();
        });

        Schema::create('cups', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->foreignId('area_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name');
            // Colour it is to reach when dry, D65.
            $table->double('target_l')->nullable();
            $table->double('target_a')->nullable();
            $table->double('target_b')->nullable();
            $table->unsignedSmallInteger('pot_life_minutes')->default(240);
            $table->timestamp('emptied_at')->nullable();
            $table->timestamps();
        });

        // A cup is what was done to it, in order: nothing is overwritten, a wrong drop is marked undone.
        Schema::create('cup_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cup_id')->constrained()->cascadeOnDelete();
            // Chosen by the browser: the same entry sent twice is one entry.
            $table->ulid('key');
            $table->string('act');
            $table->foreignId('paint_id')->nullable()->constrained()->restrictOnDelete();
            $table->double('millilitres');
            $table->timestamp('undone_at')->nullable();
            $table->timestamps();
            $table->unique(['cup_id', 'key']);
        });
    }
};
