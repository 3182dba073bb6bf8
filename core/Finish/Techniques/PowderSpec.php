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
 * Dry pigment.
 */
final class PowderSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.6, 0.45, 0.3, 0.15, 0.1]),
            direction: null,
            lamp: null,
            efficiency: 0.8,
            application: Application::DryPigment,
            step: StepKind::Powder,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 0,
            minutes: HandsOnMinutes::of(2.0, 0.3),
            suits: [PotKind::Powder],
            instruction: 'Dry, with a soft brush. Last of all but for its own fixing coat.',
        );
    }
}
