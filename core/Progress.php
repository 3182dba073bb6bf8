<?php

declare(strict_types=1);

namespace Hyalin;

/**
 * The port through which long work reports and is asked to stop.
 */
interface Progress
{
    /**
     * @param  float  $fraction  0..1 of the work done
     * @return bool false to stop
     */
    public function at(float $fraction): bool;
}
