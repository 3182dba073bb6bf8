<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

/**
 * Remarks on one painted place of a swatch sheet. The limits are own estimates.
 *
 * @phpstan-import-type Place from SheetColours as PlaceColours
 */
final class PlaceRemark
{
    /** How far a place is from the bare print before it is called painted, in steps of about one L*. */
    public const UNPAINTED = 2.5;

    /** Shares of a place from which on it is told. */
    private const GLARE = 0.1;

    /** Matt paint shines only while it is wet. */
    private const SHINES = 0.03;

    private const GAPS = 0.25;

    private const UNEVEN = 0.3;

    private const CLIPPED = 0.1;

    private const NAMES = ['overBlack' => 'Over black', 'overWhite' => 'Over white', 'thick' => 'Thick', 'tint' => 'Tint'];

    /**
     * @param  string  $place  value of Hyalin\Sheet\Place
     * @param  PlaceColours  $read
     * @param  bool  $isPainted  as far as is known: what is of the colour of the print beneath it may be
     * @param  bool  $isMatt  whether the paint is known to be matt
     * @return string|null null where nothing is odd
     */
    public static function of(string $place, array $read, bool $isPainted, bool $isMatt = false): ?string
    {
        $percent = static fn (float $share): string => sprintf('%.0f %%', 100 * $share);
        $words = match (true) {
            ! $isPainted => 'not painted, or of the colour of the print.',
            $read['glare'] > self::GLARE => "{$percent($read['glare'])} shines and was left out.",
            $read['glare'] > self::SHINES && $isMatt => 'shines although it is matt. Is it dry?',
            $read['clipped'] > self::CLIPPED => 'too bright or too strong a colour for this photo.',
            $read['bare'] > self::GAPS => "{$percent($read['bare'])} is bare and was left out.",
            $read['odd'] > self::UNEVEN => "{$percent($read['odd'])} differs from the rest and was left out.",
            default => null,
        };

        return $words === null ? null : (self::NAMES[$place] ?? $place).": {$words}";
    }
}
