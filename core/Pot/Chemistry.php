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

    private const DAY = 24 * 60;

    /** Oil under oil lifts for two days. */
    private const OIL_OVER_OIL = 2 * self::DAY;

    /**
     * What must lie between or pass before this may go over another film.
     *
     * @param  bool  $sealed  a varnish lies between them
     * @param  int  $cured  minutes until the film beneath, or the varnish over it, is dry through
     */
    public function over(self $below, bool $sealed, int $cured): Compatibility
    {
        return match (true) {
            $below === $this && $this === self::Oil => Compatibility::after(min($cured, self::OIL_OVER_OIL), 'oil under oil lifts until it is dry through'),
            $below === $this, $this === self::Powder => Compatibility::fine(),
            $below === self::Powder => Compatibility::barrier('paint over loose powder takes it along', 'a fixing coat over the powder'),
            $this === self::Oil, $this === self::Enamel => $sealed
                ? Compatibility::fine()
                : Compatibility::barrier("{$this->value} and its thinner lift the unsealed {$below->value} beneath", 'a varnish between the two'),
            $this === self::Lacquer => $sealed && $below === self::Acrylic
                ? Compatibility::after($cured, 'lacquer attacks a varnish that is not cured; try it on a scrap first')
                : Compatibility::barrier("lacquer thinner attacks the {$below->value} beneath", 'a varnish between the two, cured for a day'),
            // Acrylic over what dries slowly: it skins over and cracks.
            $below === self::Oil => Compatibility::after($cured, 'acrylic over oil cracks until the oil is dry through'),
            $below === self::Enamel => Compatibility::after($cured, 'acrylic over enamel crawls until the enamel is dry through'),
            default => Compatibility::fine(),
        };
    }

    /** @return self|null what a painter's own words mean; null when they name none of these */
    public static function inWords(string $words): ?self
    {
        $words = strtolower($words);

        return match (true) {
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
        };
    }

    /** @return int minutes until it is dry through (common practice) */
    public function curingMinutes(): int
    {
        return match ($this) {
            self::Acrylic, self::Lacquer, self::Enamel => self::DAY,
            self::Oil => 7 * self::DAY,
            self::Powder => 0,
        };
    }

    /** @return string what thins it and cleans it out of brush and airbrush */
    public function solvent(): string
    {
        return match ($this) {
            self::Acrylic => 'water or airbrush cleaner',
            self::Lacquer => 'lacquer thinner',
            self::Enamel, self::Oil => 'white spirit',
            self::Powder => 'soap and water',
        };
    }
}
