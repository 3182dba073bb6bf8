<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

/**
 * Causes that make a prediction unsure.
 */
enum CauseKind
{
    case Pot;
    case Hand;
    case Coats;
}
