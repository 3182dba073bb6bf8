<?php

declare(strict_types=1);

namespace Hyalin\Pot;

/**
 * Types of the fields of a pot. Forms choose their input by them.
 */
enum FieldType: string
{
    case Text = 'text';
    /** Text of several lines. */
    case Note = 'note';
    case Choice = 'choice';
    case Whole = 'whole';
    case Number = 'number';
    /** #rrggbb. */
    case Colour = 'colour';
    case YesNo = 'yes or no';
    /** A day as YYYY-MM-DD (ISO 8601). */
    case Day = 'day';
}
