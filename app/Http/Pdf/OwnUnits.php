<?php

declare(strict_types=1);

namespace App\Http\Pdf;

use App\Models\Painter;
use Hyalin\Pot\Volume;

/**
 * What is printed, in the units that the painter reads: all sentences are written in mm, cm² and mL, as the screens turn them
 * (resources/js/shared/lib/units.ts).
 */
final readonly class OwnUnits
{
    private const INCH = 25.4;

    private function __construct(private bool $inches, private bool $drops)
    {
    }

    public static function of(Painter $painter): self
    {
        return new self($painter->length_unit === 'in', $painter->volume_unit === 'drops');
    }

    public function words(string $words): string
    {
        return (string) preg_replace_callback('/(\d+(?:\.\d+)?) (mm|cm²|mL)(?![\p{L}²])/u', fn (array $found): string => match (true) {
            $found[2] === 'mL' => $this->drops ? self::dropWords((float) $found[1] / Volume::DROP) : $found[0],
            ! $this->inches => $found[0],
            $found[2] === 'mm' => self::short((float) $found[1] / self::INCH).' in',
            default => self::short((float) $found[1] * 100 / self::INCH ** 2).' in²',
        }, $words);
    }

    /** Nobody counts tenths of many drops. */
    private static function dropWords(float $drops): string
    {
        $number = (string) round($drops, $drops < 1 ? 2 : ($drops < 10 ? 1 : 0));

        return $number === '1' ? '1 drop' : "{$number} drops";
    }

    /** Three digits, as a ruler of inches has them, and no zeros behind. */
    private static function short(float $value): string
    {
        return (string) round($value, $value < 1 ? 3 : ($value < 10 ? 2 : 1));
    }
}
