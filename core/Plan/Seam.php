<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * The look of a joint when it is glued.
 */
enum Seam: string
{
    case Clean = 'fits';
    case Filled = 'filled';

    /** Minutes to run filler along it and smooth it: own estimate. */
    public const MINUTES = 15;

    /** Common practice: resin on a painted piece needs no sanding; before paint, putty is sanded down and hardens two hours. */
    public const PUTTY_MINUTES = 120;

    public const RESIN_MINUTES = 10;
}
