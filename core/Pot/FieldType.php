<?php

declare(strict_types=1);

namespace Hyalin\Pot;

/**
 * What a field of a pot holds; forms choose their input by it.
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
