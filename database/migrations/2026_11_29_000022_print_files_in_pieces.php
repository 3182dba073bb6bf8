<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('mesh_uploads', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('figure_id')->index()->constrained()->cascadeOnDelete();
            $table->foreignId('mesh_id')->nullable()->index()->constrained()->nullOnDelete();
            $table->string('name');
            $table->unsignedBigInteger('bytes');
            // What the browser knows of the file: the same one goes on where it was broken off.
            $table->string('fingerprint');
            $table->unsignedBigInteger('received')->default(0);
            $table->string('path');
            $table->string('state')->default('sending');
            $table->text('problem')->nullable();
            $table->timestamps();
        });
        Schema::table('meshes', static function (Blueprint $table): void {
            $table->string('sha256', 64)->nullable();
        });
    }
};
