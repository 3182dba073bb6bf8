<?php

declare(strict_types=1);

namespace App\Adapters\Operations;

use Illuminate\Filesystem\LocalFilesystemAdapter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use PhpMode;
use Throwable;

/**
 * How an installation fares: what its keeper, or a monitor, looks at.
 */
final readonly class Health
{
    /** Seconds that work may wait, and since when a worker must have been heard of while some waits. */
    private const WAITS = 600;

    private const SILENT = 120;

    /** Bytes that must be free. */
    private const ROOM = 1_073_741_824;

    /** Hours within which a backup was made, where they are made every night. */
    private const NIGHT = 36;

    private function __construct(public string $name, public bool $isWell, public string $words)
    {
    }

    /** @return list<self> */
    public static function all(): array
    {
        return [self::of('mode of PHP', self::mode(...)), self::of('database', self::database(...)), self::of('queue', self::queue(...)), self::of('disk', self::disk(...)), self::of('backup', self::backup(...))];
    }

    /** @param  callable(): array{bool, string}  $look */
    private static function of(string $name, callable $look): self
    {
        try {
            return new self($name, ...$look());
        } catch (Throwable $e) {
            report($e);

            return new self($name, false, 'It does not answer: see the log of the server.');
        }
    }

    /** @return array{bool, string} */
    private static function mode(): array
    {
        $difference = PhpMode::difference();

        return [$difference === null, $difference === null ? 'Functions are compiled whole, as in bin/php/mode.ini.' : "{$difference}: start it with bin/serve."];
    }

    /** @return array{bool, string} */
    private static function database(): array
    {
        $start = microtime(true);
        // Also that it can be written to: a full or read-only disk shows here.
        DB::transaction(static fn (): int => DB::table('migrations')->where('id', 1)->update(['batch' => DB::raw('batch')]));
        $ms = (int) round(1000 * (microtime(true) - $start));

        return [true, "Reads and writes, {$ms} ms."];
    }

    /** @return array{bool, string} */
    private static function queue(): array
    {
        $isInDatabase = config('queue.default') === 'database';
        // Elsewhere only how many there are is known, with those at work.
        $waiting = $isInDatabase ? DB::table('jobs')->whereNull('reserved_at')->count() : array_sum(array_map(static fn (string $queue): int => Queue::size($queue), ['short', 'long', 'later']));
        $oldest = $isInDatabase ? DB::table('jobs')->whereNull('reserved_at')->min('available_at') : null;
        $waits = is_int($oldest) ? max(0, time() - $oldest) : 0;
        $heard = Heartbeat::heard();
        $silent = $heard === null ? PHP_INT_MAX : time() - $heard;
        $isBusy = $isInDatabase ? DB::table('jobs')->where('reserved_at', '>', time() - self::SILENT)->exists() : $waiting > 0;
        $worker = $heard === null ? 'no worker was ever heard of' : "a worker was heard of {$silent} s ago";

        return [$waits < self::WAITS && ($silent < self::SILENT || $isBusy), "{$waiting} waiting".($waits > 0 ? ", the first for {$waits} s" : '')."; {$worker}."];
    }

    /** @return array{bool, string} */
    private static function disk(): array
    {
        $disk = Storage::disk('local');
        if (! $disk instanceof LocalFilesystemAdapter) {
            $disk->put('health', (string) time());

            return [$disk->exists('health'), 'Files are kept elsewhere, and can be written.'];
        }
        $path = $disk->path('');
        $free = (float) disk_free_space(is_dir($path) ? $path : storage_path());

        return [$free >= self::ROOM, sprintf('%.1f GB free.', $free / 1_073_741_824)];
    }

    /** @return array{bool, string} */
    private static function backup(): array
    {
        $last = max([0, ...array_map(static fn (string $file): int => (int) filemtime($file), glob(config()->string('hyalin.backups.folder').'/hyalin-*.zip') ?: [])]);
        $first = DB::table('painters')->min('created_at');
        $hours = intdiv(time() - ($last ?: (is_string($first) ? (int) strtotime("{$first} UTC") : time())), 3600);

        return [$hours < self::NIGHT, $last === 0 ? 'None yet.' : ($hours === 0 ? 'The last one is less than an hour old.' : "The last one is {$hours} hours old.")];
    }
}
