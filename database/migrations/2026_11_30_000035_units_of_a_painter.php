<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('painters', static function (Blueprint $table): void {
            $table->string('length_unit', 4)->default('mm');
            $table->string('volume_unit', 8)->default('mL');
        });
    }
};
