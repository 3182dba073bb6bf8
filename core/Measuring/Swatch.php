<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

/**
 * The swatches of a pot that a reader measures.
 */
enum Swatch: string
{
    case BlackCard = 'black';
    case WhiteCard = 'white';
    case OverBlack = 'overBlack';
    case OverWhite = 'overWhite';
    case Thick = 'thick';
    /** One part of the pot in five of a white. */
    case Tint = 'tint';
}
