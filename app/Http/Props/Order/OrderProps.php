<?php

declare(strict_types=1);

namespace App\Http\Props\Order;

use App\Adapters\Bench\AidedDrying;
use App\Models\Brief\Figure;
use App\Models\Finish\LayerPaint;
use Hyalin\Bench\DryingAid;
use Hyalin\Cautions\Cautions;
use Hyalin\Order\Checks\Issue;
use Hyalin\Order\Masking\MaskPlan;
use Hyalin\Order\Masking\Masks;
use Hyalin\Order\PlannedOrder;
use Hyalin\Order\WorkSteps;
use Hyalin\Plan\Constraint;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Step;

/**
 * The whole work in one order, with what it costs.
 */
final readonly class OrderProps
{
    /** Minutes below which no painter would call it a preference. */
    private const NOISE = 0.5;

    /**
     * @param  list<OrderStepProps>  $steps
     * @param  list<OrderRuleProps>  $rules
     * @param  list<UnmetProps>  $unmet  preferences that are not met, by rule
     * @param  list<MaskProps>  $masks
     * @param  list<IssueProps>  $issues
     * @param  int  $workSteps  at the bench: the steps, and masks put on and taken off
     * @param  int  $handsOnMinutes  of all of them
     * @param  float  $maskMm  taped and dabbed in all
     * @param  float  $estimatedMm  of these, that nobody has measured
     * @param  float  $cost  minutes of masking and of preferences not kept
     */
    public function __construct(
        public array $steps,
        public array $rules,
        public array $unmet,
        public array $masks,
        public array $issues,
        public int $workSteps,
        public int $handsOnMinutes,
        public float $maskMinutes,
        public float $maskMm,
        public float $estimatedMm,
        public float $cost,
        public bool $canBePainted,
    ) {
    }

    public static function of(Figure $figure, FigurePlan $plan, PlannedOrder $order): self
    {
        $hexes = [];
        foreach ($figure->areasWithFinishes() as $area) {
            foreach ($area->layers as $layer) {
                $hexes[$layer->key] = array_values($layer->paints->map(static fn (LayerPaint $p): string => $p->paint->thick_hex)->all());
            }
        }
        $aid = app(AidedDrying::class)->aid($figure->painter_id);
        $steps = [];
        foreach ($order->steps as $step) {
            $steps[(string) $step->id] = $step;
        }
        $process = [];
        foreach ($plan->parts as $part) {
            $process[$part->id] = $part->process;
        }
        $broken = array_map(self::key(...), $order->broken);

        return new self(
            array_map(static fn (Step $s): OrderStepProps => self::step($plan, $s, $aid, $hexes, $process[$s->parts[0] ?? ''] ?? PrintProcess::Resin), $order->steps),
            array_map(
                static fn (Constraint $c): OrderRuleProps => new OrderRuleProps((string) $c->before, (string) $c->after, $c->weight, $c->rule, $c->reason, ! in_array(self::key($c), $broken, true)),
                $order->constraints,
            ),
            self::unmet($order),
            masks: array_map(static fn (MaskPlan $m): MaskProps => self::mask($plan, $m, $aid, $steps[(string) $m->after] ?? null), $order->masks),
            issues: array_map(
                static fn (Issue $t): IssueProps => new IssueProps($t->what, $t->remedy, $t->stops, $t->step === null ? null : (string) $t->step, $t->area === null ? null : (int) $t->area),
                $order->issues,
            ),
            workSteps: count($work = WorkSteps::of($plan, $order)),
            handsOnMinutes: array_sum(array_map(static fn (Step $s): int => $s->minutes, $work)),
            maskMinutes: $order->maskMinutes(),
            maskMm: $order->maskMm(),
            estimatedMm: $order->estimatedMm(),
            cost: $order->cost(),
            canBePainted: $order->canBePainted(),
        );
    }

    /** @param  array<string, list<string>>  $hexes  by layer */
    private static function step(FigurePlan $plan, Step $step, DryingAid $aid, array $hexes, PrintProcess $process): OrderStepProps
    {
        return new OrderStepProps(
            (string) $step->id,
            $step->kind,
            $step->words,
            partIds: $step->parts,
            areaNames: array_map(static fn (string $id): string => $plan->area($id)->name ?? '', $step->areas),
            minutes: $step->minutes,
            dryMinutes: $aid->minutes($step->dryMinutes, $step->chemistry()),
            hexes: $hexes[$step->layer()->key ?? ''] ?? [],
            cautions: [...array_values(Cautions::at($step, $process)), ...($step->caution === null ? [] : [$step->caution])],
            cleaner: $step->kind->isSprayed() ? $step->layer()?->cleaner : null,
            tool: $step->tool(),
        );
    }

    private static function mask(FigurePlan $plan, MaskPlan $mask, DryingAid $aid, ?Step $after): MaskProps
    {
        return new MaskProps(
            (string) $mask->step,
            $mask->after === null ? null : (string) $mask->after,
            array_map(static fn (string $id): string => $plan->area($id)->name ?? '', $mask->protects),
            partId: $plan->area($mask->protects[0])->part ?? ($plan->parts[0] ?? new PartPlan('', '', PrintProcess::Resin))->id,
            material: $mask->material(),
            mm: $mask->borderMm(),
            squareCm: $mask->squareCm,
            minutes: $mask->minutes,
            dryMinutes: $after === null ? 0 : max(Masks::BEFORE_TAPE, $aid->minutes($mask->dryMinutes, $after->chemistry())),
            until: $mask->until->equals($mask->step) ? null : (string) $mask->until,
            estimatedMm: $mask->estimatedMm,
            mostMinutes: $mask->mostMinutes,
            peelMinutes: $mask->peelMinutes,
            peel: $mask->peel,
            warning: $mask->warning,
        );
    }

    /** @return list<UnmetProps> but for what only decides between orders that are otherwise alike */
    private static function unmet(PlannedOrder $order): array
    {
        $unmet = array_filter($order->unmet(), static fn (array $of): bool => PlannedOrder::weight($of) >= self::NOISE);

        return array_values(array_map(UnmetProps::of(...), array_keys($unmet), $unmet));
    }

    private static function key(Constraint $c): string
    {
        return "{$c->before}\n{$c->after}\n{$c->rule}";
    }
}
