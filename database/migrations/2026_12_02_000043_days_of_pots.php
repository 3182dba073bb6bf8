<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * The day a pot was opened, and the one until which it is good: paint, primer and varnish thicken and go off.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('paints', static function (Blueprint $table): void {
            $table->string('opened_on', 10)->nullable();
            $table->string('good_until', 10)->nullable();
        });
    }
};
