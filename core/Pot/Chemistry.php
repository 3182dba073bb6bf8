<?php

declare(strict_types=1);

namespace Hyalin\Pot;

/**
 * What a film is made of, as far as it matters to what lies beneath: common practice, no published source.
 */
enum Chemistry: string
{
    case Acrylic = 'acrylic';
    case Lacquer = 'lacquer';
    case Enamel = 'enamel';
    case Oil = 'oil';
    case Powder = 'powder';

    private const WEEK = 7 * 24 * 60;

    /**
     * What must lie between or pass before this may go over another film.
     *
     * @param  bool  $sealed  a varnish lies between them
     */
    public function over(self $below, bool $sealed): Compatibility
    {
        return match (true) {
            $below === $this && $this === self::Oil => Compatibility::after(2 * 24 * 60, 'oil under oil lifts until it is dry through'),
            $below === $this, $this === self::Powder => Compatibility::fine(),
            $below === self::Powder => Compatibility::barrier('paint over loose powder takes it along', 'a fixing coat over the powder'),
            $this === self::Oil, $this === self::Enamel => $sealed
                ? Compatibility::fine()
                : Compatibility::barrier("{$this->value} and its thinner lift the unsealed {$below->value} beneath", 'a varnish between the two'),
            $this === self::Lacquer => $sealed && $below === self::Acrylic
                ? Compatibility::after(24 * 60, 'lacquer attacks a varnish that is not cured; try it on a scrap first')
                : Compatibility::barrier("lacquer thinner attacks the {$below->value} beneath", 'a varnish between the two, cured for a day'),
            // Acrylic over what dries slowly: it skins over and cracks.
            $below === self::Oil => Compatibility::after(self::WEEK, 'acrylic over oil cracks until the oil is dry through'),
            $below === self::Enamel => Compatibility::after(24 * 60, 'acrylic over enamel crawls until the enamel is dry through'),
            default => Compatibility::fine(),
        };
    }

    /** @return string what it is cleaned out of an airbrush with */
    public function cleaner(): string
    {
        return match ($this) {
            self::Acrylic => 'airbrush cleaner or water',
            self::Lacquer => 'lacquer thinner',
            self::Enamel, self::Oil => 'white spirit',
            self::Powder => 'soap and water',
        };
    }
}
