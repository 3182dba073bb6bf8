<?php

declare(strict_types=1);

namespace App\Adapters;

use App\Models\Finish\MixSearchRecord;
use App\Models\Finish\ProposalSearchRecord;
use App\Models\IncomingFile;
use App\Models\Light\LightRecord;
use App\Models\Light\MeshUpload;
use App\Models\Shelf\SheetPhoto;
use App\Models\Shelf\ShelfImport;
use App\Models\Task;
use Illuminate\Queue\DatabaseQueue;
use Illuminate\Queue\RedisQueue;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/**
 * Fails records whose job is gone. A worker that is killed while it gives a job up leaves neither the job nor a failure, and so does a
 * request that is killed before it queues the job. The next page that asks shows the failure.
 */
final class LostJob
{
    /** Seconds in which it was not heard of. */
    private const SILENT = 30;

    private const WAITED_FOR = ['waiting', 'running', 'reading'];

    private const QUEUES = ['short', 'long', 'later', 'default'];

    /** @param  IncomingFile|LightRecord|MeshUpload|MixSearchRecord|ProposalSearchRecord|SheetPhoto|ShelfImport|Task  $record  marked failed here if no job works at it */
    public static function tell(IncomingFile|LightRecord|MeshUpload|MixSearchRecord|ProposalSearchRecord|SheetPhoto|ShelfImport|Task $record): void
    {
        if (! in_array($record->getRawOriginal('state'), self::WAITED_FOR, true) || $record->updated_at > now()->subSeconds(self::SILENT) || self::isQueued($record)) {
            return;
        }
        $said = self::problem($record);
        $record->newQuery()->whereKey($record->getKey())->whereIn('state', self::WAITED_FOR)
            // Asked for again, or heard of, in this moment: then it is not lost.
            ->where('updated_at', $record->getRawOriginal('updated_at'))
            ->update(['state' => 'failed', ...$said === null ? [] : ['problem' => $said]]);
        $record->refresh();
    }

    /** @return string|null null where the record has no place for it: its page says it in its own words */
    private static function problem(IncomingFile|LightRecord|MeshUpload|MixSearchRecord|ProposalSearchRecord|SheetPhoto|ShelfImport|Task $record): ?string
    {
        return match (true) {
            $record instanceof IncomingFile => "The server ended while it read {$record->name}. Nothing was added. Send it again.",
            $record instanceof LightRecord => 'The server ended while it calculated the lighting. Try again.',
            $record instanceof MeshUpload => "{$record->name} was not read: the server ended meanwhile. Nothing was added; send it again.",
            $record instanceof SheetPhoto => 'The server ended while it read the photo. Nothing was changed. Send it again.',
            $record instanceof ShelfImport => 'The server ended while it read the file. Nothing was added to the shelf. Send it again.',
            $record instanceof Task => "{$record->kind->failed()}: the server ended meanwhile. Try again.",
            default => null,
        };
    }

    /** Where a queue cannot be looked into, everything may be in it. */
    private static function isQueued(IncomingFile|LightRecord|MeshUpload|MixSearchRecord|ProposalSearchRecord|SheetPhoto|ShelfImport|Task $record): bool
    {
        $payloads = self::payloads();
        if ($payloads === null) {
            return true;
        }
        // As the record stands in the payload of its job (SerializesModels).
        $mark = serialize('class').serialize($record::class).serialize('id').serialize($record->getKey());
        foreach ($payloads as $payload) {
            $job = json_decode($payload, true);
            $data = is_array($job) ? $job['data'] ?? null : null;
            if (is_array($data) && is_string($data['command'] ?? null) && str_contains($data['command'], $mark)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string>|null of all jobs that wait or are worked at */
    private static function payloads(): ?array
    {
        $queue = Queue::connection();
        if ($queue instanceof DatabaseQueue) {
            return self::strings(DB::table('jobs')->pluck('payload')->all());
        }
        if (! $queue instanceof RedisQueue) {
            return null;
        }
        $all = [];
        foreach (self::QUEUES as $name) {
            $key = $queue->getQueue($name);
            array_push(
                $all,
                ...self::strings($queue->getConnection()->command('lrange', [$key, 0, -1])),
                ...self::strings($queue->getConnection()->command('zrange', ["{$key}:reserved", 0, -1])),
                ...self::strings($queue->getConnection()->command('zrange', ["{$key}:delayed", 0, -1])),
            );
        }

        return $all;
    }

    /** @return list<string> */
    private static function strings(mixed $found): array
    {
        return is_array($found) ? array_values(array_filter($found, is_string(...))) : [];
    }
}
