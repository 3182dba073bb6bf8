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
            // The area that this one lies on when that is finished: a decal, a freehand sign.
            $table->foreignId('lies_on_id')->nullable()->constrained('areas')->nullOnDelete();
        });

        Schema::table('paints', function (Blueprint $table): void {
            // Taken out into cups since the painter last said how full the pot is.
            $table->double('used_ml')->default(0);
        });
    }
};
