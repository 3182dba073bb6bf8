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
 * A brush wiped nearly dry: paint stays on ridges. About 99 % is wiped off (common practice).
 */
final class DryBrushSpec implements SpecifiesTechnique
{
    public static function spec(): TechniqueSpec
    {
        return new TechniqueSpec(
            deposit: DepositProfile::covering([0.0, 0.03, 0.12, 0.4, 0.75]),
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
            instruction: 'Wipe off nearly all paint. Quick light strokes across the ridges.',
        );
    }
}
