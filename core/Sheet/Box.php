<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

/**
 * An upright rectangle on the sheet, in mm from the upper left corner of its frame.
 */
final readonly class Box
{
    public function __construct(public float $x, public float $y, public float $width, public float $height)
    {
    }

    /** The same without a rim on every side. */
    public function inset(float $rim): self
    {
        return new self($this->x + $rim, $this->y + $rim, $this->width - 2 * $rim, $this->height - 2 * $rim);
    }

    /** @return array{float, float} */
    public function middle(): array
    {
        return [$this->x + $this->width / 2, $this->y + $this->height / 2];
    }

    /** @return array{array{float, float}, array{float, float}, array{float, float}, array{float, float}} clockwise from the upper left */
    public function corners(): array
    {
        [$right, $bottom] = [$this->x + $this->width, $this->y + $this->height];

        return [[$this->x, $this->y], [$right, $this->y], [$right, $bottom], [$this->x, $bottom]];
    }
}
