<?php

declare(strict_types=1);

namespace Tests\Support;

use PHPUnit\Framework\Assert;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * systemd of Debian as the first process of namespaces of its own (unshare(1), overlayfs), with nothing but the units it is given:
 * Hyalin lies in /opt/hyalin there, owned by a user of its own, and what is written goes with it. Needs root, as Debian's packages do.
 */
final class SystemdHost
{
    private const SCRIPT = <<<'SH'
        set -e
        over() { mkdir -p "/run/$1/"{upper,work}; mount -t overlay overlay -o "metacopy=on,lowerdir=$2,upperdir=/run/$1/upper,workdir=/run/$1/work" "$3"; }
        mount -t tmpfs tmpfs /run
        mkdir /run/tree /run/units
        over of-tree "$TREE" /run/tree
        over of-etc /etc /etc
        mount -t tmpfs tmpfs /opt
        mkdir /opt/hyalin
        mount --move /run/tree /opt/hyalin
        useradd --system --no-log-init --no-create-home hyalin
        chown -R hyalin: /opt/hyalin "$FOLDER"
        cp /lib/systemd/system/{sysinit,basic,network,multi-user,shutdown,umount}.target /run/units
        cp -r "$UNITS"/. /run/units
        exec env -i PATH="$PATH" container=hyalin SYSTEMD_UNIT_PATH=/run/units /lib/systemd/systemd --system --unit=multi-user.target --log-target=console --show-status=false
        SH;

    private readonly Process $first;

    /**
     * @param  string  $tree  where Hyalin lies
     * @param  string  $units  folder of unit files
     * @param  string  $folder  what the user hyalin is given besides
     */
    public function __construct(string $tree, string $units, string $folder)
    {
        $this->first = new Process(
            ['unshare', '--fork', '--kill-child', '--pid', '--mount', '--mount-proc', '--cgroup', '--uts', '--ipc', 'bash', '-c', self::SCRIPT],
            null, ['TREE' => $tree, 'UNITS' => $units, 'FOLDER' => $folder], null, null,
        );
        $this->first->start();
        for ($end = microtime(true) + 60; $this->control('is-active', 'multi-user.target')[1] !== 0; usleep(100_000)) {
            Assert::assertTrue($this->first->isRunning() && microtime(true) < $end, 'systemd did not start: '.$this->words());
        }
    }

    /** @return array{string, int} what systemctl says, and the code it ends with */
    public function control(string ...$words): array
    {
        $pid = trim((string) @file_get_contents("/proc/{$this->first->getPid()}/task/{$this->first->getPid()}/children"));
        $control = new Process(['nsenter', '--all', '--target', $pid, 'systemctl', '--no-pager', ...$words], null, null, null, null);
        $code = $control->run();

        return [trim($control->getOutput().$control->getErrorOutput()), $code];
    }

    /** @throws RuntimeException with what systemd said, if it would not */
    public function mustDo(string ...$words): void
    {
        [$said, $code] = $this->control(...$words);
        if ($code !== 0) {
            throw new RuntimeException(implode(' ', $words).": {$said}\n{$this->words()}");
        }
    }

    /** What units and systemd itself have written. */
    public function words(): string
    {
        return $this->first->getOutput().$this->first->getErrorOutput();
    }

    public function stop(): void
    {
        $this->first->stop(0, SIGKILL);
    }
}
