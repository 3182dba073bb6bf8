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
 * Blended into the coat beneath while that is wet.
 */
final class WetBlendSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.0, 0.25, 0.5, 0.75, 1.0]),
            direction: null,
            lamp: null,
            efficiency: 0.8,
            application: Application::Brush,
            step: StepKind::Brush,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: true,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 30,
            minutes: HandsOnMinutes::of(2.0, 1.0, 0.02),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Metal, PotKind::ColourShift, PotKind::Oil, PotKind::Enamel],
            instruction: 'Into the coat beneath while it is wet: full at the light, drawn out towards the shade.',
        );
    }
}
