<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('run_steps', static function (Blueprint $table): void {
            // What moving or warm air left of the drying time when the step was done; null in still air.
            $table->unsignedSmallInteger('aided_minutes')->nullable();
        });
    }
};
