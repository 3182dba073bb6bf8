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
 * Metal wax, rubbed on the ridges with a finger or a cloth.
 */
final class WaxSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.0, 0.05, 0.2, 0.5, 0.85]),
            direction: null,
            lamp: null,
            efficiency: 0.8,
            application: Application::Rubbed,
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
            dryingMinutes: 60,
            minutes: HandsOnMinutes::of(2.0, 0.3),
            suits: [PotKind::Wax],
            instruction: 'Very little on a finger or a cloth, rubbed across the ridges, over everything else: paint does not hold on it.',
        );
    }
}
