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
 * A wash-like paint that shades and colours at once.
 */
final class OneCoatSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::pooled([1.8, 1.3, 1.0, 0.7, 0.45]),
            direction: null,
            lamp: null,
            efficiency: 0.8,
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
            usualThinner: 0.0,
            dryingMinutes: 30,
            minutes: HandsOnMinutes::of(1.0, 0.5, 0.01),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Wash, PotKind::OneCoat, PotKind::Ink, PotKind::Medium, PotKind::Oil, PotKind::Enamel],
            instruction: 'One generous coat, let it settle. Do not go back into it.',
        );
    }
}
