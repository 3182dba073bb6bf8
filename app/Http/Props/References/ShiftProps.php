<?php

declare(strict_types=1);

namespace App\Http\Props\References;

use Hyalin\Colour\ColourShift;

/**
 * A way to say one colour by another.
 */
final readonly class ShiftProps
{
    /** @param  float  $usual  amount that is usually meant, in CIELAB units */
    public function __construct(public ColourShift $shift, public float $usual)
    {
    }

    /** @return list<self> */
    public static function all(): array
    {
        return array_map(static fn (ColourShift $s): self => new self($s, $s->usual()), ColourShift::cases());
    }
}
