<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * Uses of a finished piece that its finish has to withstand.
 */
enum PieceUse: string
{
    case Handled = 'handled';
    case Worn = 'worn';
    case Child = 'used by a child';
    case Sun = 'stands in the sun';
}
