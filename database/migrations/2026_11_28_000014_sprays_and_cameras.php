<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('light_studies', function (Blueprint $table): void {
            // x, y, z, -x, -y or -z; null for the usual one beside up.
            $table->string('front')->nullable();
            // Of the sprays that differ from the usual.
            $table->json('sprays')->nullable();
            // From where the figure is looked at: on the bench, beside photos, on the card.
            $table->json('camera')->nullable();
            $table->string('still')->nullable();
        });
        Schema::table('areas', function (Blueprint $table): void {
            // What each directed spray gives to each zone, as the mesh has it; null for the usual.
            $table->json('zone_exposures')->nullable();
        });
        Schema::table('pictures', function (Blueprint $table): void {
            // From where the mesh looks as the photo does.
            $table->json('camera')->nullable();
        });
    }
};
