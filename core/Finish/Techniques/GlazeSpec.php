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
 * A thin translucent film over everything chosen.
 */
final class GlazeSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::everywhere(0.3),
            direction: null,
            lamp: null,
            efficiency: 0.6,
            application: Application::Brush,
            step: StepKind::Wash,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: true,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 3.0,
            dryingMinutes: 15,
            minutes: HandsOnMinutes::of(1.0, 0.5, 0.01),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Wash, PotKind::OneCoat, PotKind::Ink, PotKind::Medium, PotKind::Oil, PotKind::Enamel],
            instruction: 'Thin film over everything chosen, brush nearly dry, no pools.',
        );
    }
}
