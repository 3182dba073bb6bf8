<?php

declare(strict_types=1);

namespace App\Adapters;

use Illuminate\Support\Facades\DB;

/**
 * A worker's hold on the job it does: renewed while it is at work, it runs out when the worker is killed.
 */
final class Lease
{
    /** Seconds. */
    private const EVERY = 5;

    private static int|string|null $job = null;

    private static int $renewed = 0;

    /** @param  int|string|null  $job  its id in the table of jobs; null when none is done */
    public static function hold(int|string|null $job): void
    {
        [self::$job, self::$renewed] = [$job, time()];
    }

    public static function renew(): void
    {
        if (self::$job !== null && time() - self::$renewed >= self::EVERY) {
            self::$renewed = time();
            DB::table('jobs')->where('id', self::$job)->update(['reserved_at' => time()]);
        }
    }
}
