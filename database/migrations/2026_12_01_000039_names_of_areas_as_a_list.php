<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * A name may hold a comma: the areas of a step are a list. Earlier records have them joined; where the areas are still there under
 * those names, the list is theirs, otherwise what was joined stays one name.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('run_steps', static function (Blueprint $table): void {
            $table->json('area_names')->nullable();
        });
        DB::table('run_steps')->select(['id', 'area_name'])->orderBy('id')->chunkById(500, static function ($steps): void {
            $names = DB::table('run_step_areas')->join('areas', 'areas.id', '=', 'run_step_areas.area_id')->whereIn('run_step_id', $steps->pluck('id'))
                ->orderBy('run_step_areas.id')->get(['run_step_id', 'areas.name'])->groupBy('run_step_id');
            foreach ($steps as $step) {
                $own = array_values(array_filter($names->get((string) (is_scalar($step->id) ? $step->id : 0))?->pluck('name')->all() ?? [], is_string(...)));
                $joined = is_string($step->area_name) ? $step->area_name : '';
                $list = implode(', ', $own) === $joined ? $own : (count($own) > 1 ? explode(', ', $joined) : [$joined]);
                DB::table('run_steps')->where('id', $step->id)->update(['area_names' => json_encode($list)]);
            }
        });
    }

    public function down(): void
    {
        Schema::table('run_steps', static function (Blueprint $table): void {
            $table->dropColumn('area_names');
        });
    }
};
