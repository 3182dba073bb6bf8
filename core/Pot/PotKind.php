<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\Optics\Sheen;

enum PotKind: string
{
    case Acrylic = 'acrylic';
    case Airbrush = 'airbrush colour';
    case Primer = 'primer';
    case Wash = 'wash';
    case OneCoat = 'one-coat';
    case Ink = 'ink';
    case Medium = 'medium';
    case Thinner = 'thinner';
    case Varnish = 'varnish';
    case Metal = 'metal flake';
    case ColourShift = 'colour-shift powder';
    case Chrome = 'lacquer chrome';
    case Oil = 'oil';
    case Enamel = 'enamel liner';
    case Powder = 'pigment powder';

    /** Made to let show what lies beneath: poor stuff for a base coat, the right stuff for a glaze. */
    public function isTranslucent(): bool
    {
        return match ($this) {
            self::Wash, self::OneCoat, self::Ink => true,
            default => false,
        };
    }

    /** Whether a pot of this kind is put into colour mixes unless the painter says otherwise. */
    public function isMixed(): bool
    {
        return match ($this) {
            self::Acrylic, self::Airbrush, self::Wash, self::OneCoat, self::Ink => true,
            default => false,
        };
    }

    /** Opaque platelets that lie flat: they cover, they do not tint, and look different from two angles. */
    public function isFlake(): bool
    {
        return match ($this) {
            self::Metal, self::ColourShift, self::Chrome => true,
            default => false,
        };
    }

    /** What is known of a pot of this kind before anyone reads its label. */
    public function usual(): PotFacts
    {
        return match ($this) {
            self::Acrylic => new PotFacts('acrylic', Sheen::Matt, 1.25, 17, 20, 15, 1.0, 'water'),
            self::Airbrush => new PotFacts('acrylic', Sheen::Satin, 1.15, 17, 10, 18, 0.0, 'airbrush cleaner'),
            self::Primer => new PotFacts('acrylic-polyurethane', Sheen::Matt, 1.2, 60, 60, 25, 0.0, 'airbrush cleaner'),
            self::Wash => new PotFacts('acrylic', Sheen::Matt, 1.05, 17, 30, 15, 0.0, 'water'),
            self::OneCoat => new PotFacts('acrylic', Sheen::Matt, 1.05, 18, 30, 15, 0.0, 'water'),
            self::Ink => new PotFacts('acrylic ink', Sheen::Satin, 1.05, 15, 15, 12, 0.5, 'water'),
            self::Medium => new PotFacts('acrylic', Sheen::Satin, 1.03, 17, 15, 15, 0.0, 'water'),
            self::Thinner => new PotFacts('acrylic', Sheen::Satin, 1.0, 60, 0, 15, 0.0, 'water'),
            self::Varnish => new PotFacts('acrylic', Sheen::Matt, 1.05, 60, 60, 20, 0.3, 'airbrush cleaner'),
            self::Metal => new PotFacts('acrylic', Sheen::Gloss, 1.1, 17, 15, 15, 0.0, 'airbrush cleaner'),
            self::ColourShift => new PotFacts('powder in medium', Sheen::Gloss, 1.1, 17, 15, 15, 0.0, 'airbrush cleaner'),
            self::Chrome => new PotFacts('lacquer', Sheen::Gloss, 0.85, 30, 30, 13, 0.0, 'lacquer thinner'),
            self::Oil => new PotFacts('oil', Sheen::Satin, 1.4, 20, 1440, null, null, 'white spirit'),
            self::Enamel => new PotFacts('enamel', Sheen::Satin, 0.95, 30, 720, 15, 0.0, 'white spirit'),
            self::Powder => new PotFacts('dry pigment', Sheen::Matt, 0.6, 20, 0, null, null, 'soap and water'),
        };
    }
}
