<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

/**
 * Kinds of painted places in a field. The values are those of Hyalin\Measuring\Swatch.
 */
enum Place: string
{
    case OverBlack = 'overBlack';
    case OverWhite = 'overWhite';
    case Thick = 'thick';
    case Tint = 'tint';
}
