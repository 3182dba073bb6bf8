<?php

declare(strict_types=1);

namespace App\Adapters\Operations;

use Illuminate\Support\Facades\Cache;

/**
 * When a queue worker was last heard of.
 */
final class Heartbeat
{
    private const KEY = 'worker-heard';

    /** Seconds. */
    private const EVERY = 10;

    private static int $told = 0;

    public static function tell(): void
    {
        if (time() - self::$told >= self::EVERY) {
            self::$told = time();
            Cache::put(self::KEY, self::$told);
        }
    }

    /** @return int|null seconds since 1970; null when none ever was */
    public static function heard(): ?int
    {
        $heard = Cache::get(self::KEY);

        // Redis gives numbers back as words.
        return is_numeric($heard) ? (int) $heard : null;
    }
}
