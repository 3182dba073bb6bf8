<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\StepKind;

/**
 * Turns the stack of an area into work for the order: its colours become plain words, its techniques kinds of work.
 */
final class StackWork
{
    /**
     * @param  list<LayerRecipe>  $stack  from the print upwards
     * @return int how many layers at the bottom are sprayed on the whole figure before anything is masked
     */
    public static function priming(array $stack): int
    {
        foreach ($stack as $n => $layer) {
            if (! $layer->isPriming()) {
                return $n;
            }
        }

        return count($stack);
    }

    /**
     * What each priming layer has in common with those of other areas that are sprayed in the same go.
     *
     * @param  list<LayerRecipe>  $stack
     * @return list<string>
     */
    public static function sharing(array $stack): array
    {
        $shared = [];
        foreach (array_slice($stack, 0, self::priming($stack)) as $layer) {
            $shared[] = ($shared[count($shared) - 1] ?? '').$layer->signature();
        }

        return $shared;
    }

    /**
     * @param  list<LayerRecipe>  $stack
     * @param  float  $squareCm  of the area
     * @param  float  $edgeMm  around it
     * @param  array<string, float>  $learned  by technique: factor on its usual minutes
     * @return list<LayerPlan>
     */
    public static function plans(array $stack, float $squareCm, float $edgeMm, array $learned = []): array
    {
        $sharing = self::sharing($stack);
        $plans = [];
        foreach ($stack as $n => $layer) {
            $factor = $learned[$layer->technique->value] ?? 1.0;
            $plans[] = self::plan($layer, $sharing[$n] ?? null, $layer->handsOnMinutes($squareCm, $edgeMm, $factor), $factor);
        }

        return $plans;
    }

    private static function kind(LayerRecipe $layer, bool $isPriming): StepKind
    {
        $step = $layer->technique->spec()->step;
        if ($isPriming) {
            return StepKind::Prime;
        }

        return $step === StepKind::Varnish && ! $layer->isVarnish() ? StepKind::Brush : $step;
    }

    private static function plan(LayerRecipe $layer, ?string $shared, int $minutes, float $factor): LayerPlan
    {
        $pot = $layer->mainPot();
        $spec = $layer->technique->spec();

        return new LayerPlan(
            $layer->key,
            self::kind($layer, $shared !== null),
            $layer->words(),
            chemistry: $pot->chemistry(),
            minutes: $minutes,
            dryMinutes: $layer->dryingMinutes(),
            cureMinutes: $pot->curingMinutes(),
            cleaner: $pot->cleaner(),
            shared: $shared,
            isFlake: $layer->isFlake(),
            isChrome: $layer->isChrome(),
            sheen: $layer->sheen()?->value,
            covers: $layer->covers(),
            isOverFluid: $spec->isOverFluid,
            tone: $spec->tone,
            lightness: $pot->thick->toXyz()->toLab()->lightness,
            isFromCan: $spec->application === Application::SprayCan,
            mix: $layer->mixKey(),
            setUpMinutes: (int) floor($factor * $layer->coats * $spec->minutes->setUp),
            blendsWet: $spec->blendsWet,
        );
    }
}
