<?php

declare(strict_types=1);

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'painters'],
    'guards' => [
        'web' => ['driver' => 'session', 'provider' => 'painters'],
    ],
    'providers' => [
        'painters' => ['driver' => 'eloquent', 'model' => App\Models\Painter::class],
    ],
    'passwords' => [
        'painters' => ['provider' => 'painters', 'table' => 'password_reset_tokens', 'expire' => 60, 'throttle' => 60],
    ],
];
