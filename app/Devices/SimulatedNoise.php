<?php

declare(strict_types=1);

namespace App\Devices;

use Random\Randomizer;

/**
 * Gaussian noise of standard deviation 1 (G. E. P. Box, M. E. Muller, A note on the generation of random normal
 * deviates, Annals of Mathematical Statistics 29, 1958).
 */
final readonly class SimulatedNoise
{
    public function __construct(private Randomizer $random)
    {
    }

    public function next(): float
    {
        return sqrt(-2 * log($this->random->getInt(1, 1_000_000) / 1_000_000)) * cos(2 * M_PI * $this->random->getInt(0, 1_000_000) / 1_000_000);
    }
}
