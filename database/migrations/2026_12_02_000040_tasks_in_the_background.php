<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('tasks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->foreignId('figure_id')->constrained()->cascadeOnDelete();
            $table->string('kind');
            $table->string('state');
            $table->float('progress')->default(0);
            $table->boolean('stop_asked')->default(false);
            $table->text('problem')->nullable();
            // What was asked, where the next one asked for builds on it.
            $table->json('input')->nullable();
            $table->timestamps();
            $table->index('painter_id');
        });
        // Two at once would each undo what the other has done.
        DB::statement("CREATE UNIQUE INDEX tasks_one_at_a_time ON tasks (figure_id) WHERE state IN ('waiting', 'running')");
    }
};
