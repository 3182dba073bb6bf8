<?php

declare(strict_types=1);

namespace Hyalin\Finish\Techniques;

use Hyalin\Finish\Application;
use Hyalin\Finish\DepositProfile;
use Hyalin\Finish\HandsOnMinutes;
use Hyalin\Finish\SpecifiesTechnique;
use Hyalin\Finish\TechniqueSpec;
use Hyalin\Finish\Zone;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\PotKind;

/**
 * Clear gel, in passes: wet mud, water, slime, a glassy eye.
 */
final class GelSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::everywhere(1.0),
            direction: null,
            lamp: null,
            efficiency: 0.8,
            application: Application::Spread,
            step: StepKind::Varnish,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: true,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 24 * 60,
            minutes: HandsOnMinutes::of(2.0, 0.8, 0.02),
            suits: [PotKind::Gel],
            instruction: 'One thin pass at a time, 2 mm at most: the next once this one is clear. A matt coat over it clouds it.',
        );
    }
}
