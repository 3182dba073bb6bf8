<?php

declare(strict_types=1);

namespace Hyalin\Colour;

use Hyalin\InvalidInput;

final class InvalidColour extends InvalidInput
{
    public static function notThreeNumbers(string $space): self
    {
        return new self("a {$space} colour must be a list of three finite numbers");
    }

    /**
     * @param  string  $space  name of the colour space
     * @param  string  $allowed  the range in words
     */
    public static function outOfRange(string $space, string $component, float $found, string $allowed): self
    {
        return new self("{$component} of a {$space} colour is {$found}; {$allowed}");
    }

    public static function differentWhites(Illuminant $first, Illuminant $second): self
    {
        return new self("colours under {$first->value} and {$second->value} cannot be compared: adapt one of them first");
    }

    public static function notHex(string $found): self
    {
        return new self("\"{$found}\" is not a colour of the form #rrggbb");
    }
}
