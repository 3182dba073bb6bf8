<?php

declare(strict_types=1);

namespace Hyalin\Matching;

use Hyalin\InvalidInput;

final class InvalidSample extends InvalidInput
{
    public static function noPixels(): self
    {
        return new self('the sample holds no pixel of the picture: draw it larger or inside the picture');
    }
}
