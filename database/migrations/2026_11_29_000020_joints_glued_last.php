<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('joints', static function (Blueprint $table): void {
            // Painted apart and joined when both parts are finished, whatever it hides.
            $table->boolean('is_last')->default(false);
        });
    }
};
