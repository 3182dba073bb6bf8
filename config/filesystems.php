<?php

declare(strict_types=1);

return [
    'disks' => [
        // Pictures, print files and lighting. Any driver will do whose package is installed: docs/operations.md.
        'local' => [
            'driver' => env('HYALIN_FILES_DRIVER', 'local'),
            'root' => env('HYALIN_FILES', env('HYALIN_FILES_DRIVER', 'local') === 'local' ? storage_path('app/private') : ''),
            'serve' => false,
            'throw' => true,
            'report' => false,
            // Of ftp and sftp.
            'host' => env('HYALIN_FILES_HOST'),
            'username' => env('HYALIN_FILES_USER'),
            'password' => env('HYALIN_FILES_PASSWORD'),
            'port' => env('HYALIN_FILES_PORT'),
            // Of s3 and what speaks like it.
            'key' => env('HYALIN_FILES_USER'),
            'secret' => env('HYALIN_FILES_PASSWORD'),
            'region' => env('HYALIN_FILES_REGION'),
            'bucket' => env('HYALIN_FILES_BUCKET'),
            'endpoint' => env('HYALIN_FILES_HOST'),
            'use_path_style_endpoint' => true,
        ],
    ],
];
