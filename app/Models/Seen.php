<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A mark of what a page showed: sent back with a change, it tells whether another window changed it meanwhile.
 */
final class Seen
{
    /** @return string 12 hexadecimal digits, others for other values */
    public static function of(mixed $values): string
    {
        return substr(hash('sha256', json_encode($values, JSON_THROW_ON_ERROR)), 0, 12);
    }
}
