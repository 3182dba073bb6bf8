<?php

declare(strict_types=1);

// Merged over the framework's own. Cookies go over TLS only where the installation is reached by it.
return ['secure' => env('SESSION_SECURE_COOKIE', str_starts_with((string) env('APP_URL', ''), 'https://'))];
