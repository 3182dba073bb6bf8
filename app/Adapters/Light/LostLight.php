<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Models\Light\LightRecord;
use Illuminate\Support\Facades\DB;

/**
 * A worker that is killed in the very moment in which it gives a job up leaves neither the job nor a word of it: whoever asks is
 * told, and does not wait for ever.
 */
final class LostLight
{
    /** Seconds in which it was not heard of. */
    private const SILENT = 30;

    private const WAITED_FOR = ['waiting', 'running'];

    public static function tell(LightRecord $light): void
    {
        // Only there can it be seen which jobs there are.
        if (! in_array($light->state, self::WAITED_FOR, true) || config('queue.default') !== 'database' || $light->updated_at > now()->subSeconds(self::SILENT)) {
            return;
        }
        if (DB::table('jobs')->where('payload', 'like', "%{$light->job}%")->doesntExist()) {
            LightRecord::query()->whereKey($light->id)->where('job', $light->job)->whereIn('state', self::WAITED_FOR)->update([
                'state' => 'failed', 'problem' => 'The server ended while it calculated the lighting. Try again.',
            ]);
            $light->refresh();
        }
    }
}
