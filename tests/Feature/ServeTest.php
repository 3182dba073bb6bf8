<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase as PlainTestCase;
use Symfony\Component\Process\Process;
use Tests\Support\SystemdHost;

/**
 * The systemd unit of docs/examples, started by systemd: nginx, PHP-FPM, workers and schedule of Debian's packages, killed,
 * restarted and stopped.
 */
#[Group('sculpted')]
final class ServeTest extends PlainTestCase
{
    private const PATIENCE = 90.0;

    private const UNIT = __DIR__.'/../../docs/examples/hyalin.service';

    private string $folder;

    private string $url;

    private ?SystemdHost $host = null;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/hyalin-serve-'.uniqid();
        mkdir("{$this->folder}/units/hyalin.service.d", recursive: true);
        copy(self::UNIT, "{$this->folder}/units/hyalin.service");
    }

    protected function tearDown(): void
    {
        $this->host?->stop();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    /** The unit as it is, on a free port, with what it keeps in a folder of this test. */
    private function start(): SystemdHost
    {
        $free = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($free);
        $port = (string) preg_replace('/.*:/', '', (string) stream_socket_get_name($free, false));
        fclose($free);
        $this->url = "http://127.0.0.1:{$port}";
        touch("{$this->folder}/database.sqlite");
        $settings = ['PORT' => $port, 'WEB_WORKERS' => '3', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$this->folder}/database.sqlite", 'HYALIN_FILES' => "{$this->folder}/files",
            'HYALIN_RUN' => "{$this->folder}/run", 'HYALIN_LOGS' => "{$this->folder}/logs", 'HYALIN_BACKUPS' => "{$this->folder}/backups", 'CACHE_STORE' => 'file', 'QUEUE_CONNECTION' => 'database', 'SESSION_DRIVER' => 'file'];
        file_put_contents("{$this->folder}/units/hyalin.service.d/here.conf", "[Service]\nStandardOutput=inherit\n".implode('', array_map(static fn (string $name, string $value): string => "Environment=\"{$name}={$value}\"\n", array_keys($settings), $settings)));
        $this->host = new SystemdHost(dirname(__DIR__, 2), "{$this->folder}/units", $this->folder);
        $this->host->mustDo('start', 'hyalin');

        return $this->host;
    }

    public function test_systemd_serves_replaces_what_is_killed_and_restarts_gracefully(): void
    {
        $host = $this->start();
        // Well from when its queue worker has been heard of: on a busy machine that is after the pages are there.
        $body = '';
        $this->until(function () use (&$body): bool {
            [$status, $body] = $this->ask('/health.json');

            return $status === 200;
        }, function () use (&$body): string {
            return "it is not well: {$body}";
        });
        self::assertStringContainsString('a worker was heard of', $body);
        // What a page loads and where it leads is on the host and port that was asked, whatever another host a request names.
        [$status, $page] = $this->ask('/sign-in');
        self::assertSame(200, $status);
        self::assertStringContainsString("href=\"{$this->url}/build/", $page);
        self::assertStringContainsString("Location: {$this->url}/sign-in\r\n", $this->ask('/', ['-i'])[1]);
        self::assertStringNotContainsString('elsewhere.example', $this->ask('/sign-in', ['--request-target', "{$this->url}/sign-in", '-H', 'Host: elsewhere.example'])[1]);
        // What has no route is no file either, and no script runs but the one.
        self::assertSame([404, 404], [$this->ask('/.env')[0], $this->ask('/index.php')[0]]);
        self::assertStringContainsString('nosniff', $this->ask('/icon.svg', ['-I'])[1]);
        // A body larger than anything it takes is refused at the door; a bench may be larger than a picture.
        $large = "{$this->folder}/large";
        (new Process(['truncate', '-s', '30M', $large]))->mustRun();
        self::assertSame(413, $this->ask('/sign-in', ['-F', "file=@{$large}"])[0]);
        self::assertNotSame(413, $this->ask('/bench', ['-F', "bench=@{$large}"])[0]);

        // A web worker and a queue worker are killed: others take their place.
        $before = $this->workers();
        self::assertCount(2, $before);
        (new Process(['kill', '-9', ...$before, ...array_slice($this->found('php-fpm: pool www'), 0, 1)]))->mustRun();
        self::assertSame(200, $this->ask('/sign-in')[0]);
        $this->until(fn (): bool => count($this->workers()) === 2 && array_intersect($before, $this->workers()) === [], static fn (): string => 'no worker took the place of the killed ones');

        // Restarted: it answers all the while, and every worker is a new one.
        $before = [...$this->workers(), ...$this->found('php-fpm: pool www')];
        $host->mustDo('reload', 'hyalin');
        $host->mustDo('reload', 'hyalin');
        $refused = 0;
        $this->until(function () use ($before, &$refused): bool {
            $refused += $this->ask('/sign-in')[0] === 200 ? 0 : 1;

            return array_intersect($before, [...$this->workers(), ...$this->found('php-fpm: pool www')]) === [];
        }, static fn (): string => 'the old workers go on');
        self::assertSame(0, $refused);

        // All of it is killed: systemd begins it anew.
        $before = $this->workers();
        $host->mustDo('kill', '--signal=KILL', 'hyalin');
        $this->until(fn (): bool => $this->ask('/sign-in')[0] === 200 && count($this->workers()) === 2, $host->words(...));
        self::assertSame([], array_intersect($before, $this->workers()));
        self::assertSame(['NRestarts=1', 0], $host->control('show', '--property=NRestarts', 'hyalin'));

        $left = $this->workers();
        $host->mustDo('stop', 'hyalin');
        self::assertSame(['inactive', 3], $host->control('is-active', 'hyalin'));
        self::assertSame([], array_filter($left, static fn (string $pid): bool => is_dir("/proc/{$pid}")));
        self::assertSame(0, $this->ask('/sign-in')[0]);
    }

    public function test_systemd_accepts_the_unit(): void
    {
        $file = "{$this->folder}/hyalin.service";
        file_put_contents($file, str_replace('/opt/hyalin', dirname(__DIR__, 2), (string) file_get_contents(self::UNIT)));
        $judge = new Process(['systemd-analyze', 'verify', $file]);
        $judge->run();
        self::assertSame([0, ''], [$judge->getExitCode(), $judge->getOutput().$judge->getErrorOutput()]);
        // It can say no.
        file_put_contents($file, "[Service]\nExecStart=/nowhere/at/all\n");
        self::assertNotSame(0, $judge->run());
    }

    /** @return list<string> queue workers of this server: others may run beside it */
    private function workers(): array
    {
        return array_values(array_filter($this->found('queue:work'), fn (string $pid): bool => str_contains((string) @file_get_contents("/proc/{$pid}/environ"), $this->folder)));
    }

    /** @return list<string> */
    private function found(string $what): array
    {
        $search = new Process(['pgrep', '-f', $what]);
        $search->run();

        return array_values(array_filter(explode("\n", $search->getOutput()), static fn (string $pid): bool => $pid !== '' && ! str_contains((string) @file_get_contents("/proc/{$pid}/cmdline"), 'bash')));
    }

    /**
     * @param  list<string>  $with
     * @return array{int, string}
     */
    private function ask(string $path, array $with = []): array
    {
        $curl = new Process(['curl', '-s', '-m', '20', '-w', "\n%{http_code}", ...$with, $this->url.$path]);
        $curl->run();
        $answer = $curl->getOutput();
        $at = (int) strrpos($answer, "\n");

        return [(int) substr($answer, $at + 1), substr($answer, 0, $at)];
    }

    /**
     * @param  callable(): bool  $is
     * @param  callable(): string  $otherwise
     */
    private function until(callable $is, callable $otherwise): void
    {
        for ($end = microtime(true) + self::PATIENCE; microtime(true) < $end; usleep(200_000)) {
            if ($is()) {
                return;
            }
        }
        self::fail($otherwise());
    }
}
