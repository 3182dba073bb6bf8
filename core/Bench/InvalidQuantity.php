<?php

declare(strict_types=1);

namespace Hyalin\Bench;

use Hyalin\InvalidInput;

final class InvalidQuantity extends InvalidInput
{
    /** @param  float  $found  cm2 */
    public static function area(float $found): self
    {
        return new self("an area is {$found} cm2; it must be greater than 0");
    }

    /** @param  float  $found  share, 0..1 */
    public static function efficiency(float $found): self
    {
        return new self("the share of paint that reaches the piece is {$found}; it must be greater than 0 and at most 1");
    }

    public static function count(int $coats, int $figures): self
    {
        return new self("{$coats} coats on {$figures} figures; both must be at least 1");
    }
}
