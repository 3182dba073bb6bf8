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
 * The light of a lamp, a fire or an eye on what surrounds it, painted: glazes in its colour where it shines, more of them the
 * nearer they are. What each zone receives a mesh tells.
 */
final class GlowSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::glowing([0.05, 0.15, 0.35, 0.45, 0.5]),
            direction: null,
            lamp: [0.05, 0.15, 0.35, 0.45, 0.5],
            efficiency: 0.6,
            application: Application::Brush,
            step: StepKind::Wash,
            isPriming: false,
            tone: null,
            coversFromCoats: null,
            isTranslucent: true,
            setsSheen: false,
            blendsWet: false,
            isOverFluid: false,
            isDotted: false,
            usualZones: Zone::cases(),
            usualThinner: 3.0,
            dryingMinutes: 15,
            minutes: HandsOnMinutes::of(1.0, 0.5, 0.01),
            suits: [PotKind::Acrylic, PotKind::Airbrush, PotKind::Wash, PotKind::OneCoat, PotKind::Ink, PotKind::Medium, PotKind::Oil, PotKind::Enamel],
            instruction: 'Thin glazes in the colour of the light, only where the lamp is seen from; more coats the nearer.',
        );
    }
}
