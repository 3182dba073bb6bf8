<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Task;

use Hyalin\InvalidInput;

final class InvalidMixTask extends InvalidInput
{
    public static function emptyShelf(): self
    {
        return new self('the shelf is empty: there is no paint to mix from');
    }

    /** @param  int  $found  paints a mix */
    public static function maxPaints(int $found): self
    {
        return new self("mixes of up to {$found} paints; it must be from 1 to 3");
    }

    /** @param  int  $found  drops a mix */
    public static function maxDrops(int $found): self
    {
        return new self("mixes of up to {$found} drops; it must be from 1 to 24");
    }

    /** @param  int  $found  mixes requested */
    public static function top(int $found): self
    {
        return new self("the best {$found} mixes; it must be from 1 to 50");
    }

    public static function coverageWithoutUndercoat(): self
    {
        return new self('a masstone has no undercoat: coverage and coats do not apply to it');
    }

    /**
     * @param  string  $what  coverage or thickness
     * @param  float  $found  share 0..1, or coats
     */
    public static function later(string $what, float $found): self
    {
        return new self("a later layer has a {$what} of {$found}; coverage is 0 to 1, thickness finite and at least 0");
    }
}
