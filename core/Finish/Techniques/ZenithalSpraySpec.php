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
 * Light sprayed from above over a dark primer.
 */
final class ZenithalSpraySpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::sprayed(DepositProfile::HITS, [0.03, 0.2, 0.55, 0.9, 1.0]),
            direction: new SprayDirection(90.0, 0.0, 30.0, 2, [0.03, 0.2, 0.55, 0.9, 1.0], 0.8),
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
            instruction: 'Spray from above only. Undersides stay dark.',
        );
    }
}
