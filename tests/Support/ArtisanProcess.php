<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use RuntimeException;
use Symfony\Component\Console\Input\ArgvInput;
use Symfony\Component\Process\Process;
use Throwable;

/**
 * A command of the application in a process of its own, with its own standard input, output and error. The first command of a name
 * is started as anyone starts it; later ones are forked from this process, which spares the second that a new PHP takes to compile.
 */
final class ArtisanProcess
{
    /** A command that hangs is ended then. */
    private const MOST_SECONDS = 600;

    /** @var array<string, true> names of commands that were started as a new process */
    private static array $started = [];

    /**
     * @param  non-empty-list<string>  $arguments  the name first
     * @param  array<string, string>  $env
     * @return array{int, string, string} exit code, standard output, standard error
     */
    public static function run(array $arguments, string $input = '', array $env = []): array
    {
        if (isset(self::$started[$arguments[0]])) {
            return self::forked($arguments, $input, $env);
        }
        self::$started[$arguments[0]] = true;
        $process = new Process([PHP_BINARY, 'artisan', ...$arguments, '--no-interaction'], dirname(__DIR__, 2), $env, $input, self::MOST_SECONDS);

        return [$process->run(), $process->getOutput(), $process->getErrorOutput()];
    }

    /**
     * @param  non-empty-list<string>  $arguments
     * @param  array<string, string>  $env
     * @return array{int, string, string}
     */
    private static function forked(array $arguments, string $input, array $env): array
    {
        $files = [];
        foreach (['in', 'out', 'error', 'code'] as $name) {
            $files[$name] = (string) tempnam(sys_get_temp_dir(), 'artisan');
        }
        file_put_contents($files['in'], $input);
        $child = pcntl_fork();
        if ($child === 0) {
            self::inChild($arguments, $files, $env);
        }
        pcntl_waitpid($child, $status);
        $code = (string) file_get_contents($files['code']);
        $answer = [(int) $code, (string) file_get_contents($files['out']), (string) file_get_contents($files['error'])];
        array_map(unlink(...), $files);
        if ($code === '') {
            throw new RuntimeException("{$arguments[0]} did not end: {$answer[2]}");
        }

        return $answer;
    }

    /**
     * @param  non-empty-list<string>  $arguments
     * @param  array<string, string>  $files
     * @param  array<string, string>  $env
     */
    private static function inChild(array $arguments, array $files, array $env): never
    {
        pcntl_alarm(self::MOST_SECONDS);
        foreach ($env as $name => $value) {
            putenv("{$name}={$value}");
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
        while (ob_get_level() > 0) {
            ob_end_clean();
        }
        if (filesize($files['in']) > 0) {
            fclose(STDIN);
            // The lowest free number is given out first: this is standard input now.
            $in = fopen($files['in'], 'r');
        }
        $code = 255;
        try {
            $app = require dirname(__DIR__, 2).'/bootstrap/app.php';
            assert($app instanceof Application);
            $code = $app->make(Kernel::class)->handle(new ArgvInput(['artisan', ...$arguments, '--no-interaction']), new ForkedOutput($files['out'], $files['error']));
        } catch (Throwable $e) {
            file_put_contents($files['error'], $e->getMessage(), FILE_APPEND);
        }
        assert(! isset($in) || is_resource($in));
        file_put_contents($files['code'], (string) $code);
        // Without what the tests do at their end.
        posix_kill(posix_getpid(), SIGKILL);
        exit($code);
    }
}
