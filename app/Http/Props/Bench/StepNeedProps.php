<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Bench\CupShare;
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
     * @param  int  $next  steps after this one that the same cup serves
     * @param  list<DropsProps>  $together  whole drops for this step and those; empty where it is the only one
     * @param  string|null  $mixedFor  areas of an earlier step that the cup was mixed for, this one with it; null where it has to be mixed
     */
    public function __construct(
        public array $cup,
        public float $millilitres,
        public float $keptMillilitres,
        public int $figures,
        public float $learned,
        public int $next,
        public array $together,
        public ?string $mixedFor,
    ) {
    }

    public static function of(RunStep $step, CupShare $share): ?self
    {
        $next = $share->next;
        $needs = app(PaintNeeds::class);
        $need = $needs->of($step);
        $drops = $needs->drops($step);
        if ($need === null || $step->planned_mix === [] || $step->technique === null) {
            return null;
        }
        $cup = self::cup($step, $drops);

        return new self(
            $cup,
            $need->mixedMillilitres(),
            $need->keptMillilitres,
            $step->figures(),
            $needs->learned($step->run->painter_id, $step->technique),
            $cup === [] ? 0 : count($next),
            $next === [] ? [] : self::cup($step, $needs->drops($step, ...$next)),
            $share->mixedFor?->where(),
        );
    }

    /**
     * @param  array<int, int>  $drops  by paint
     * @return list<DropsProps>
     */
    private static function cup(RunStep $step, array $drops): array
    {
        return $drops === [] ? [] : array_map(
            static fn (array $e): DropsProps => new DropsProps($e['paintId'], $e['maker'], $e['name'], $e['hex'], $drops[$e['paintId']] ?? $e['drops']),
            $step->used_mix ?? $step->planned_mix,
        );
    }
}
