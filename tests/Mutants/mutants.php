<?php

declare(strict_types=1);

/*
 * bin/mutants ROOM [N] [dice]: puts N small faults into a room of the core, one at a time, and counts how many the tests notice that
 * run the line. Works on a copy. Lines that no test of the core runs are not tried; how many there are is told.
 */

use Random\Engine\Mt19937;
use Random\Randomizer;
use SebastianBergmann\CodeCoverage\CodeCoverage;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;
use Tests\Mutants\Mutations;

$root = dirname(__DIR__, 2);
require "{$root}/bin/php/PhpMode.php";
PhpMode::enter();
require "{$root}/vendor/autoload.php";

[$room, $count, $dice] = [$argv[1] ?? '', $argv[2] ?? '40', $argv[3] ?? '2026'];
if (! is_dir("{$root}/core/{$room}") || $room === '') {
    fwrite(STDERR, "usage: bin/mutants ROOM [N] [dice]; a room is a folder of core\n");
    exit(2);
}
$copy = sys_get_temp_dir().'/hyalin-mutants-'.bin2hex(random_bytes(4));
mkdir($copy);
register_shutdown_function(static fn () => (new Process(['rm', '-rf', $copy]))->run());
foreach (['core', 'app', 'tests', 'bin', 'database', 'bootstrap', 'config', 'routes', 'docs', 'composer.json', 'phpunit.xml', 'artisan'] as $part) {
    (new Process(['cp', '-r', "{$root}/{$part}", $copy]))->mustRun();
}
// Nothing of it is changed, so it may be the same on disk.
(new Process(['cp', '-al', "{$root}/vendor", $copy]))->mustRun();

// Which tests run which line: told once, by PHP without its compiler, as coverage switches that off.
$coverage = new Process([PHP_BINARY, '-d', 'extension=pcov', '-d', 'pcov.enabled=1', '-d', 'pcov.directory='.$copy.'/core', '-d', 'opcache.enable_cli=0', 'vendor/bin/phpunit', '--do-not-cache-result', '--testsuite', 'Core', '--filter', "/Tests\\\\Core\\\\{$room}\\\\/", '--coverage-filter', 'core', '--coverage-php', "{$copy}/coverage"], $copy, ['HYALIN_MODE' => 'coverage'], null, null);
$coverage->run();
if ($coverage->getExitCode() !== 0 || ! is_file("{$copy}/coverage")) {
    fwrite(STDERR, $coverage->getOutput().$coverage->getErrorOutput());
    exit(1);
}
$told = require "{$copy}/coverage";
assert($told instanceof CodeCoverage);
/** @var array<string, array<int, list<string>|null>> $lines tests by file and line */
$lines = $told->getData()->lineCoverage();

$all = $bare = [];
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$copy}/core/{$room}", FilesystemIterator::SKIP_DOTS)) as $file) {
    if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
        foreach (Mutations::of($file->getPathname()) as $mutation) {
            $tests = $lines[$mutation['file']][$mutation['line']] ?? [];
            $tests === [] ? $bare[] = $mutation : $all[] = [$mutation, $tests];
        }
    }
}
if ($all === []) {
    fwrite(STDERR, "no test runs a line of {$room}\n");
    exit(1);
}
$lived = $died = 0;
foreach ((new Randomizer(new Mt19937((int) $dice)))->pickArrayKeys($all, max(1, min(count($all), (int) $count))) as $key) {
    [$mutation, $tests] = $all[$key];
    $whole = (string) file_get_contents($mutation['file']);
    file_put_contents($mutation['file'], substr($whole, 0, $mutation['from']).$mutation['is'].substr($whole, $mutation['to']));
    // A test with a hundred sets of data is one of them.
    $names = array_slice(array_unique(array_map(static fn (string $t): string => preg_quote(preg_replace('/[#@].*| with data set.*/', '', $t) ?? $t, '/'), $tests)), 0, 60);
    $run = new Process([PHP_BINARY, 'vendor/bin/phpunit', '--do-not-cache-result', '--stop-on-defect', '--fail-on-empty-test-suite', '--testsuite', 'Core', '--filter', '/^('.implode('|', $names).')/'], $copy, null, null, 240);
    try {
        $noticed = $run->run() !== 0;
    } catch (ProcessTimedOutException) {
        $noticed = true;
    }
    file_put_contents($mutation['file'], $whole);
    $noticed ? $died++ : $lived++;
    if (! $noticed) {
        printf("lives: %s:%d  %s  ->  %s\n", substr($mutation['file'], strlen($copy) + 1), $mutation['line'], trim(substr($mutation['was'], 0, 90)), trim(substr($mutation['is'], 0, 90)));
    }
}
printf("%s: %d of %d faults noticed, %.0f %%; %d places no test of the room runs (dice %s)\n", $room, $died, $died + $lived, 100 * $died / max(1, $died + $lived), count($bare), $dice);
