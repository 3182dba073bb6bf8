<?php

declare(strict_types=1);

namespace Hyalin;

/**
 * Long work was asked to stop before it was done.
 */
final class Stopped extends InvalidInput
{
    /**
     * @param  Progress|null  $progress  null for work that nobody watches
     * @param  float  $fraction  0..1 of the work done
     *
     * @throws self when it is to stop
     */
    public static function unless(?Progress $progress, float $fraction): void
    {
        if ($progress !== null && ! $progress->at($fraction)) {
            throw new self('the calculation was stopped');
        }
    }
}
