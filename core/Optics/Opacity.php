<?php

declare(strict_types=1);

namespace Hyalin\Optics;

/**
 * A painter's statement of opacity: coats to hide black and white beneath.
 */
enum Opacity: string
{
    case OneCoat = '1';
    case TwoCoats = '2';
    case ThreeCoats = '3';
    case FiveCoats = '5';
    case Wash = 'wash';

    /** @return int coats until the contrast ratio is 0.98; a wash never hides in practice: 15 is an own estimate */
    public function coats(): int
    {
        return match ($this) {
            self::OneCoat => 1,
            self::TwoCoats => 2,
            self::ThreeCoats => 3,
            self::FiveCoats => 5,
            self::Wash => 15,
        };
    }
}
