<?php

declare(strict_types=1);

namespace Hyalin\Cautions;

use Hyalin\Order\Plan\PrintProcess;
use Hyalin\Order\Steps\Step;
use Hyalin\Order\Steps\StepKind;
use Hyalin\Pot\Chemistry;

/**
 * What can hurt at a step, and the usual protection: common practice. The label, the safety data sheet and local rules
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
            $found['dust'] = 'Sanding dust: a respirator for particles, wet sanding, the dust not into the room.';
            $found['blades'] = 'Blades and drills: away from fingers, eyes covered.';
            if ($process === PrintProcess::Resin) {
                $found['resin'] = 'Uncured resin: nitrile gloves, eye cover, fresh air; never on the skin or into the drain. Cured before it is sanded or thrown away.';
            }
        }
        if ($step->kind === StepKind::Fill) {
            $found['resin'] = 'Resin and putty: nitrile gloves, fresh air; cured before it is touched.';
            $found['lamp'] = 'UV lamp: eyes covered.';
        }
        if ($step->kind === StepKind::Glue) {
            $found['glue'] = 'Cyanoacrylate: fumes, and it bonds skin at once.';
        }
        if ($step->kind->isSprayed()) {
            $found['spray'] = 'Spray: a respirator for organic vapour and particles, extraction or outdoors, no flame or spark.';
        }
        if (in_array($step->layer()?->chemistry, [Chemistry::Lacquer, Chemistry::Enamel, Chemistry::Oil], true)) {
            $found['thinners'] = 'Thinners of lacquer, enamel and oil: fresh air, gloves, no flame; rags dried flat outdoors.';
        }

        return $found;
    }
}
