<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\Optics\Sheen;

/**
 * Kinds of pots, as painters sort their shelf.
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
            self::Acrylic => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.25, sizeMl: 17, dryingMinutes: 20, curingMinutes: self::DAY, pressurePsi: 15, thinner: 1.0, thinnedWith: 'water', cleaner: 'water', isMixed: true),
            self::Airbrush => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 1.15, sizeMl: 17, dryingMinutes: 10, curingMinutes: self::DAY, pressurePsi: 18, thinner: 0.0, thinnedWith: 'airbrush thinner', cleaner: 'airbrush cleaner', isMixed: true),
            self::Primer => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.2, sizeMl: 60, dryingMinutes: 60, curingMinutes: self::DAY, pressurePsi: 25, thinner: 0.0, thinnedWith: 'airbrush thinner', cleaner: 'airbrush cleaner'),
            self::Can => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 0.85, sizeMl: 400, dryingMinutes: 60, curingMinutes: self::DAY, pressurePsi: null, thinner: null, thinnedWith: 'nothing: it is sprayed as it is', cleaner: 'a burst upside down'),
            self::Wash => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.05, sizeMl: 17, dryingMinutes: 30, curingMinutes: self::DAY, pressurePsi: 15, thinner: 0.0, thinnedWith: 'water', cleaner: 'water', isMixed: true, isTranslucent: true),
            self::OneCoat => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.05, sizeMl: 18, dryingMinutes: 30, curingMinutes: self::DAY, pressurePsi: 15, thinner: 0.0, thinnedWith: 'medium', cleaner: 'water', isMixed: true, isTranslucent: true),
            self::Ink => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 1.05, sizeMl: 15, dryingMinutes: 15, curingMinutes: self::DAY, pressurePsi: 12, thinner: 0.5, thinnedWith: 'water', cleaner: 'water', isMixed: true, isTranslucent: true),
            self::Medium => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 1.03, sizeMl: 17, dryingMinutes: 15, curingMinutes: self::DAY, pressurePsi: 15, thinner: 0.0, thinnedWith: 'water', cleaner: 'water'),
            self::Thinner => new UsualFacts(Chemistry::Acrylic, Sheen::Satin, 1.0, sizeMl: 60, dryingMinutes: 0, curingMinutes: 0, pressurePsi: 15, thinner: 0.0, thinnedWith: 'water', cleaner: 'water'),
            self::Varnish => new UsualFacts(Chemistry::Acrylic, Sheen::Matt, 1.05, sizeMl: 60, dryingMinutes: 60, curingMinutes: self::DAY, pressurePsi: 20, thinner: 0.3, thinnedWith: 'airbrush thinner', cleaner: 'airbrush cleaner'),
            self::Metal => new UsualFacts(Chemistry::Acrylic, Sheen::Gloss, 1.1, sizeMl: 17, dryingMinutes: 15, curingMinutes: self::DAY, pressurePsi: 15, thinner: 0.0, thinnedWith: 'airbrush thinner', cleaner: 'airbrush cleaner', isFlake: true),
            self::ColourShift => new UsualFacts(Chemistry::Acrylic, Sheen::Gloss, 1.1, sizeMl: 17, dryingMinutes: 15, curingMinutes: self::DAY, pressurePsi: 15, thinner: 0.0, thinnedWith: 'airbrush thinner', cleaner: 'airbrush cleaner', isFlake: true),
            self::Chrome => new UsualFacts(Chemistry::Lacquer, Sheen::Gloss, 0.85, sizeMl: 30, dryingMinutes: 30, curingMinutes: self::DAY, pressurePsi: 13, thinner: 0.0, thinnedWith: 'lacquer thinner', cleaner: 'lacquer thinner', isFlake: true),
            self::Oil => new UsualFacts(Chemistry::Oil, Sheen::Satin, 1.4, sizeMl: 20, dryingMinutes: self::DAY, curingMinutes: 7 * self::DAY, pressurePsi: null, thinner: null, thinnedWith: 'white spirit', cleaner: 'white spirit'),
            self::Enamel => new UsualFacts(Chemistry::Enamel, Sheen::Satin, 0.95, sizeMl: 30, dryingMinutes: self::DAY / 2, curingMinutes: self::DAY, pressurePsi: 15, thinner: 0.0, thinnedWith: 'white spirit', cleaner: 'white spirit'),
            self::Powder => new UsualFacts(Chemistry::Powder, Sheen::Matt, 0.6, sizeMl: 20, dryingMinutes: 0, curingMinutes: 0, pressurePsi: null, thinner: null, thinnedWith: 'white spirit', cleaner: 'soap and water'),
            self::Wax => new UsualFacts(Chemistry::Wax, Sheen::Satin, 0.95, sizeMl: 20, dryingMinutes: 60, curingMinutes: self::DAY, pressurePsi: null, thinner: null, thinnedWith: 'nothing: it is rubbed on', cleaner: 'white spirit', isFlake: true),
            self::Gel => new UsualFacts(Chemistry::Gel, Sheen::Gloss, 1.05, sizeMl: 50, dryingMinutes: self::DAY, curingMinutes: 2 * self::DAY, pressurePsi: null, thinner: null, thinnedWith: 'nothing', cleaner: 'water'),
        };
    }
}
