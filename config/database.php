<?php

declare(strict_types=1);

// The "connections" list is merged by name over the framework's: an entry here must be complete.
return [
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'url' => null,
            'database' => env('DB_DATABASE', database_path('database.sqlite')),
            'prefix' => '',
            'prefix_indexes' => null,
            'foreign_key_constraints' => true,
            'busy_timeout' => 15000,
            'journal_mode' => 'wal',
            'synchronous' => 'normal',
            'transaction_mode' => 'IMMEDIATE',
            'pragmas' => [],
        ],
    ],
];
