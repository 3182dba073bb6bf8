<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\InvalidInput;

final class InvalidLayer extends InvalidInput
{
    /** @param  float  $found  parts of thinner to one of paint */
    public static function thinner(float $found): self
    {
        return new self("{$found} parts of thinner to one of paint; it must be from 0 to 20");
    }

    /** @param  int  $found  number of coats */
    public static function coats(int $found): self
    {
        return new self("{$found} coats; it must be from 1 to 12");
    }

    public static function noZones(): self
    {
        return new self('a layer must touch at least one zone');
    }
}
