<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Painter;

/**
 * How a painter wants things written.
 */
final readonly class SettingsProps
{
    /**
     * @param  int|null  $clockHours  12 or 24; null for as the browser has it
     * @param  int  $firstWeekday  1 for Monday, 6 for Saturday, 7 for Sunday
     * @param  string  $length  mm or in
     * @param  string  $volume  mL or drops
     */
    public function __construct(public ?int $clockHours, public int $firstWeekday, public string $length, public string $volume)
    {
    }

    public static function of(?Painter $painter): self
    {
        return new self($painter?->clock_hours, $painter->first_weekday ?? 1, $painter->length_unit ?? 'mm', $painter->volume_unit ?? 'mL');
    }
}
