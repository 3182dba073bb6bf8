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
 * An even coat from a can.
 */
final class SprayCanSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::everywhere(1.0),
            direction: null,
            lamp: null,
            efficiency: 0.4,
            application: Application::SprayCan,
            step: StepKind::Spray,
            isPriming: true,
            tone: null,
            coversFromCoats: 1,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 60,
            minutes: HandsOnMinutes::of(2.0, 0.01),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Primer, PotKind::Can, PotKind::Metal, PotKind::ColourShift, PotKind::Chrome, PotKind::Enamel],
            instruction: 'Spray short strokes all round, starting and ending beside the piece.',
        );
    }
}
