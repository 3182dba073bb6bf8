<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * What an area is to be: most have light and shade, some are to be metal, and small signs have none of either.
 */
enum AreaForm: string
{
    case Shaped = 'light and shade';
    case Metal = 'true metal';
    case Sign = 'flat sign';
    case Eye = 'eye';

    /** Share of the minutes of an area of a few square centimetres that a sign takes: own estimate. */
    private const SMALL = 0.35;

    /** @return non-empty-list<Zone> those that it has */
    public function zones(): array
    {
        return match ($this) {
            self::Shaped, self::Metal => Zone::cases(),
            self::Sign => [Zone::Mid],
            self::Eye => [Zone::Recess, Zone::Mid, Zone::Light],
        };
    }

    /** @return string what painters call a zone of it */
    public function words(Zone $zone): string
    {
        return $this !== self::Eye ? $zone->value : match ($zone) {
            Zone::Recess, Zone::Shade => 'pupil',
            Zone::Mid => 'iris',
            Zone::Light, Zone::Edge => 'white',
        };
    }

    public function isSmall(): bool
    {
        return $this === self::Sign || $this === self::Eye;
    }

    /** @return float what the minutes of a technique are multiplied by */
    public function minutesShare(): float
    {
        return $this->isSmall() ? self::SMALL : 1.0;
    }
}
