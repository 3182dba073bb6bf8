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
 * A colour that is to hide what lies beneath.
 */
final class BaseCoatSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::everywhere(1.0),
            direction: null,
            lamp: null,
            efficiency: 0.8,
            application: Application::Brush,
            step: StepKind::Brush,
            isPriming: false,
            tone: null,
            coversFromCoats: 1,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 15,
            minutes: HandsOnMinutes::of(1.0, 0.4, 0.03),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Primer, PotKind::Metal, PotKind::ColourShift, PotKind::Oil, PotKind::Enamel],
            instruction: 'Cover everything evenly, thin coats.',
        );
    }
}
