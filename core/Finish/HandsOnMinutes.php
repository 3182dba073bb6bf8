<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * How long a technique keeps the painter at the bench, on an area of a few square centimetres: own estimates.
 */
final readonly class HandsOnMinutes
{
    private function __construct(private int $perCoat)
    {
    }

    /** @param  int  $minutes  0 or more */
    public static function perCoat(int $minutes): self
    {
        return new self($minutes);
    }

    /** @return int minutes for so many coats on one figure */
    public function of(int $coats): int
    {
        return $coats * $this->perCoat;
    }
}
