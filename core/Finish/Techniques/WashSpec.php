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
 * Paint, water and medium that runs into the recesses.
 */
final class WashSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::of([1.0, 1.0, 1.0, 1.0, 1.0], [2.5, 1.4, 0.7, 0.4, 0.2]),
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
            usualZones: Zone::cases(),
            usualThinner: 2.0,
            dryingMinutes: 30,
            minutes: HandsOnMinutes::of(1.0, 0.3, 0.01),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Wash, PotKind::OneCoat, PotKind::Ink, PotKind::Medium, PotKind::Oil, PotKind::Enamel],
            instruction: 'Flow it on, let it run into the recesses, draw off pools before they dry.',
        );
    }
}
