<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

/**
 * What can make a prediction unsure.
 */
enum CauseKind
{
    case Pot;
    case Hand;
    case Coats;
}
