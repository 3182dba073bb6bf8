<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Bench\PaintNeeds;
use App\Http\Props\DropsProps;
use App\Models\Bench\RunStep;

/**
 * How much to put into the cup for one step: an estimate.
 */
final readonly class StepNeedProps
{
    /**
     * @param  list<DropsProps>  $cup  whole drops of each pot, for all figures of the step; empty for a can
     * @param  float  $millilitres  of thinned mix, with what the cup keeps
     * @param  int  $figures  it is estimated for
     * @param  float  $learned  factor from what past runs used; 1 while there are none
     */
    public function __construct(public array $cup, public float $millilitres, public float $keptMillilitres, public int $figures, public float $learned)
    {
    }

    public static function of(RunStep $step): ?self
    {
        $needs = app(PaintNeeds::class);
        $need = $needs->of($step);
        $drops = $needs->drops($step);
        if ($need === null || $step->planned_mix === [] || $step->technique === null) {
            return null;
        }
        $cup = $drops === [] ? [] : array_map(
            static fn (array $e): DropsProps => new DropsProps($e['paintId'], $e['maker'], $e['name'], $e['hex'], $drops[$e['paintId']] ?? $e['drops']),
            $step->used_mix ?? $step->planned_mix,
        );

        return new self($cup, $need->mixedMillilitres(), $need->keptMillilitres, $step->figures(), $needs->learned($step->run->painter_id, $step->technique));
    }
}
