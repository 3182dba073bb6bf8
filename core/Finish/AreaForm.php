<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * What an area is to be: most have light and shade, some are to be metal, small signs have none of either, and hair, feathers or
 * a sky change from root to tip along a direction of the painter's own.
 */
enum AreaForm: string
{
    case Shaped = 'light and shade';
    case Metal = 'true metal';
    case Sign = 'flat sign';
    case Eye = 'eye';
    case Gradient = 'gradient';

    /** Share of the minutes of an area of a few square centimetres that a sign takes: own estimate. */
    private const SMALL = 0.35;

    /** @return non-empty-list<Zone> those that it has */
    public function zones(): array
    {
        return match ($this) {
            self::Shaped, self::Metal, self::Gradient => Zone::cases(),
            self::Sign => [Zone::Mid],
            self::Eye => [Zone::Recess, Zone::Mid, Zone::Light],
        };
    }

    /** @return string what painters call a zone of it */
    public function words(Zone $zone): string
    {
        return match ($this) {
            self::Eye => match ($zone) {
                Zone::Recess, Zone::Shade => 'pupil',
                Zone::Mid => 'iris',
                Zone::Light, Zone::Edge => 'white',
            },
            self::Gradient => match ($zone) {
                Zone::Recess => 'root',
                Zone::Shade => 'near the root',
                Zone::Mid => 'middle',
                Zone::Light => 'near the tip',
                Zone::Edge => 'tip',
            },
            default => $zone->value,
        };
    }

    /** @return list<Zone> in the order in which its colours are painted side by side */
    public function sideBySide(): array
    {
        return match ($this) {
            self::Eye => [Zone::Light, Zone::Mid, Zone::Recess],
            self::Gradient => Zone::cases(),
            default => [Zone::Mid],
        };
    }

    /**
     * What a technique leaves on the zones of such an area. Those of a gradient are places along its direction and not depths of
     * the relief, each of which has all depths: paint lies there as it does on average, but for a coat that is drawn out wet,
     * which is drawn out along the gradient.
     */
    public function deposit(DepositProfile $profile, bool $blendsWet): DepositProfile
    {
        return $this === self::Gradient && ! $blendsWet ? $profile->evened() : $profile;
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
