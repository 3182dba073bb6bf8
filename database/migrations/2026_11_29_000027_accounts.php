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
            $table->boolean('is_owner')->default(false);
        });
        Schema::create('invitations', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->constrained()->cascadeOnDelete();
            $table->index('painter_id');
            $table->string('token_hash')->unique();
            $table->timestamp('expires_at');
            $table->timestamp('used_at')->nullable();
            $table->timestamps();
        });
        Schema::create('password_reset_tokens', static function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
    }
};
