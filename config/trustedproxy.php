<?php

declare(strict_types=1);

// Addresses of a server before this one that ends TLS, by commas: what it says of scheme and client is believed.
return ['proxies' => env('HYALIN_PROXIES')];
