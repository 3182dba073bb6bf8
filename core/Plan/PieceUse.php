<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * What will be done with a piece when it is finished, as far as its finish has to stand it.
 */
enum PieceUse: string
{
    case Handled = 'handled';
    case Worn = 'worn';
    case Child = 'used by a child';
    case Sun = 'stands in the sun';
}
