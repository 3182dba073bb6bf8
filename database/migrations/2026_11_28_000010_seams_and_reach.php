<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('joints', function (Blueprint $table): void {
            $table->string('seam')->default('fits');
        });
        Schema::table('areas', function (Blueprint $table): void {
            $table->string('reach')->default('open');
        });
    }
};
