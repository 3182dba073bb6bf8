<?php

declare(strict_types=1);

namespace Hyalin\Cup;

use Hyalin\InvalidInput;

final class InvalidCup extends InvalidInput
{
    /** @param  float  $found  mL */
    public static function volume(float $found): self
    {
        return new self("a volume of {$found} mL; it must be finite and more than 0");
    }

    /**
     * @param  float  $asked  mL
     * @param  float  $held  mL
     */
    public static function notThatMuch(float $asked, float $held): self
    {
        return new self(sprintf('%.2f mL cannot be taken out of a cup that holds %.2f mL', $asked, $held));
    }

    public static function emptyCup(): self
    {
        return new self('the cup is empty');
    }

    public static function unknownIngredient(string $key): self
    {
        return new self("there is no paint for the ingredient \"{$key}\"");
    }
}
