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
 * Dabs of a torn sponge.
 */
final class SpongeSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.7, 0.7, 0.7, 0.7, 0.7]),
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
            usualZones: [Zone::Mid, Zone::Light],
            usualThinner: 0.0,
            dryingMinutes: 5,
            minutes: HandsOnMinutes::of(1.5, 0.4),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Metal, PotKind::ColourShift, PotKind::Oil, PotKind::Enamel],
            instruction: 'Dab with a torn sponge, wiped off first.',
        );
    }
}
