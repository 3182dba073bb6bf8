<?php

declare(strict_types=1);

namespace Hyalin\Colour;

/**
 * Checks that the colour spaces of three numbers share.
 */
final class Components
{
    /**
     * @return array{float, float, float}
     *
     * @throws InvalidColour unless it is a list of three finite numbers
     */
    public static function parse(mixed $value, string $space): array
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) !== 3) {
            throw InvalidColour::notThreeNumbers($space);
        }
        $numbers = [];
        foreach ($value as $number) {
            if (! is_int($number) && ! is_float($number) || ! is_finite((float) $number)) {
                throw InvalidColour::notThreeNumbers($space);
            }
            $numbers[] = (float) $number;
        }

        return $numbers;
    }
}
