<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Reflectance;
use Hyalin\Optics\KubelkaMunk;

/**
 * One coat over a card.
 */
final readonly class CoatReading implements Reading
{
    public function __construct(public Reflectance $card, public ReadSpectrum $read)
    {
    }

    public function read(): ReadSpectrum
    {
        return $this->read;
    }

    public function predicted(int $band, float $k, float $s, float $coats): float
    {
        return KubelkaMunk::film($k, $s, $coats, $this->card->values[$band]);
    }

    /** Whether what was read is the bare card, within twice what noise makes of it in the mean over the bands. */
    public function isBare(): bool
    {
        $squares = 0.0;
        foreach ($this->read->values as $band => $read) {
            // The card was read with the same noise.
            $squares += ($read - $this->card->values[$band]) ** 2 / (2 * $this->read->deviations[$band] ** 2);
        }

        return $squares < 4 * count($this->read->values);
    }
}
