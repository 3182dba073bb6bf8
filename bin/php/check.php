<?php

declare(strict_types=1);

/*
 * bin/serve --check: serves this installation once more, with the machine's own settings, in a folder and on a port of its own, and
 * does once what a keeper wants to be sure of. A line each; exit code 1 when one fails. What it makes goes with its folder.
 */

use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Psr\Http\Message\ResponseInterface;
use Symfony\Component\Process\Process;

require __DIR__.'/PhpMode.php';
PhpMode::enter();
$root = dirname(__DIR__, 2);
require "{$root}/vendor/autoload.php";

final class Check
{
    private const PATIENCE = 180;

    public readonly string $folder;

    private Process $serve;

    private Client $client;

    private CookieJar $cookies;

    private bool $isWell = true;

    /** @var array<string, string> */
    public readonly array $env;

    public function __construct(private readonly string $root)
    {
        $this->folder = sys_get_temp_dir().'/hyalin-check-'.bin2hex(random_bytes(6));
        foreach (['files', 'logs', 'run', 'backups', 'storage/app/private', 'storage/framework/cache/data', 'storage/framework/sessions', 'storage/framework/views', 'storage/logs'] as $part) {
            mkdir("{$this->folder}/{$part}", 0o755, true);
        }
        touch("{$this->folder}/database.sqlite");
        $free = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('no free port');
        $port = (string) preg_replace('/.*:/', '', (string) stream_socket_get_name($free, false));
        fclose($free);
        $this->env = [
            'HOST' => '127.0.0.1', 'PORT' => $port, 'WEB_WORKERS' => '2', 'QUEUE_WORKERS' => '1', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$this->folder}/database.sqlite", 'LARAVEL_STORAGE_PATH' => "{$this->folder}/storage",
            'HYALIN_FILES' => "{$this->folder}/files", 'HYALIN_RUN' => "{$this->folder}/run", 'HYALIN_LOGS' => "{$this->folder}/logs", 'HYALIN_BACKUPS' => "{$this->folder}/backups", 'HYALIN_SIGN_UP' => 'open', 'HYALIN_DEMO' => 'false',
            'CACHE_STORE' => 'file', 'SESSION_DRIVER' => 'file', 'QUEUE_CONNECTION' => 'database', 'MAIL_MAILER' => 'log', 'APP_URL' => "http://127.0.0.1:{$port}", 'SESSION_SECURE_COOKIE' => 'false',
        ];
        // Its own root process of nginx and FPM steps down to who owns storage.
        if (function_exists('posix_geteuid') && posix_geteuid() === 0) {
            (new Process(['chown', '-R', (string) fileowner("{$root}/storage"), $this->folder]))->mustRun();
        }
        $this->serve = new Process(["{$root}/bin/serve"], $root, $this->env, null, null);
        $this->cookies = new CookieJar;
        $this->client = new Client(['base_uri' => "http://127.0.0.1:{$port}", 'http_errors' => false, 'cookies' => $this->cookies, 'allow_redirects' => false, 'timeout' => 60]);
    }

    /** @param  callable(): (string|null)  $do  returns what it found, to be told; throws when it failed */
    public function step(string $name, callable $do): void
    {
        if (! $this->isWell) {
            printf("-     %s: not tried\n", $name);

            return;
        }
        $began = microtime(true);
        try {
            $said = $do();
            printf("ok    %s%s (%.1f s)\n", $name, $said === null ? '' : ": {$said}", microtime(true) - $began);
        } catch (Throwable $e) {
            $this->isWell = false;
            printf("FAIL  %s: %s\n", $name, $e->getMessage());
        }
    }

    public function start(): void
    {
        $this->serve->start();
        $this->until(fn (): bool => $this->isUp(), 'it does not answer');
        // A worker must have been heard of before all is well.
        $this->until(fn (): bool => $this->ask('GET', '/health.json')->getStatusCode() === 200, 'it is not well');
    }

    public function reload(): void
    {
        $this->serve->signal(SIGHUP);
        usleep(200_000);
        $this->serve->signal(SIGHUP);
        for ($n = 0; $n < 30; $n++) {
            $this->expect(200, $this->ask('GET', '/up'));
            usleep(200_000);
        }
        $this->serve->isRunning() || throw new RuntimeException('it ended: '.substr($this->serve->getErrorOutput(), -400));
    }

    public function end(): int
    {
        if ($this->serve->isRunning()) {
            $this->step('end', function (): null {
                $this->serve->signal(SIGTERM);
                $this->until(fn (): bool => ! $this->serve->isRunning(), 'it does not end');

                return null;
            });
        }
        $this->serve->stop(5.0);
        if (! $this->isWell) {
            fwrite(STDERR, substr($this->serve->getErrorOutput(), -2000));
            foreach (glob("{$this->folder}/{logs,storage/logs}/*.log", GLOB_BRACE) ?: [] as $log) {
                fwrite(STDERR, "{$log}:\n".substr((string) file_get_contents($log), -1500)."\n");
            }
        }
        (new Process(['rm', '-rf', $this->folder]))->run();

        return $this->isWell ? 0 : 1;
    }

    /** @param  array<string, mixed>  $options  of Guzzle */
    public function ask(string $method, string $path, array $options = []): ResponseInterface
    {
        $token = $this->cookies->getCookieByName('XSRF-TOKEN')?->getValue();
        $headers = ['Accept' => 'application/json', ...$token === null ? [] : ['X-XSRF-TOKEN' => urldecode($token)]];

        return $this->client->request($method, $path, ['headers' => [...$headers, ...is_array($options['headers'] ?? null) ? $options['headers'] : []], ...array_diff_key($options, ['headers' => true])]);
    }

    /** @return array<string, mixed> of its JSON */
    public function expect(int $status, ResponseInterface $answer): array
    {
        $body = (string) $answer->getBody();
        if ($answer->getStatusCode() !== $status) {
            throw new RuntimeException("answered {$answer->getStatusCode()}, not {$status}: ".substr(strip_tags($body), 0, 300));
        }
        $found = json_decode($body, true);

        return is_array($found) ? array_filter($found, is_string(...), ARRAY_FILTER_USE_KEY) : [];
    }

    /** @param  string|null  $within  where in the answer the task stands; null for the whole of it */
    public function stateOf(string $path, ?string $within = null): ?string
    {
        $answer = $this->expect(200, $this->ask('GET', $path));
        $task = $within === null ? $answer : $answer[$within] ?? null;

        return is_array($task) && is_string($task['state'] ?? null) ? $task['state'] : null;
    }

    /** @param  callable(): bool  $is */
    public function until(callable $is, string $otherwise): void
    {
        for ($end = microtime(true) + self::PATIENCE; microtime(true) < $end; usleep(200_000)) {
            if ($is()) {
                return;
            }
        }
        throw new RuntimeException("{$otherwise}, after ".self::PATIENCE.' s');
    }

    public function artisan(string ...$arguments): string
    {
        return (new Process([PHP_BINARY, 'artisan', ...$arguments], $this->root, $this->env, null, 600))->mustRun()->getOutput();
    }

    private function isUp(): bool
    {
        if (! $this->serve->isRunning()) {
            throw new RuntimeException('bin/serve ended: '.substr($this->serve->getErrorOutput(), -600));
        }
        try {
            return $this->ask('GET', '/up')->getStatusCode() === 200;
        } catch (GuzzleHttp\Exception\ConnectException) {
            return false;
        }
    }
}

/** A cube of 20 mm as binary STL. */
function cube(): string
{
    $corners = static fn (int $n): array => [20.0 * ($n & 1), 20.0 * ($n >> 1 & 1), 20.0 * ($n >> 2 & 1)];
    $facets = '';
    foreach ([[0, 2, 1], [1, 2, 3], [4, 5, 6], [5, 7, 6], [0, 1, 4], [1, 5, 4], [2, 6, 3], [3, 6, 7], [0, 4, 2], [2, 4, 6], [1, 3, 5], [3, 7, 5]] as $facet) {
        $facets .= pack('g3', 0.0, 0.0, 0.0).implode('', array_map(static fn (int $n): string => pack('g3', ...$corners($n)), $facet)).pack('v', 0);
    }

    return str_pad('cube', 80).pack('V', 12).$facets;
}

$backups = getenv('HYALIN_BACKUPS') ?: "{$root}/storage/backups";
$check = new Check($root);
register_shutdown_function(static fn () => (new Process(['rm', '-rf', $check->folder]))->run());
$account = ['name' => 'Check', 'email' => 'check@hyalin.example', 'password' => bin2hex(random_bytes(8))];
$figure = 0;
$bench = '';

$built = static fn (): string => (string) @filemtime("{$root}/public/build/manifest.json");
$before = $built();
$check->step('start', static function () use ($check, $built, $before): null {
    $check->start();
    // The live server beside it would lose its pages.
    $before === '' || $built() === $before || throw new RuntimeException('it built the interface anew, beside whatever serves it');

    return null;
});
$check->step('make an account', static function () use ($check, $account): null {
    $check->ask('GET', '/sign-up');
    $check->expect(302, $check->ask('POST', '/sign-up', ['json' => $account, 'headers' => ['Accept' => 'text/html']]));

    return null;
});
$check->step('make a figure with paint', static function () use ($check, &$figure): null {
    $place = $check->ask('POST', '/figures', ['json' => ['name' => 'Check'], 'headers' => ['Accept' => 'text/html']])->getHeaderLine('Location');
    $figure = preg_match('~/figures/(\d+)~', $place, $found) === 1 ? (int) $found[1] : throw new RuntimeException("no figure was made: {$place}");
    $check->expect(201, $check->ask('POST', '/shelf/paints', ['json' => ['maker' => 'Check', 'name' => 'Ochre', 'kind' => 'acrylic', 'sheen' => 'matt', 'thickHex' => '#a07840', 'opacity' => '2', 'strength' => 'usual', 'levelPercent' => 100]]));
    $check->expect(302, $check->ask('POST', "/figures/{$figure}/areas", ['json' => ['name' => 'Cloak'], 'headers' => ['Accept' => 'text/html']]));

    return null;
});
$check->step('print a PDF', static function () use ($check, &$figure): string {
    $answer = $check->ask('GET', "/figures/{$figure}/card.pdf", ['headers' => ['Accept' => '*/*']]);
    $bytes = (string) $answer->getBody();
    $check->expect(200, $answer);
    str_starts_with($bytes, '%PDF') || throw new RuntimeException('what came is no PDF');

    return strlen($bytes).' bytes';
});
$check->step('upload a print file', static function () use ($check, &$figure): string {
    $bytes = cube();
    $upload = $check->expect(201, $check->ask('POST', "/figures/{$figure}/mesh-uploads", ['json' => ['name' => 'cube.stl', 'bytes' => strlen($bytes), 'fingerprint' => 'check']]));
    $id = is_int($upload['id'] ?? null) ? $upload['id'] : 0;
    $check->expect(200, $check->ask('POST', "/figures/{$figure}/mesh-uploads/{$id}/pieces?at=0", ['body' => $bytes, 'headers' => ['Content-Type' => 'application/octet-stream']]));
    $check->until(static fn (): bool => in_array($check->expect(200, $check->ask('GET', "/figures/{$figure}/mesh-uploads/{$id}"))['state'] ?? null, ['done', 'failed'], true), 'the print file is not read');
    $state = $check->expect(200, $check->ask('GET', "/figures/{$figure}/mesh-uploads/{$id}"))['state'] ?? null;

    return $state === 'done' ? '12 facets' : throw new RuntimeException('it was not read');
});
$check->step('run a light job', static function () use ($check, &$figure): null {
    $check->expect(202, $check->ask('POST', "/figures/{$figure}/light"));
    $check->until(static fn (): bool => $check->stateOf("/figures/{$figure}/light/shown", 'lighting') === 'done', 'the light is not calculated');

    return null;
});
$check->step('export', static function () use ($check, &$bench): string {
    $answer = $check->ask('GET', '/bench.zip', ['headers' => ['Accept' => '*/*']]);
    $bench = (string) $answer->getBody();
    $check->expect(200, $answer);

    return strlen($bench).' bytes';
});
$check->step('delete and import it', static function () use ($check, &$figure, &$bench): null {
    $check->ask('DELETE', "/figures/{$figure}");
    $incoming = $check->expect(202, $check->ask('POST', '/bench', ['multipart' => [['name' => 'bench', 'contents' => $bench, 'filename' => 'bench.zip']]]));
    $id = is_int($incoming['id'] ?? null) ? $incoming['id'] : 0;
    $check->until(static fn (): bool => in_array($check->stateOf("/tasks/{$id}"), ['done', 'failed', 'asks'], true), 'the bench is not imported');
    $state = $check->stateOf("/tasks/{$id}");
    $state === 'done' || throw new RuntimeException('it was not imported: '.json_encode($state));

    return null;
});
$check->step('reload twice', static function () use ($check): null {
    $check->reload();

    return null;
});
$check->step("restore last night's backup", static function () use ($check, $backups): string {
    $files = glob("{$backups}/hyalin-*.zip") ?: [];
    $newest = $files === [] ? null : $files[array_key_last($files)];
    if ($newest === null) {
        $newest = "{$check->folder}/backups/hyalin-own.zip";
        $check->artisan('hyalin:backup', $newest);
    }
    $said = $check->artisan('hyalin:restore', $newest, '--force');
    $check->expect(200, $check->ask('GET', '/health.json'));

    return basename($newest).($files === [] ? ', made just now, as there is none yet' : '').'. '.strtok($said, "\n");
});
exit($check->end());
