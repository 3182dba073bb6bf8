<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('incoming_files', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->index()->constrained()->cascadeOnDelete();
            $table->string('kind', 16);
            $table->string('name');
            $table->string('path');
            $table->string('state')->default('waiting');
            $table->float('progress')->default(0);
            $table->boolean('stop_asked')->default(false);
            $table->boolean('both')->default(false);
            $table->text('problem')->nullable();
            $table->json('result')->nullable();
            $table->timestamps();
        });
    }
};
