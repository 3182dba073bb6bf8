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
        return new self("this needs {$needed} different colours on the shelf, and there are {$found}");
    }

    public static function noWash(): self
    {
        return new self('this needs a paint and a wash or an ink on the shelf');
    }
}
