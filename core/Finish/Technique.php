<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * The ways of putting paint on. Adding one: a case here, its profile, its defaults below, a test with a painter's
 * expectation of it. The profiles are own estimates until a painter calibrates them by test chips; drying times are
 * common practice.
 */
enum Technique: string
{
    case BaseCoat = 'base coat';
    case Airbrush = 'airbrush';
    case SprayCan = 'spray can';
    case ZenithalSpray = 'zenithal spray';
    case Layer = 'layer';
    case Wash = 'wash';
    case Glaze = 'glaze';
    case DryBrush = 'dry brush';
    case EdgeHighlight = 'edge highlight';

    public function profile(): DepositProfile
    {
        return match ($this) {
            self::BaseCoat, self::SprayCan, self::Layer => DepositProfile::everywhere(1.0),
            // One airbrush pass is about half a brushed coat.
            self::Airbrush => DepositProfile::everywhere(0.5),
            self::ZenithalSpray => DepositProfile::sprayed(1.2, [0.03, 0.2, 0.55, 0.9, 1.0]),
            self::Wash => DepositProfile::of([1.0, 1.0, 1.0, 1.0, 1.0], [2.5, 1.4, 0.7, 0.4, 0.2]),
            self::Glaze => DepositProfile::everywhere(0.3),
            self::DryBrush => DepositProfile::of([0.0, 0.03, 0.12, 0.4, 0.75], [1.0, 1.0, 1.0, 1.0, 1.0]),
            self::EdgeHighlight => DepositProfile::of([0.0, 0.0, 0.0, 0.0, 0.9], [1.0, 1.0, 1.0, 1.0, 1.0]),
        };
    }

    /** @return non-empty-list<Zone> the zones a painter usually means */
    public function usualZones(): array
    {
        return match ($this) {
            self::Layer => [Zone::Mid, Zone::Light, Zone::Edge],
            self::EdgeHighlight => [Zone::Edge],
            default => Zone::cases(),
        };
    }

    /** @return float parts of water or medium to one part of paint (common practice) */
    public function usualThinner(): float
    {
        return match ($this) {
            self::Wash => 2.0,
            self::Glaze => 3.0,
            self::Airbrush, self::Layer => 0.5,
            default => 0.0,
        };
    }

    /** @return int minutes until the next coat (common practice) */
    public function dryingMinutes(): int
    {
        return match ($this) {
            self::SprayCan, self::ZenithalSpray => 60,
            self::Wash => 30,
            self::BaseCoat, self::Layer, self::Glaze => 15,
            self::Airbrush => 10,
            self::DryBrush, self::EdgeHighlight => 5,
        };
    }

    /** @return bool whether the paint is meant to let show what lies beneath: inks and washes are mixed for these */
    public function isTranslucent(): bool
    {
        return $this === self::Wash || $this === self::Glaze;
    }

    /** @return string what to do, in a painter's words */
    public function instruction(): string
    {
        return match ($this) {
            self::BaseCoat => 'Cover everything evenly, thin coats.',
            self::Airbrush => 'Spray an even pass, always moving.',
            self::SprayCan => 'Spray short strokes all round, starting and ending beside the piece.',
            self::ZenithalSpray => 'Spray from above only. Undersides stay dark.',
            self::Layer => 'Paint the chosen zones; leave what lies beneath showing elsewhere.',
            self::Wash => 'Flow it on, let it run into the recesses, draw off pools before they dry.',
            self::Glaze => 'Thin film over everything chosen, brush nearly dry, no pools.',
            self::DryBrush => 'Wipe off nearly all paint. Quick light strokes across the ridges.',
            self::EdgeHighlight => 'Side of the brush along the edges only.',
        };
    }
}
