<?php

declare(strict_types=1);

namespace Hyalin\Optics;

/**
 * Thickness of a film in reference coats: 1 is one normal full-strength wet coat of about 40 micrometres.
 */
final readonly class FilmThickness
{
    private function __construct(public float $coats)
    {
    }

    /** @throws InvalidOptics unless it is finite and at least 0 */
    public static function coats(float $coats): self
    {
        if (! is_finite($coats) || $coats < 0) {
            throw InvalidOptics::thickness($coats);
        }

        return new self($coats);
    }

    /** @param  float  $factor  0 or more */
    public function times(float $factor): self
    {
        return self::coats($this->coats * $factor);
    }
}
