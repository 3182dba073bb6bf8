<?php

declare(strict_types=1);

/**
 * The mode of PHP that mode.ini beside this file states. Loaded before any autoloader, by what starts a process.
 */
final class PhpMode
{
    /**
     * @return string|null the first setting in which this process differs, or that its functions are not compiled; null in the mode
     */
    public static function difference(): ?string
    {
        foreach (parse_ini_file(__DIR__.'/mode.ini', false, INI_SCANNER_RAW) ?: [] as $name => $asked) {
            $is = ini_get($name);
            if (is_string($asked) && $is !== $asked) {
                return "{$name} is ".($is === false || $is === '' ? 'not set' : $is).", not {$asked}";
            }
        }
        $status = opcache_get_status(false);
        $jit = is_array($status) && is_array($status['jit'] ?? null) ? $status['jit'] : [];

        return ($jit['on'] ?? false) === true ? null : 'functions are not compiled though opcache.jit asks for it';
    }

    /** Starts this command anew in the mode, once, unless it runs in it. Returns only in the mode; ends the process with 1 where that is not to be had. */
    public static function enter(): void
    {
        $difference = self::difference();
        if ($difference === null) {
            return;
        }
        if (getenv('HYALIN_MODE') === false && function_exists('pcntl_exec')) {
            pcntl_exec(PHP_BINARY, self::arguments(), ['HYALIN_MODE' => 'asked', ...getenv(), 'PHP_INI_SCAN_DIR' => self::folders()]);
        }
        fwrite(STDERR, "Hyalin cannot run in its mode of PHP: {$difference} (bin/php/mode.ini). Remove what sets it otherwise.\n");
        exit(1);
    }

    /** @return string for PHP_INI_SCAN_DIR: the machine's own folders first, so that mode.ini has the last word */
    public static function folders(): string
    {
        $folders = (string) getenv('PHP_INI_SCAN_DIR');

        return in_array(__DIR__, explode(':', $folders), true) ? $folders : "{$folders}:".__DIR__;
    }

    /** @return list<string> of this process: those before the script are kept where the system tells them */
    private static function arguments(): array
    {
        $line = @file_get_contents('/proc/self/cmdline');

        return $line === false ? array_values(array_filter((array) ($_SERVER['argv'] ?? []), is_string(...))) : array_slice(explode("\0", rtrim($line, "\0")), 1);
    }
}
