<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use RuntimeException;
use Symfony\Component\Console\Input\ArgvInput;
use Throwable;

/**
 * A command of the application in a process of its own, forked from this one: its own standard input, output and error, without
 * the second that a new PHP takes to compile them.
 */
final class ForkedArtisan
{
    /** @return array{int, string, string} exit code, standard output, standard error */
    public static function run(string $command, string $input): array
    {
        $files = [];
        foreach (['in', 'out', 'error', 'code'] as $name) {
            $files[$name] = (string) tempnam(sys_get_temp_dir(), 'artisan');
        }
        file_put_contents($files['in'], $input);
        $child = pcntl_fork();
        if ($child === 0) {
            self::inChild($command, $files);
        }
        pcntl_waitpid($child, $status);
        $code = (string) file_get_contents($files['code']);
        $answer = [(int) $code, (string) file_get_contents($files['out']), (string) file_get_contents($files['error'])];
        array_map(unlink(...), $files);
        if ($code === '') {
            throw new RuntimeException("{$command} did not end: {$answer[2]}");
        }

        return $answer;
    }

    /** @param  array<string, string>  $files */
    private static function inChild(string $command, array $files): never
    {
        while (ob_get_level() > 0) {
            ob_end_clean();
        }
        fclose(STDIN);
        // The lowest free number is given out first: this is standard input now.
        $in = fopen($files['in'], 'r');
        $code = 255;
        try {
            $app = require dirname(__DIR__, 2).'/bootstrap/app.php';
            assert($app instanceof Application);
            $code = $app->make(Kernel::class)->handle(new ArgvInput(['artisan', ...explode(' ', $command), '--no-interaction']), new ForkedOutput($files['out'], $files['error']));
        } catch (Throwable $e) {
            file_put_contents($files['error'], $e->getMessage(), FILE_APPEND);
        }
        assert(is_resource($in));
        file_put_contents($files['code'], (string) $code);
        // Without what the tests do at their end.
        posix_kill(posix_getpid(), SIGKILL);
        exit($code);
    }
}
