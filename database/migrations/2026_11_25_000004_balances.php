<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('balances', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->string('kind');
            $table->foreignId('area_id')->constrained()->cascadeOnDelete();
            $table->foreignId('other_id')->nullable()->constrained('areas')->cascadeOnDelete();
            $table->double('limit');
            $table->timestamps();
        });
    }
};
