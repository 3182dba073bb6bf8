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
 * A clear coat that protects and sets the sheen of everything beneath.
 */
final class VarnishSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::everywhere(1.0),
            direction: null,
            lamp: null,
            efficiency: 0.8,
            application: Application::Brush,
            step: StepKind::Varnish,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: false,
            setsSheen: true,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 0.0,
            dryingMinutes: 60,
            minutes: HandsOnMinutes::of(1.0, 0.3, 0.01),
            suits: [PotKind::Varnish, PotKind::Medium],
            instruction: 'Thin even coats. The last one sets the sheen of everything beneath.',
        );
    }
}
