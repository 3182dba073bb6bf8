<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Optics\KubelkaMunk;
use Hyalin\Optics\PaintOptics;

/**
 * An opaque swatch of the pot mixed with another paint, usually one part in five of white.
 */
final readonly class TintReading implements Reading
{
    /** Volume of white to one of the pot in the tint that is asked for. */
    public const WHITE = 5.0;

    private float $share;

    /**
     * @param  float  $paint  parts of the pot by volume
     * @param  float  $other  parts of the other paint
     *
     * @throws InvalidReadings unless both are finite and > 0
     */
    public function __construct(private ReadSpectrum $read, public PaintOptics $with, float $paint = 1.0, float $other = self::WHITE)
    {
        if (! (is_finite($paint) && is_finite($other) && $paint > 0 && $other > 0)) {
            throw InvalidReadings::tintParts($paint, $other);
        }
        $this->share = $paint / ($paint + $other);
    }

    public function read(): ReadSpectrum
    {
        return $this->read;
    }

    public function predicted(int $band, float $k, float $s, float $coats): float
    {
        $rest = 1 - $this->share;

        return KubelkaMunk::masstone($this->share * $k + $rest * $this->with->k[$band], $this->share * $s + $rest * $this->with->s[$band]);
    }
}
