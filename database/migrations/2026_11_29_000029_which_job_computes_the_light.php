<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('light_studies', static function (Blueprint $table): void {
            // Asked again, the job that was asked before says nothing any more.
            $table->string('job')->nullable();
        });
    }
};
