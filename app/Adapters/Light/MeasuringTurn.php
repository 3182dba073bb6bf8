<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Models\Light\LightRecord;
use Closure;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Support\Facades\Cache;

/**
 * One at a time writes what is measured of a light, whatever process or machine it runs on: of two at once the slower one
 * would write numbers of before over those of now.
 */
final class MeasuringTurn
{
    /** Seconds after which the turn of a process that was killed is over: own estimate, a turn takes ten of the largest print. */
    private const LONGEST = 60;

    /** @param  Closure(): void  $work  reads the light as it is when its turn has come */
    public static function take(LightRecord $light, Closure $work): void
    {
        try {
            Cache::lock("measuring.{$light->id}", self::LONGEST)->block(self::LONGEST, $work);
        } catch (LockTimeoutException) {
            // Better twice than not at all.
            $work();
        }
    }
}
