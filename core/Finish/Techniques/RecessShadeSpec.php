<?php

declare(strict_types=1);

namespace Hyalin\Finish\Techniques;

use Hyalin\Finish\Application;
use Hyalin\Finish\DepositProfile;
use Hyalin\Finish\HandsOnMinutes;
use Hyalin\Finish\SpecifiesTechnique;
use Hyalin\Finish\TechniqueSpec;
use Hyalin\Finish\Zone;
use Hyalin\Plan\LayerTone;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\PotKind;

/**
 * A pin wash: paint in the recesses only.
 */
final class RecessShadeSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.95, 0.1, 0.0, 0.0, 0.0]),
            direction: null,
            lamp: null,
            efficiency: 0.6,
            application: Application::Brush,
            step: StepKind::Wash,
            isPriming: false,
            tone: LayerTone::Shade,
            coversFromCoats: null,
            isTranslucent: true,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: [Zone::Recess, Zone::Shade],
            usualThinner: 2.0,
            dryingMinutes: 30,
            minutes: HandsOnMinutes::of(1.0, 0.3, 0.05),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Wash, PotKind::OneCoat, PotKind::Ink, PotKind::Medium, PotKind::Oil, PotKind::Enamel],
            instruction: 'Touch it into the recesses only and let it run along them. Wipe the flats clean.',
        );
    }
}
