<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Optics\KubelkaMunk;

/**
 * A swatch so thick that nothing beneath shows.
 */
final readonly class ThickReading implements Reading
{
    public function __construct(private ReadSpectrum $read)
    {
    }

    public function read(): ReadSpectrum
    {
        return $this->read;
    }

    public function predicted(int $band, float $k, float $s, float $coats): float
    {
        return KubelkaMunk::masstone($k, $s);
    }
}
