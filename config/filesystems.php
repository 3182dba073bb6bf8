<?php

declare(strict_types=1);

return [
    'disks' => [
        'local' => [
            'driver' => 'local',
            'root' => env('HYALIN_FILES', storage_path('app/private')),
            'serve' => false,
            'throw' => true,
            'report' => false,
        ],
    ],
];
