<?php

declare(strict_types=1);

// What PHP's own web server asks first (bin/demo): files of public/ go out with the headers that a page has, all else is the
// application's.
$public = dirname(__DIR__).'/public';
$asked = rawurldecode((string) parse_url(is_string($_SERVER['REQUEST_URI'] ?? null) ? $_SERVER['REQUEST_URI'] : '/', PHP_URL_PATH));
// No file has a NUL in its name; the application says that there is no such page.
$file = str_contains($asked, "\0") ? false : realpath($public.$asked);
$types = ['css' => 'text/css', 'js' => 'text/javascript', 'svg' => 'image/svg+xml', 'png' => 'image/png', 'ico' => 'image/x-icon', 'woff2' => 'font/woff2', 'json' => 'application/json', 'webmanifest' => 'application/manifest+json', 'txt' => 'text/plain'];
$type = $types[pathinfo((string) $file, PATHINFO_EXTENSION)] ?? null;
if ($type !== null && is_string($file) && str_starts_with($file, "{$public}/") && is_file($file)) {
    header("Content-Type: {$type}");
    header('X-Content-Type-Options: nosniff');
    header(str_starts_with($asked, '/build/') ? 'Cache-Control: public, max-age=31536000, immutable' : 'Cache-Control: public, max-age=3600');
    header('Content-Length: '.filesize($file));
    readfile($file);

    return;
}
require "{$public}/index.php";
