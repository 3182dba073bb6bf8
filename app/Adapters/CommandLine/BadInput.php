<?php

declare(strict_types=1);

namespace App\Adapters\CommandLine;

use RuntimeException;
use Throwable;

/**
 * Input of a command that is refused: where it stands and what is wrong with it.
 */
final class BadInput extends RuntimeException
{
    private function __construct(public readonly string $where, string $message, ?Throwable $previous = null)
    {
        parent::__construct($message, previous: $previous);
    }

    public static function at(string $where, string $message, ?Throwable $previous = null): self
    {
        return new self($where, $message, $previous);
    }

    public function within(string $outer): self
    {
        return new self($this->where === '' ? $outer : "{$outer}, {$this->where}", $this->getMessage(), $this);
    }
}
