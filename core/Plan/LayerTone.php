<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * Whether a layer is there to darken the recesses or to bring out what catches light.
 */
enum LayerTone: string
{
    case Shade = 'shade';
    case Light = 'light';
}
