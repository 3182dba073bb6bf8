<?php

declare(strict_types=1);

namespace Hyalin\Order\Checks;

use Hyalin\Order\Masking\MaskRun;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\Reach;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepId;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use Hyalin\Pot\Compatibility;

/**
 * Whether a plan is complete and its films get on with each other: nothing planned is lost, nothing that shows is
 * unpainted, nothing attacks what lies beneath.
 */
final class Checks
{
    /**
     * @param  list<Step>  $steps
     * @return list<Issue> those that stop the plan first
     */
    public static function of(FigurePlan $figure, array $steps): array
    {
        $found = [...self::chemistry($figure), ...self::completeness($figure, $steps), ...Habits::of($figure), ...self::borders($figure, $steps), ...Care::of($figure), ...Unseen::of($figure)];
        usort($found, static fn (Issue $p, Issue $q): int => $q->stops <=> $p->stops);

        return $found;
    }

    /** @return list<Issue> */
    private static function chemistry(FigurePlan $figure): array
    {
        $found = [];
        foreach ($figure->areas as $area) {
            $below = $previous = null;
            $sealed = $glossy = false;
            $cured = 0;
            foreach ($area->layers as $layer) {
                if ($layer->kind === StepKind::Varnish && $layer->chemistry !== Chemistry::Gel) {
                    if ($below === Chemistry::Gel && $layer->sheen !== 'gloss') {
                        $found[] = new Issue("{$area->name}, {$layer->words}: it clouds the gel beneath.", 'Put it beneath the gel: gel dries clear and glossy by itself.', false, StepId::layer($layer->key), $area->id);
                    }
                    if ($below === Chemistry::Wax) {
                        $found[] = new Issue("{$area->name}, {$layer->words}: varnish over wax dulls its shine, and holds badly until the wax is hard.", 'Wait a day, mist it on, or put the wax over the varnish.', false, StepId::layer($layer->key), $area->id);
                    }
                    if ($below !== null && $layer->chemistry === Chemistry::Lacquer && $below !== Chemistry::Lacquer) {
                        $found[] = new Issue("{$area->name}, {$layer->words}: lacquer varnish attacks the {$below->value} beneath when it is put on wet.", 'Let that cure for a day, mist the first coats on dry, and try it on a scrap.', false, StepId::layer($layer->key), $area->id);
                    }
                    $sealed = true;
                    $cured = $layer->cureMinutes;
                    $glossy = $layer->sheen === 'gloss';
                    $previous = $layer;

                    continue;
                }
                $pair = $below === null ? Compatibility::fine() : $layer->chemistry->over($below, $sealed, $cured);
                if (! $pair->isAllowed) {
                    $remedy = $figure->circumstances->hasVarnish ? "Put {$pair->remedy}." : "It needs {$pair->remedy}, and there is none on the shelf.";
                    $found[] = new Issue("{$area->name}, {$layer->words}: {$pair->reason}.", $remedy, true, StepId::layer($layer->key), $area->id);
                } elseif ($pair->minutes > 0) {
                    $found[] = new Issue("{$area->name}, {$layer->words}: {$pair->reason}.", self::wait($pair->minutes), false, StepId::layer($layer->key), $area->id);
                }
                if ($layer->kind === StepKind::Decal && ! $glossy) {
                    $found[] = new Issue("{$area->name}: a decal on anything but gloss turns silvery.", 'Put a gloss varnish beneath it.', false, StepId::layer($layer->key), $area->id);
                }
                if ($layer->blendsWet && ($previous === null || $previous->kind === StepKind::Varnish || $previous->kind === StepKind::Prime)) {
                    $found[] = new Issue("{$area->name}, {$layer->words}: there is no wet paint beneath it to blend into.", 'Put a coat of paint beneath it, or make it a glaze.', false, StepId::layer($layer->key), $area->id);
                }
                $previous = $layer;
                if ($glossy && $layer->chemistry !== Chemistry::Wax && in_array($layer->kind, [StepKind::Brush, StepKind::DryBrush, StepKind::Prime, StepKind::Spray], true)) {
                    $found[] = new Issue(
                        "{$area->name}, {$layer->words}: paint adheres badly to gloss.",
                        'Key it with P800, or dull it with a matt coat first.',
                        false,
                        StepId::layer($layer->key),
                        $area->id,
                    );
                }
                $below = $layer->chemistry;
                $cured = $layer->cureMinutes;
                $sealed = false;
                $glossy = $layer->chemistry === Chemistry::Gel;
            }
        }

        return $found;
    }

    /**
     * @param  list<Step>  $steps
     * @return list<Issue>
     */
    private static function completeness(FigurePlan $figure, array $steps): array
    {
        $found = $bare = [];
        $planned = [];
        foreach ($steps as $step) {
            foreach ($step->layers as $layer) {
                $planned[$layer->key] = true;
            }
        }
        foreach ($figure->areas as $area) {
            if ($area->isHidden) {
                $found[] = new Issue("{$area->name} is hidden on the finished figure: it needs no paint.", null, false, null, $area->id);

                continue;
            }
            if ($area->isLeftBare) {
                if ($area->layers !== []) {
                    $found[] = new Issue("{$area->name} is to be left bare, and has layers.", 'Remove its layers, or say that it is painted.', true, null, $area->id);
                }

                continue;
            }
            if ($area->layers === []) {
                $found[] = new Issue("{$area->name} is visible and has no layer yet.", 'Build its finish, or mark it as hidden or left bare under Build.', false, null, $area->id);

                continue;
            }
            foreach ($area->layers as $layer) {
                if (! isset($planned[$layer->key])) {
                    $found[] = new Issue("{$area->name}, {$layer->words}: planned, but not in any step.", null, true, null, $area->id);
                }
            }
            foreach ($area->layers as $layer) {
                if (! $area->reach->allows($layer->kind)) {
                    $found[] = self::unreached($area, $layer);
                    break;
                }
            }
            $first = $area->layers[0];
            if ($area->liesOn === null && $first->kind !== StepKind::Prime && ! $first->isFlake) {
                $found[] = new Issue("{$area->name} begins with {$first->words} on the bare print.", 'Paint adheres to primer: add a primer first.', false, StepId::layer($first->key), $area->id);
            }
            if ($area->layers[count($area->layers) - 1]->kind !== StepKind::Varnish && ! self::endsBare($area)) {
                $bare[] = $area;
            }
        }
        if ($bare !== []) {
            $names = implode(', ', array_map(static fn (AreaPlan $a): string => $a->name, $bare));
            $found[] = new Issue(
                count($bare) === 1 ? "{$names} ends without a varnish." : count($bare)." areas end without a varnish: {$names}.",
                'Nothing protects them from handling; the last coat sets the sheen.',
                false,
                null,
                count($bare) === 1 ? $bare[0]->id : null,
            );
        }

        return $found;
    }

    /**
     * @param  list<Step>  $steps
     * @return list<Issue>
     */
    private static function borders(FigurePlan $figure, array $steps): array
    {
        $unstated = array_filter($steps, MaskRun::isSpray(...)) === [] ? [] : $figure->neighbourhood()->unstated;
        $names = implode(', ', array_map(static fn (string $id): string => $figure->area($id)->name ?? $id, $unstated));

        return $unstated === [] ? [] : [new Issue(
            "The border of {$names} is not stated: masks along it are estimated from the size of the area.",
            'Enter under Build where it meets its neighbours, or 0 mm where it does not.',
            false,
            null,
            count($unstated) === 1 ? $unstated[0] : null,
        )];
    }

    private static function unreached(AreaPlan $area, LayerPlan $layer): Issue
    {
        $remedy = $area->reach === Reach::None
            ? 'It stays the colour of its primer: choose that well, or paint it before another part is glued over it.'
            : 'Apply it by brush, or spray it before its parts are glued.';

        return new Issue("{$area->name}, {$layer->words}: it cannot be reached this way ({$area->reach->value}).", $remedy, true, StepId::layer($layer->key), $area->id);
    }

    /** Chrome, powders and wax get none. */
    private static function endsBare(AreaPlan $area): bool
    {
        $last = $area->layers[count($area->layers) - 1] ?? null;

        return $last !== null && ($last->isChrome || $last->kind === StepKind::Powder || $last->chemistry === Chemistry::Wax);
    }

    private static function wait(int $minutes): string
    {
        return $minutes >= 2 * 24 * 60 ? 'Wait '.intdiv($minutes, 24 * 60).' days.' : 'Wait '.intdiv($minutes, 60).' hours.';
    }
}
