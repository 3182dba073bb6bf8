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
 * Chipping whose upper colour is sprayed: even over large surfaces, and it reaches what stands beside them.
 */
final class SprayedChippingSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.98, 0.96, 0.92, 0.8, 0.5]),
            direction: null,
            lamp: null,
            efficiency: 0.3,
            application: Application::Airbrush,
            step: StepKind::Spray,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: true,
            isDotted: true,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 10,
            minutes: HandsOnMinutes::of(4.0, 0.1),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Metal, PotKind::ColourShift, PotKind::Chrome, PotKind::Enamel],
            instruction: 'Masking fluid where it wears, let it dry, spray over it, rub it off while the coat is soft.',
        );
    }
}
