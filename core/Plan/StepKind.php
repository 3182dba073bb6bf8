<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * One act at the bench.
 */
enum StepKind: string
{
    case Prepare = 'prepare';
    case Glue = 'glue';
    case Fill = 'fill';
    case Prime = 'prime';
    case Spray = 'spray';
    case Brush = 'brush';
    case Wash = 'wash';
    case DryBrush = 'dry brush';
    case Decal = 'decal';
    case Powder = 'powder';
    case Varnish = 'varnish';
    case Mask = 'mask';
    case Peel = 'peel';
    case Own = 'own step';

    /** @return bool whether it reaches what lies beside it through the air */
    public function isSprayed(): bool
    {
        return in_array($this, [self::Prime, self::Spray, self::Varnish], true);
    }

    /** @return string what it is done with */
    public function tool(): string
    {
        return match ($this) {
            self::Prepare => 'files and paper',
            self::Glue => 'glue',
            self::Fill => 'filler',
            self::Prime, self::Spray, self::Varnish => 'airbrush or can',
            self::Mask, self::Peel => 'masks',
            self::Own => 'as said',
            self::Brush, self::Wash, self::DryBrush, self::Decal, self::Powder => 'brush',
        };
    }

    /** @return bool whether it leaves marks where it was not meant to */
    public function isMessy(): bool
    {
        return in_array($this, [self::DryBrush, self::Wash], true);
    }
}
