<?php

declare(strict_types=1);

/*
 * How much of the code is tests: lines that are not empty, of what is written by hand. What commands write (types, schema,
 * lock files) and data count for neither.
 */

$root = dirname(__DIR__, 2);
$listed = (string) shell_exec('git -C '.escapeshellarg($root).' ls-files');
$tests = $code = 0;
foreach (array_filter(explode("\n", $listed)) as $file) {
    $isCode = preg_match('#\.(php|tsx?|m?js|css|sh)\z|^bin/#', $file) === 1;
    if (! $isCode || preg_match('#generated\.d\.ts\z|types/ziggy|/data/#', $file) === 1 || ! is_file("{$root}/{$file}")) {
        continue;
    }
    $lines = count(array_filter(file("{$root}/{$file}") ?: [], static fn (string $line): bool => trim($line) !== ''));
    str_starts_with($file, 'tests/') ? $tests += $lines : $code += $lines;
}
printf("Tests are %.1f %% of all code lines (%d of %d), %.1f %% of the code they test.\n", 100 * $tests / ($tests + $code), $tests, $tests + $code, 100 * $tests / $code);
