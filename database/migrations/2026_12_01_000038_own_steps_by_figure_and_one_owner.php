<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * The key of an own step is its figure's: a figure taken in a second time, or by another painter, brings the same ones. An
 * installation has one owner, whatever is signed up at once; of several that there are, the longest-standing stays.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('own_steps', static function (Blueprint $table): void {
            $table->dropUnique(['key']);
            $table->unique(['figure_id', 'key']);
        });
        // Runs of the version that stored wrong minutes of masks are looked at once (hyalin:correct-masks), others never.
        Schema::table('runs', static function (Blueprint $table): void {
            $table->boolean('needs_mask_check')->default(false);
        });
        DB::table('runs')->update(['needs_mask_check' => true]);
        // Measured areas of less than half a hundredth were rounded to nothing, of which no paint can be calculated.
        foreach (['areas', 'run_steps'] as $table) {
            DB::table($table)->where('square_cm', '<=', 0)->update(['square_cm' => 0.01]);
        }
        $owner = DB::table('painters')->where('is_owner', true)->min('id');
        DB::table('painters')->where('is_owner', true)->where('id', '!=', $owner)->update(['is_owner' => false]);
        DB::statement('create unique index painters_one_owner on painters (is_owner) where is_owner');
    }

    public function down(): void
    {
        DB::statement('drop index painters_one_owner');
        Schema::table('runs', static function (Blueprint $table): void {
            $table->dropColumn('needs_mask_check');
        });
        Schema::table('own_steps', static function (Blueprint $table): void {
            $table->dropUnique(['figure_id', 'key']);
            $table->unique('key');
        });
    }
};
