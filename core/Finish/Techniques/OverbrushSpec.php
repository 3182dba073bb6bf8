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
 * A drybrush with more paint left on the brush.
 */
final class OverbrushSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.02, 0.15, 0.45, 0.75, 0.9]),
            direction: null,
            lamp: null,
            efficiency: 0.05,
            application: Application::Brush,
            step: StepKind::DryBrush,
            isPriming: false,
            tone: LayerTone::Light,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 5,
            minutes: HandsOnMinutes::of(1.5, 0.4),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Metal, PotKind::ColourShift, PotKind::Oil, PotKind::Enamel],
            instruction: 'Like a drybrush with more paint left on the brush. Brush across the ridges.',
        );
    }
}
