<?php

declare(strict_types=1);

namespace App\Adapters;

use App\Models\Task;
use App\Models\TaskState;
use Illuminate\Queue\DatabaseQueue;
use Illuminate\Queue\RedisQueue;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/**
 * Fails tasks whose job is gone. A worker that is killed while it gives a job up leaves neither the job nor a failure, and so does a
 * request that is killed before it queues the job. The next page that asks shows the failure.
 */
final class LostTask
{
    /** Seconds in which it was not heard of. */
    private const SILENT = 30;

    private const QUEUES = ['short', 'long', 'later', 'default'];

    /** @param  Task|null  $task  marked failed here if no job works at it; null for a record that has none */
    public static function tell(?Task $task): void
    {
        if ($task === null || ! $task->isOpen() || $task->updated_at > now()->subSeconds(self::SILENT) || self::isQueued($task)) {
            return;
        }
        Task::query()->whereKey($task->id)->whereIn('state', TaskState::OPEN)
            // Asked for again, or heard of, in this moment: then it is not lost.
            ->where('updated_at', $task->getRawOriginal('updated_at'))
            ->update(['state' => TaskState::Failed, 'problem' => "{$task->kind->failed()}: the server ended meanwhile. Try again."]);
        $task->refresh();
    }

    /** Where a queue cannot be looked into, everything may be in it. */
    private static function isQueued(Task $task): bool
    {
        $payloads = self::payloads();
        if ($payloads === null) {
            return true;
        }
        // As the task stands in the payload of its job (SerializesModels).
        $mark = serialize('class').serialize($task::class).serialize('id').serialize($task->id);
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
