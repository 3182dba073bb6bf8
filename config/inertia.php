<?php

declare(strict_types=1);

// Package configurations are merged one level deep only.
return [
    'ssr' => ['enabled' => false],
    'pages' => [
        'ensure_pages_exist' => false,
        'paths' => [resource_path('js/pages')],
        'extensions' => ['tsx'],
    ],
    'testing' => ['ensure_pages_exist' => true],
    'devtools' => ['enabled' => false],
];
