<?php

declare(strict_types=1);

// Merged by name over the framework's: an entry here must be complete.
return [
    'connections' => [
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'jobs',
            'queue' => 'default',
            // A worker that was killed leaves its job behind: another takes it up so many seconds after it was last heard of.
            'retry_after' => (int) env('HYALIN_RETRY_AFTER', 120),
            'after_commit' => true,
        ],
        'redis' => [
            'driver' => 'redis',
            'connection' => 'default',
            'queue' => 'default',
            // Longer than any job takes: it is not renewed there.
            'retry_after' => 1900,
            'block_for' => null,
            'after_commit' => true,
        ],
    ],
];
