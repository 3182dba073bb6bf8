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
    case SlantedSpray = 'spray from 45 degrees';
    case SprayFromBelow = 'spray from below';
    case Layer = 'layer';
    case Wash = 'wash';
    case OneCoat = 'one-coat';
    case Glaze = 'glaze';
    case Filter = 'filter';
    case DryBrush = 'dry brush';
    case Overbrush = 'overbrush';
    case Stipple = 'stipple';
    case Sponge = 'sponge';
    case EdgeHighlight = 'edge highlight';
    case RecessShade = 'recess shade';
    case WetBlend = 'wet blend';
    case Chipping = 'chipping';
    case Spatter = 'spatter';
    case Powder = 'pigment powder';
    case Decal = 'decal';
    case Varnish = 'varnish';

    /** Hits at full exposure in one pass of a directed spray: own estimate. */
    public const HITS = 1.2;

    /** @param  list<float|null>|null  $exposure  of the five zones to a directed spray, as a mesh has it; null for the usual */
    public function profile(?array $exposure = null): DepositProfile
    {
        $usual = $this->usualExposure();
        if ($usual !== null) {
            return DepositProfile::sprayed(self::HITS, [$exposure[0] ?? $usual[0], $exposure[1] ?? $usual[1], $exposure[2] ?? $usual[2], $exposure[3] ?? $usual[3], $exposure[4] ?? $usual[4]]);
        }

        return match ($this) {
            self::BaseCoat, self::SprayCan, self::Layer, self::Varnish, self::ZenithalSpray, self::SlantedSpray, self::SprayFromBelow => DepositProfile::everywhere(1.0),
            // One airbrush pass is about half a brushed coat.
            self::Airbrush => DepositProfile::everywhere(0.5),
            self::Wash => DepositProfile::of([1.0, 1.0, 1.0, 1.0, 1.0], [2.5, 1.4, 0.7, 0.4, 0.2]),
            self::OneCoat => DepositProfile::of([1.0, 1.0, 1.0, 1.0, 1.0], [1.8, 1.3, 1.0, 0.7, 0.45]),
            self::Glaze, self::Filter => DepositProfile::everywhere(0.3),
            self::DryBrush => DepositProfile::covering([0.0, 0.03, 0.12, 0.4, 0.75]),
            self::Overbrush => DepositProfile::covering([0.02, 0.15, 0.45, 0.75, 0.9]),
            self::Stipple, self::Sponge => DepositProfile::covering([0.7, 0.7, 0.7, 0.7, 0.7]),
            self::EdgeHighlight => DepositProfile::covering([0.0, 0.0, 0.0, 0.0, 0.9]),
            self::RecessShade => DepositProfile::covering([0.95, 0.1, 0.0, 0.0, 0.0]),
            self::WetBlend => DepositProfile::covering([0.0, 0.25, 0.5, 0.75, 1.0]),
            // The fluid sits where a figure wears: what is painted over it there is peeled off again.
            self::Chipping => DepositProfile::covering([0.98, 0.96, 0.92, 0.8, 0.5]),
            self::Spatter => DepositProfile::covering([0.05, 0.08, 0.08, 0.08, 0.08]),
            self::Powder => DepositProfile::covering([0.6, 0.45, 0.3, 0.15, 0.1]),
            // A printed film with its own white beneath: it hides what it lies on.
            self::Decal => DepositProfile::everywhere(4.0),
        };
    }

    /** @return array{float, float, float, float, float}|null of the five zones to a spray from a direction; null for anything else */
    public function usualExposure(): ?array
    {
        return match ($this) {
            self::ZenithalSpray => [0.03, 0.2, 0.55, 0.9, 1.0],
            self::SlantedSpray => [0.12, 0.45, 0.85, 1.0, 1.0],
            self::SprayFromBelow => [0.5, 1.0, 0.45, 0.06, 0.05],
            default => null,
        };
    }

    /** @return non-empty-list<Zone> the zones a painter usually means */
    public function usualZones(): array
    {
        return match ($this) {
            self::Layer => [Zone::Mid, Zone::Light, Zone::Edge],
            self::EdgeHighlight => [Zone::Edge],
            self::RecessShade => [Zone::Recess, Zone::Shade],
            self::Stipple, self::Sponge => [Zone::Mid, Zone::Light],
            default => Zone::cases(),
        };
    }

    /** @return float parts of water or medium to one part of paint (common practice) */
    public function usualThinner(): float
    {
        return match ($this) {
            self::Wash, self::RecessShade => 2.0,
            self::Glaze => 3.0,
            self::Filter => 6.0,
            self::Spatter => 1.0,
            self::Airbrush, self::Layer => 0.5,
            default => 0.0,
        };
    }

    /** @return int minutes until the next coat (common practice) */
    public function dryingMinutes(): int
    {
        return match ($this) {
            self::SprayCan, self::ZenithalSpray, self::SlantedSpray, self::SprayFromBelow, self::Varnish, self::Decal => 60,
            self::Wash, self::OneCoat, self::RecessShade, self::WetBlend => 30,
            self::BaseCoat, self::Layer, self::Glaze, self::Filter, self::Chipping => 15,
            self::Airbrush, self::Spatter => 10,
            self::DryBrush, self::Overbrush, self::Stipple, self::Sponge, self::EdgeHighlight => 5,
            self::Powder => 0,
        };
    }

    /** @return int minutes at the bench for one coat on an area of a few square centimetres: own estimate */
    public function handsOnMinutes(): int
    {
        return match ($this) {
            self::Layer, self::EdgeHighlight, self::WetBlend => 9,
            self::BaseCoat, self::RecessShade, self::Chipping, self::Decal => 7,
            self::Airbrush, self::Glaze, self::Filter, self::OneCoat => 5,
            self::SprayCan, self::ZenithalSpray, self::SlantedSpray, self::SprayFromBelow, self::Wash, self::Varnish => 4,
            self::DryBrush, self::Overbrush, self::Stipple, self::Sponge, self::Spatter, self::Powder => 4,
        };
    }

    /** @return bool whether this is done with air: it reaches what lies beside it, and that must be masked */
    public function isSprayed(): bool
    {
        return match ($this) {
            self::Airbrush, self::SprayCan, self::ZenithalSpray, self::SlantedSpray, self::SprayFromBelow => true,
            default => false,
        };
    }

    /** @return bool whether the paint is meant to let show what lies beneath: inks and washes are mixed for these */
    public function isTranslucent(): bool
    {
        return match ($this) {
            self::Wash, self::OneCoat, self::Glaze, self::Filter, self::RecessShade => true,
            default => false,
        };
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
            self::SlantedSpray => 'Spray from above and in front, at 45 degrees, a shade darker than the light from above.',
            self::SprayFromBelow => 'Spray from below only: the shade of everything that looks down.',
            self::OneCoat => 'One generous coat, let it settle. Do not go back into it.',
            self::Filter => 'Very thin over the whole area, brush nearly dry: it only turns the hue.',
            self::Overbrush => 'As a dry brush with more paint left on it. Brush across the ridges.',
            self::Stipple => 'Dab with a blunt brush, the layer beneath still showing between the dots.',
            self::Sponge => 'Dab with a torn sponge, wiped off first.',
            self::EdgeHighlight => 'Side of the brush along the edges only.',
            self::RecessShade => 'Touch it into the recesses only and let it run along them. Wipe the flats clean.',
            self::WetBlend => 'Into the coat beneath while it is wet: full at the light, drawn out towards the shade.',
            self::Chipping => 'Masking fluid where it wears, let it dry, paint over it, peel while the coat is soft.',
            self::Spatter => 'Flick from a stiff brush or spit from the airbrush. Try it on paper first.',
            self::Powder => 'Dry, with a soft brush. Last of all but for its own fixing coat.',
            self::Decal => 'On gloss, with setting fluid, then sealed.',
            self::Varnish => 'Thin even coats. The last one sets the sheen of everything beneath.',
        };
    }
}
