<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Adapters\LostJob;
use App\Models\Finish\MixSearchRecord;
use App\Models\Finish\ProposalSearchRecord;
use App\Models\Light\LightRecord;
use Illuminate\Database\Eloquent\Model;

/**
 * Whose turn it is: what takes moments never waits for what takes minutes, and a painter's second long job not before another's
 * first. Workers take from these queues in this order.
 */
final class Turn
{
    public const SHORT = 'short';

    public const LONG = 'long';

    public const LATER = 'later';

    /** @param  Model  $own  the record of the job that is put there, which does not count */
    public static function long(int $painterId, Model $own): string
    {
        foreach ([LightRecord::class, MixSearchRecord::class, ProposalSearchRecord::class] as $record) {
            $others = $record::query()->where('painter_id', $painterId)->whereIn('state', ['waiting', 'running']);
            if ($own instanceof $record) {
                $others->whereKeyNot($own->getKey());
            }
            $others->get()->each(LostJob::tell(...));
            if ($others->exists()) {
                return self::LATER;
            }
        }

        return self::LONG;
    }
}
