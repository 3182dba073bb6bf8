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
 * An even coat by air. One pass is about half a brushed coat.
 */
final class AirbrushSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::everywhere(0.5),
            direction: null,
            lamp: null,
            efficiency: 0.4,
            application: Application::Airbrush,
            step: StepKind::Spray,
            isPriming: false,
            tone: null,
            coversFromCoats: 2,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.5,
            dryingMinutes: 10,
            minutes: HandsOnMinutes::of(3.0, 0.05),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Primer, PotKind::Metal, PotKind::ColourShift, PotKind::Chrome, PotKind::Ink, PotKind::Enamel],
            instruction: 'Spray an even pass, always moving.',
        );
    }
}
