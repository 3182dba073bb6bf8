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
 * Thinned paint on chosen zones, the former left showing elsewhere.
 */
final class LayerSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::everywhere(1.0),
            direction: null,
            lamp: null,
            efficiency: 0.8,
            application: Application::Brush,
            step: StepKind::Brush,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: [Zone::Mid, Zone::Light, Zone::Edge],
            usualThinner: 0.5,
            dryingMinutes: 15,
            minutes: HandsOnMinutes::of(1.5, 0.8, 0.03),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Metal, PotKind::ColourShift, PotKind::Oil, PotKind::Enamel],
            instruction: 'Paint the chosen zones; leave what lies beneath showing elsewhere.',
        );
    }
}
