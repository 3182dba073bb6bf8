<?php

declare(strict_types=1);

namespace App\Models;

enum PaintKind: string
{
    case Acrylic = 'acrylic';
    case Airbrush = 'airbrush colour';
    case Primer = 'primer';
    case Wash = 'wash';
    case OneCoat = 'one-coat';
    case Ink = 'ink';
    case Medium = 'medium';
    case Varnish = 'varnish';

    /** Made to let show what lies beneath: poor stuff for a base coat, the right stuff for a glaze. */
    public function isTranslucent(): bool
    {
        return match ($this) {
            self::Wash, self::OneCoat, self::Ink => true,
            default => false,
        };
    }

    /** Whether a pot of this kind is put into colour mixes unless the painter says otherwise. */
    public function isMixed(): bool
    {
        return match ($this) {
            self::Acrylic, self::Airbrush, self::Wash, self::OneCoat, self::Ink => true,
            self::Primer, self::Medium, self::Varnish => false,
        };
    }
}
