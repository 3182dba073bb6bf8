<?php

declare(strict_types=1);

namespace Hyalin\Cautions;

use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Step;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;

/**
 * Dangers of a step, and the usual protection: common practice. The label, the safety data sheet and local rules
 * come first.
 */
final class Cautions
{
    public const FIRST = 'The label, the safety data sheet and local rules come first.';

    /** @return array<string, string> by kind of hazard */
    public static function at(Step $step, PrintProcess $process): array
    {
        $found = [];
        if ($step->kind === StepKind::Prepare) {
            $found['dust'] = 'Sanding dust: wear a particle respirator, sand wet, keep the dust out of the room.';
            $found['blades'] = 'Blades and drills: keep fingers away, wear eye protection.';
            if ($process === PrintProcess::Resin) {
                $found['resin'] = 'Uncured resin: nitrile gloves, eye protection, fresh air; never on the skin or into the drain. Cure it before sanding or disposal.';
            }
        }
        if ($step->kind === StepKind::Fill) {
            $found['resin'] = 'Resin and putty: nitrile gloves, fresh air; do not touch before it is cured.';
            $found['lamp'] = 'UV lamp: wear eye protection.';
        }
        if ($step->kind === StepKind::Glue) {
            $found['glue'] = 'Cyanoacrylate: fumes; bonds skin at once.';
        }
        if ($step->kind->isSprayed()) {
            $found['spray'] = 'Spray: respirator for organic vapour and particles, extraction or outdoors, no flame or spark.';
        }
        if (in_array($step->layer()?->chemistry, [Chemistry::Lacquer, Chemistry::Enamel, Chemistry::Oil], true)) {
            $found['thinners'] = 'Lacquer, enamel and oil thinners: fresh air, gloves, no flame; dry rags flat outdoors.';
        }

        return $found;
    }
}
