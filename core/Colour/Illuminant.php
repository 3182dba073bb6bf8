<?php

declare(strict_types=1);

namespace Hyalin\Colour;

use Hyalin\Colour\Tables\IlluminantPower;

enum Illuminant: string
{
    case D65 = 'D65';
    case D50 = 'D50';
    case A = 'A';
    case Led = 'LED';
    case C = 'C';

    /** @return list<float> relative power on the 36 bands */
    public function power(): array
    {
        return match ($this) {
            self::D65 => IlluminantPower::D65,
            self::D50 => IlluminantPower::D50,
            self::A => IlluminantPower::A,
            self::Led => IlluminantPower::LED,
            self::C => IlluminantPower::C,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::D65 => 'Daylight (D65)',
            self::D50 => 'Horizon daylight (D50)',
            self::A => 'Warm lamp (A)',
            self::Led => 'LED lamp, 4323 K',
            self::C => 'Illuminant C',
        };
    }
}
