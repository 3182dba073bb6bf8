<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('areas', function (Blueprint $table): void {
            // Recess to edge, adding up to 1, as the mesh has them; null for the usual.
            $table->json('zone_shares')->nullable();
        });
    }
};
