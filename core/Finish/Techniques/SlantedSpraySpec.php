<?php

declare(strict_types=1);

namespace Hyalin\Finish\Techniques;

use Hyalin\Finish\Application;
use Hyalin\Finish\DepositProfile;
use Hyalin\Finish\HandsOnMinutes;
use Hyalin\Finish\SpecifiesTechnique;
use Hyalin\Finish\SprayDirection;
use Hyalin\Finish\TechniqueSpec;
use Hyalin\Finish\Zone;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\PotKind;

/**
 * A second, greyer pass from above and in front.
 */
final class SlantedSpraySpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::sprayed(DepositProfile::HITS, [0.12, 0.45, 0.85, 1.0, 1.0]),
            direction: new SprayDirection(45.0, 0.0, 30.0, 0, [0.12, 0.45, 0.85, 1.0, 1.0], 0.35),
            lamp: null,
            efficiency: 0.4,
            application: Application::Airbrush,
            step: StepKind::Spray,
            isPriming: true,
            tone: null,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 60,
            minutes: HandsOnMinutes::of(3.0, 0.05),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Primer, PotKind::Can, PotKind::Metal, PotKind::ColourShift, PotKind::Chrome, PotKind::Enamel],
            instruction: 'Spray from above and in front, at 45 degrees, a shade darker than the light from above.',
        );
    }
}
