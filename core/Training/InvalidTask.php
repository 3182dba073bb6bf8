<?php

declare(strict_types=1);

namespace Hyalin\Training;

use Hyalin\InvalidInput;

/**
 * A task that cannot be set.
 */
final class InvalidTask extends InvalidInput
{
    public static function tooFewColours(int $found, int $needed): self
    {
        return new self("this needs {$needed} different paints on the shelf, and there are {$found}: add some, or borrow the shelf of the demo");
    }

    /** @param  int  $asked  how many were to be put in order */
    public static function noOrder(int $asked): self
    {
        return new self("put all {$asked} in order, each once");
    }

    public static function noWash(): self
    {
        return new self('this needs a paint and a wash or an ink on the shelf: add them');
    }
}
