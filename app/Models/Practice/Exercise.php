<?php

declare(strict_types=1);

namespace App\Models\Practice;

enum Exercise: string
{
    case Lighter = 'lighter';
    case Order = 'order';
    case Mix = 'mix';
    case Light = 'light';
    case Wash = 'wash';

    public function title(): string
    {
        return match ($this) {
            self::Lighter => 'Which is lighter?',
            self::Order => 'Five by lightness',
            self::Mix => 'Guess the mix',
            self::Light => 'Where does the light land?',
            self::Wash => 'What will the wash do?',
        };
    }

    public function about(): string
    {
        return match ($this) {
            self::Lighter => 'Highlights are judged by lightness, and the eye takes a strong colour for a light one. Two of your pots; the difference shrinks as you get better.',
            self::Order => 'Five of your pots, from dark to light.',
            self::Mix => 'A colour of two or three of your pots. Add drops to the cup until it matches.',
            self::Light => 'Folds in profile under a spray from straight above. Mark the pieces where it lands.',
            self::Wash => 'A painted area before its wash. Choose what it looks like after it.',
        };
    }
}
