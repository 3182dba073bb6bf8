<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

/**
 * What can lie under the reader when a pot is measured.
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
