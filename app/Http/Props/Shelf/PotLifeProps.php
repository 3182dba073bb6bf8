<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Adapters\Bench\PaintNeed;
use App\Models\Cups\CupAct;
use App\Models\Shelf\Paint;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/**
 * Where the paint of a pot went.
 */
final readonly class PotLifeProps
{
    /**
     * @param  string|null  $since  on the shelf, ISO 8601; null for one of long ago
     * @param  float  $usedMl  mL, by steps and cups
     * @param  float  $leftMl  mL; an estimate from its level
     * @param  list<PotUseProps>  $uses  the latest first
     */
    public function __construct(public ?string $since, public float $usedMl, public float $leftMl, public array $uses)
    {
    }

    public static function of(Paint $paint): self
    {
        $uses = array_map(PotUseProps::of(...), array_values(self::steps($paint)->unionAll(self::cups($paint))->orderByDesc('at')->get()->all()));

        return new self(
            $paint->created_at?->toIso8601String(),
            array_sum(array_column($uses, 'millilitres')),
            PaintNeed::of($paint, 0.0)->need->hasMl,
            $uses,
        );
    }

    private static function steps(Paint $paint): Builder
    {
        return DB::table('run_step_paints as took')->join('run_steps as step', 'step.id', '=', 'run_step_id')->join('runs', 'runs.id', '=', 'step.run_id')->join('figures', 'figures.id', '=', 'runs.figure_id')
            ->where('paint_id', $paint->id)
            ->select(['step.done_at as at', 'took.millilitres', 'figures.name as figure', 'runs.id as run_id', 'runs.number as run', 'step.technique', 'step.area_name as area', DB::raw('null as cup_id')]);
    }

    /** Paint mixed beside a plan: a cup may be for a step, for an area, or for neither. */
    private static function cups(Paint $paint): Builder
    {
        return DB::table('cup_entries as took')->join('cups', 'cups.id', '=', 'cup_id')->leftJoin('run_steps as step', 'step.id', '=', 'cups.run_step_id')->leftJoin('runs', 'runs.id', '=', 'step.run_id')
            ->leftJoin('areas', 'areas.id', '=', 'cups.area_id')->leftJoin('figures', static fn (JoinClause $join) => $join->whereRaw('figures.id = coalesce(runs.figure_id, areas.figure_id)'))
            ->where('took.paint_id', $paint->id)->where('took.act', CupAct::Add)->whereNull('took.undone_at')
            ->select(['took.created_at as at', 'took.millilitres', 'figures.name as figure', 'runs.id as run_id', 'runs.number as run', 'step.technique', 'cups.name as area', 'cups.id as cup_id']);
    }
}
