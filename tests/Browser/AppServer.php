<?php

declare(strict_types=1);

namespace Tests\Browser;

use RuntimeException;
use SQLite3;
use Symfony\Component\Process\Process;
use Tests\Support\SeededDemo;

/**
 * The application under test, started once for the whole browser suite, its database seeded anew for every test: its own
 * SQLite file and storage folder, PHP's own web server, one queue worker, and ChromeDriver, on free loopback ports.
 */
final class AppServer
{
    private static ?self $instance = null;

    /** @var array<string, resource> */
    private array $processes = [];

    /** @var array<string, int> process groups; each child leads its own */
    private array $groups = [];

    public readonly string $directory;

    public readonly string $url;

    public readonly string $driverUrl;

    /** @var array<string, string> of the server and its worker */
    private array $env;

    public static function instance(): self
    {
        return self::$instance ??= new self;
    }

    private function __construct()
    {
        $root = dirname(__DIR__, 2);
        if (! is_file($root.'/public/build/manifest.json') || is_file($root.'/public/hot')) {
            throw new RuntimeException('Run `npm run build` first (and stop the Vite dev server).');
        }
        $this->directory = sys_get_temp_dir().'/hyalin-browser-'.bin2hex(random_bytes(6));
        foreach (['app', 'framework/cache/data', 'framework/sessions', 'framework/views', 'logs'] as $folder) {
            mkdir($this->directory.'/storage/'.$folder, 0o700, true);
        }
        register_shutdown_function($this->stop(...));
        pcntl_async_signals(true);
        foreach ([SIGINT => 130, SIGTERM => 143, SIGHUP => 129] as $signal => $code) {
            pcntl_signal($signal, static fn () => exit($code));
        }
        $port = self::freePort();
        $this->url = "http://127.0.0.1:{$port}";
        // The <env> values of phpunit.xml reach child processes: all that matter are set again here.
        $this->env = [
            'APP_ENV' => 'testing', 'APP_DEBUG' => 'true', 'APP_URL' => $this->url,
            'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => $this->directory.'/database.sqlite', 'QUEUE_CONNECTION' => 'database',
            'CACHE_STORE' => 'file', 'SESSION_DRIVER' => 'file', 'LOG_CHANNEL' => 'single', 'HYALIN_DEMO' => 'true', 'HYALIN_SIGN_INS_A_MINUTE' => '60',
            'LARAVEL_STORAGE_PATH' => $this->directory.'/storage', 'PHP_CLI_SERVER_WORKERS' => '4',
        ];
        SeededDemo::copyTo($this->directory.'/seeded.sqlite', $this->directory.'/storage/app/private');
        copy($this->directory.'/seeded.sqlite', $this->directory.'/database.sqlite');
        $this->remember($root);
        $this->serve();
        $this->start('worker', [PHP_BINARY, 'artisan', 'queue:work', '--queue=short,long,later', '--sleep=0.1', '--tries=1'], $root, $this->env);
        $driverPort = self::freePort();
        $this->driverUrl = "http://127.0.0.1:{$driverPort}";
        $this->start('chromedriver', ['/usr/bin/chromedriver', "--port={$driverPort}"], $root, []);
        $this->await('chromedriver', $this->driverUrl.'/status', 90);
    }

    /** Settings and routes are compiled once, as bin/demo and bin/serve do. */
    private function remember(string $root): void
    {
        $caches = ['APP_CONFIG_CACHE' => "{$this->directory}/config.php", 'APP_ROUTES_CACHE' => "{$this->directory}/routes.php"];
        foreach (['config:cache', 'route:cache'] as $command) {
            (new Process([PHP_BINARY, 'artisan', $command, '--quiet'], $root, [...$this->env, ...$caches]))->mustRun();
        }
        $this->env = [...$this->env, ...$caches];
    }

    /** The database as the demo seeds it: what one test does, the next does not see. Files that are seeded are never changed. */
    public function reset(): void
    {
        $seeded = new SQLite3($this->directory.'/seeded.sqlite', SQLITE3_OPEN_READONLY);
        $live = new SQLite3($this->directory.'/database.sqlite');
        $live->busyTimeout(30_000);
        if (! $seeded->backup($live)) {
            throw new RuntimeException('The seeded database could not be brought back: '.$live->lastErrorMsg());
        }
        $live->close();
        $seeded->close();
        // An answer that came late brings the cookie of its session back.
        array_map(unlink(...), glob("{$this->directory}/storage/framework/sessions/*") ?: []);
    }

    /** Begins to serve, again after it was killed. */
    public function serve(): void
    {
        $root = dirname(__DIR__, 2);
        $router = $root.'/bin/router.php';
        $this->start('web', [PHP_BINARY, '-d', 'variables_order=EGPCS', '-d', 'upload_max_filesize=256M', '-d', 'post_max_size=260M', '-S', substr($this->url, strlen('http://')), $router], $root.'/public', $this->env);
        $this->await('web', $this->url.'/up', 90);
    }

    /** As a power cut would: no process gets to say goodbye. */
    public function kill(): void
    {
        posix_kill(-$this->groups['web'], SIGKILL);
        $this->exitCode('web', 10);
    }

    /**
     * @param  non-empty-list<string>  $command
     * @param  array<string, string>  $env
     */
    private function start(string $name, array $command, string $cwd, array $env): void
    {
        // setsid: a process group of its own, so that forked workers and browsers end with their parent. Output goes to
        // a file: a pipe that nobody reads during a test fills up and blocks the server.
        $log = ['file', "{$this->directory}/{$name}.log", 'a'];
        $process = proc_open(['setsid', ...$command], [['file', '/dev/null', 'r'], $log, $log], $pipes, $cwd, [...getenv(), ...$env]);
        if ($process === false) {
            throw new RuntimeException("{$name} cannot be started");
        }
        $this->processes[$name] = $process;
        $this->groups[$name] = proc_get_status($process)['pid'];
    }

    private function exitCode(string $name, float $seconds): ?int
    {
        $end = microtime(true) + $seconds;
        do {
            $status = proc_get_status($this->processes[$name]);
            if (! $status['running']) {
                unset($this->groups[$name], $this->processes[$name]);

                return $status['exitcode'];
            }
            usleep(20_000);
        } while (microtime(true) < $end);

        return null;
    }

    private function await(string $name, string $url, float $seconds): void
    {
        $context = stream_context_create(['http' => ['timeout' => 2, 'ignore_errors' => true]]);
        $end = microtime(true) + $seconds;
        while (microtime(true) < $end && proc_get_status($this->processes[$name])['running']) {
            $http_response_header = [];
            if (@file_get_contents($url, false, $context) !== false && str_contains($http_response_header[0] ?? '', ' 200 ')) {
                return;
            }
            usleep(50_000);
        }

        throw new RuntimeException("{$name} did not get ready: ".$this->log($name));
    }

    /** What the application logged last, and what its web server said that was not a plain request. */
    public function words(): string
    {
        $log = "{$this->directory}/storage/logs/laravel.log";
        $web = array_filter(
            explode("\n", $this->log('web')),
            static fn (string $line): bool => preg_match('/(Accepted|Closing|\[200\])/', $line) !== 1,
        );

        return implode("\n", $web)."\n".(is_file($log) ? substr((string) file_get_contents($log), -3000) : '');
    }

    private function log(string $name): string
    {
        return substr((string) file_get_contents("{$this->directory}/{$name}.log"), -4000);
    }

    public function stop(): void
    {
        foreach ($this->groups as $group) {
            posix_kill(-$group, SIGTERM);
        }
        foreach ($this->groups as $name => $group) {
            $this->exitCode($name, 5);
            posix_kill(-$group, SIGKILL);
        }
        $this->groups = $this->processes = [];
        exec('rm -rf -- '.escapeshellarg($this->directory));
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        if ($socket === false) {
            throw new RuntimeException('no free port');
        }
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }
}
