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
 * Dots flicked from a stiff brush.
 */
final class SpatterSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.05, 0.08, 0.08, 0.08, 0.08]),
            direction: null,
            lamp: null,
            efficiency: 0.3,
            application: Application::Brush,
            step: StepKind::DryBrush,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: true,
            usualZones: Zone::cases(),
            usualThinner: 1.0,
            dryingMinutes: 10,
            minutes: HandsOnMinutes::of(2.0, 0.2),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Ink, PotKind::Metal, PotKind::ColourShift, PotKind::Oil, PotKind::Enamel],
            instruction: 'Flick from a stiff brush or spit from the airbrush. Try it on paper first.',
        );
    }
}
