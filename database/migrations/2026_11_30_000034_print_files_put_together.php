<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** What a file was before it was pulled apart, with each of the files that it became. */
    public function up(): void
    {
        Schema::table('meshes', static function (Blueprint $table): void {
            $table->string('apart_path')->nullable()->index();
            $table->unsignedInteger('apart_group')->nullable();
            $table->json('apart_record')->nullable();
        });
    }
};
