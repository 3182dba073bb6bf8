<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use BackedEnum;
use Closure;
use Hyalin\Pot\InvalidPot;
use Hyalin\Pot\PotField;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * Judges what a painter states of a pot by the declaration of its field.
 */
final readonly class StatedOfPot implements ValidationRule
{
    public function __construct(private PotField $field)
    {
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            self::value($this->field, $value);
        } catch (InvalidPot $e) {
            $fail(ucfirst($e->getMessage()).'.');
        }
    }

    /**
     * @return string|int|float|bool|BackedEnum|null null when nothing is stated
     *
     * @throws InvalidPot
     */
    public static function value(PotField $field, mixed $given): string|int|float|bool|BackedEnum|null
    {
        return $field->parse(is_scalar($given) || $given === null ? $given : '?');
    }
}
