<?php

declare(strict_types=1);

namespace Hyalin\Cup;

/**
 * States of a scale.
 */
enum ScaleState: string
{
    case Steady = 'steady';
    /** Paint is running in. */
    case Filling = 'filling';
    /** More at once than drops are: an elbow, a brush laid down. Not counted until it has gone. */
    case Jumped = 'jumped';
    /** No reading came. */
    case Missing = 'missing';
}
