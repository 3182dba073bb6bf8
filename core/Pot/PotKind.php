<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\Optics\Sheen;

/**
 * What is in a pot, as painters sort their shelf.
 */
enum PotKind: string
{
    case Acrylic = 'acrylic';
    case Airbrush = 'airbrush colour';
    case Primer = 'primer';
    case Can = 'spray can';
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
    case Wax = 'metal wax';
    case Gel = 'gel';

    private const DAY = 24 * 60;

    /** @return bool clear: it thins, binds or protects paint, and is none */
    public function isClear(): bool
    {
        return $this === self::Medium || $this === self::Thinner || $this === self::Varnish || $this === self::Gel;
    }

    /** @return UsualFacts what is known of a pot of this kind before anyone reads its label */
    public function usual(): UsualFacts
    {
        return match ($this) {
            self::Acrylic => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.25, 17, 20, self::DAY, 15, 1.0, 'water', 'water', isMixed: true),
            self::Airbrush => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 1.15, 17, 10, self::DAY, 18, 0.0, 'airbrush thinner', 'airbrush cleaner', isMixed: true),
            self::Primer => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.2, 60, 60, self::DAY, 25, 0.0, 'airbrush thinner', 'airbrush cleaner'),
            self::Can => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 0.85, 400, 60, self::DAY, null, null, 'nothing: it is sprayed as it is', 'a burst upside down'),
            self::Wash => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.05, 17, 30, self::DAY, 15, 0.0, 'water', 'water', isMixed: true, isTranslucent: true),
            self::OneCoat => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.05, 18, 30, self::DAY, 15, 0.0, 'medium', 'water', isMixed: true, isTranslucent: true),
            self::Ink => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 1.05, 15, 15, self::DAY, 12, 0.5, 'water', 'water', isMixed: true, isTranslucent: true),
            self::Medium => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 1.03, 17, 15, self::DAY, 15, 0.0, 'water', 'water'),
            self::Thinner => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 1.0, 60, 0, 0, 15, 0.0, 'water', 'water'),
            self::Varnish => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.05, 60, 60, self::DAY, 20, 0.3, 'airbrush thinner', 'airbrush cleaner'),
            self::Metal => new UsualFacts(Chemistry::Acrylic, Sheen::Gloss, 1.1, 17, 15, self::DAY, 15, 0.0, 'airbrush thinner', 'airbrush cleaner', isFlake: true),
            self::ColourShift => new UsualFacts(Chemistry::Acrylic, Sheen::Gloss, 1.1, 17, 15, self::DAY, 15, 0.0, 'airbrush thinner', 'airbrush cleaner', isFlake: true),
            self::Chrome => new UsualFacts(Chemistry::Lacquer, Sheen::Gloss, 0.85, 30, 30, self::DAY, 13, 0.0, 'lacquer thinner', 'lacquer thinner', isFlake: true),
            self::Oil => new UsualFacts(Chemistry::Oil, Sheen::Satin, 1.4, 20, self::DAY, 7 * self::DAY, null, null, 'white spirit', 'white spirit'),
            self::Enamel => new UsualFacts(Chemistry::Enamel, Sheen::Satin, 0.95, 30, self::DAY / 2, self::DAY, 15, 0.0, 'white spirit', 'white spirit'),
            self::Powder => new UsualFacts(Chemistry::Powder, Sheen::Matt, 0.6, 20, 0, 0, null, null, 'white spirit', 'soap and water'),
            self::Wax => new UsualFacts(Chemistry::Wax, Sheen::Satin, 0.95, 20, 60, self::DAY, null, null, 'nothing: it is rubbed on', 'white spirit', isFlake: true),
            self::Gel => new UsualFacts(Chemistry::Gel, Sheen::Gloss, 1.05, 50, self::DAY, 2 * self::DAY, null, null, 'nothing', 'water'),
        };
    }
}
