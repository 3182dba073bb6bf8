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
 * A printed film with its own white beneath: it hides what it lies on.
 */
final class DecalSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::everywhere(4.0),
            direction: null,
            lamp: null,
            efficiency: 0.8,
            application: Application::Transfer,
            step: StepKind::Decal,
            isPriming: false,
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
            minutes: HandsOnMinutes::of(5.0, 0.3),
            suits: PotKind::cases(),
            instruction: 'On gloss, with setting fluid, then sealed.',
        );
    }
}
