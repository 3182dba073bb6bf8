<?php

declare(strict_types=1);

namespace Hyalin\Pot;

/**
 * Chemistry of a film, as far as it matters to the film beneath: common practice, no published source.
 */
enum Chemistry: string
{
    case Acrylic = 'acrylic';
    case Lacquer = 'lacquer';
    case Enamel = 'enamel';
    case Oil = 'oil';
    case Powder = 'powder';
    case Wax = 'wax';
    case Gel = 'gel';

    private const DAY = 24 * 60;

    /** Oil under oil lifts for two days. */
    private const OIL_OVER_OIL = 2 * self::DAY;

    /**
     * The barrier or the waiting time that this needs over another film.
     *
     * @param  bool  $sealed  a varnish lies between them
     * @param  int  $cured  minutes until the film beneath, or the varnish over it, is dry through
     */
    public function over(self $below, bool $sealed, int $cured): Compatibility
    {
        return match (true) {
            $below === $this && $this === self::Oil => Compatibility::after(min($cured, self::OIL_OVER_OIL), 'oil under oil lifts until it is dry through'),
            // A pass over a pass that is still cloudy never clears.
            $below === $this && $this === self::Gel => Compatibility::after($cured, 'gel over gel stays cloudy until the pass beneath is clear'),
            $below === $this, $this === self::Powder => Compatibility::fine(),
            $below === self::Powder => Compatibility::barrier("{$this->subject()} over loose powder takes it along", 'a fixing coat over the powder'),
            $below === self::Wax => $sealed
                ? Compatibility::after($cured, 'a varnish over wax holds only once it is cured')
                : Compatibility::barrier("{$this->subject()} does not hold on wax", 'a varnish between the two'),
            $below === self::Gel => Compatibility::after($cured, "{$this->subject()} over gel wrinkles until the gel is clear all through"),
            $this === self::Wax => $below === self::Oil || $below === self::Enamel
                ? Compatibility::after($cured, "rubbing wax on takes the {$below->value} along until it is dry through")
                : Compatibility::fine(),
            $this === self::Oil, $this === self::Enamel => $sealed
                ? Compatibility::fine()
                : Compatibility::barrier("{$this->value} and its thinner lift the unsealed {$below->value} beneath", 'a varnish between the two'),
            $this === self::Lacquer => $sealed && $below === self::Acrylic
                ? Compatibility::after($cured, 'lacquer attacks a varnish that is not cured; try it on a scrap first')
                : Compatibility::barrier("lacquer thinner attacks the {$below->value} beneath", 'a varnish between the two, cured for a day'),
            // Acrylic, or gel, over what dries slowly: it skins over and cracks.
            $below === self::Oil => Compatibility::after($cured, "{$this->value} over oil cracks until the oil is dry through"),
            $below === self::Enamel => Compatibility::after($cured, "{$this->value} over enamel crawls until the enamel is dry through"),
            default => Compatibility::fine(),
        };
    }

    /** @return self|null what a painter's own words mean; null when they name none of these */
    public static function inWords(string $words): ?self
    {
        $words = strtolower($words);

        return match (true) {
            preg_match('/\bwax/', $words) === 1 => self::Wax,
            preg_match('/\bgel\b/', $words) === 1 => self::Gel,
            str_contains($words, 'lacquer') => self::Lacquer,
            str_contains($words, 'enamel') => self::Enamel,
            preg_match('/\boils?\b/', $words) === 1 => self::Oil,
            str_contains($words, 'acryl'), str_contains($words, 'medium') => self::Acrylic,
            str_contains($words, 'pigment'), str_contains($words, 'powder') => self::Powder,
            default => null,
        };
    }

    /** @return int minutes until the next coat (common practice) */
    public function dryingMinutes(): int
    {
        return match ($this) {
            self::Acrylic => 20,
            self::Lacquer => 30,
            self::Enamel => self::DAY / 2,
            self::Oil => self::DAY,
            self::Powder => 0,
            self::Wax => 60,
            self::Gel => self::DAY,
        };
    }

    /** @return int minutes until it is dry through (common practice) */
    public function curingMinutes(): int
    {
        return match ($this) {
            self::Acrylic, self::Lacquer, self::Enamel => self::DAY,
            self::Oil => 7 * self::DAY,
            self::Powder => 0,
            self::Wax => self::DAY,
            self::Gel => 2 * self::DAY,
        };
    }

    /** @return string what thins it and cleans it out of brush and airbrush */
    public function solvent(): string
    {
        return match ($this) {
            self::Acrylic, self::Gel => 'water or airbrush cleaner',
            self::Lacquer => 'lacquer thinner',
            self::Enamel, self::Oil, self::Wax => 'white spirit',
            self::Powder => 'soap and water',
        };
    }

    private function subject(): string
    {
        return $this === self::Wax || $this === self::Gel ? $this->value : 'paint';
    }
}
