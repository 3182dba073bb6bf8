<?php

declare(strict_types=1);

namespace Tests\Support;

use LogicException;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\ConsoleSectionOutput;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Output\StreamOutput;

/**
 * Standard output and standard error as two files.
 */
final class ForkedOutput extends StreamOutput implements ConsoleOutputInterface
{
    private OutputInterface $error;

    public function __construct(string $out, string $error)
    {
        parent::__construct(fopen($out, 'w') ?: throw new LogicException("{$out} cannot be written"));
        $this->error = new StreamOutput(fopen($error, 'w') ?: throw new LogicException("{$error} cannot be written"));
    }

    public function getErrorOutput(): OutputInterface
    {
        return $this->error;
    }

    public function setErrorOutput(OutputInterface $error): void
    {
        $this->error = $error;
    }

    public function section(): ConsoleSectionOutput
    {
        throw new LogicException('no command draws sections');
    }
}
