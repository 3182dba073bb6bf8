<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\InvalidInput;

/**
 * Something stated of a pot that cannot be.
 */
final class InvalidPot extends InvalidInput
{
    public static function missing(string $label): self
    {
        return new self("the {$label} is missing");
    }

    /**
     * @param  string  $label  of the field
     * @param  int  $most  letters
     */
    public static function tooLong(string $label, int $most): self
    {
        return new self("the {$label} has more than {$most} letters");
    }

    /** @param  list<string>  $known */
    public static function unknownChoice(string $label, string $given, array $known): self
    {
        return new self("the {$label} \"{$given}\" is not known; known are ".implode(', ', $known));
    }

    /**
     * @param  string  $label  of the field
     * @param  string  $given  as it was typed
     * @param  bool  $whole  whether only whole numbers are taken
     */
    public static function number(string $label, string $given, bool $whole, float $least, float $most): self
    {
        return new self("the {$label} \"{$given}\" is not a ".($whole ? 'whole ' : '')."number from {$least} to {$most}");
    }

    public static function colour(string $label, string $given): self
    {
        return new self("the {$label} \"{$given}\" is not of the form #rrggbb, for example #d9a520");
    }

    public static function day(string $label, string $given): self
    {
        return new self("{$label}: \"{$given}\" is no day from 1900 to 2199 written as YYYY-MM-DD, for example 2026-12-02");
    }

    public static function yesNo(string $label, string $given): self
    {
        return new self("the {$label} \"{$given}\" is neither yes nor no");
    }
}
