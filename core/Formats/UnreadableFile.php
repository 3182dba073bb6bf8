<?php

declare(strict_types=1);

namespace Hyalin\Formats;

use Hyalin\InvalidInput;

final class UnreadableFile extends InvalidInput
{
    /** @param  int  $atLine  from 1; 0 when it concerns the whole file */
    private function __construct(public readonly int $atLine, public readonly int $atColumn, public readonly string $reason)
    {
        parent::__construct($atLine === 0 ? $reason : "line {$atLine}, column {$atColumn}: {$reason}");
    }

    /**
     * @param  int  $line  counted from 1
     * @param  int  $column  counted from 1
     * @param  string  $reason  why it cannot be read
     */
    public static function at(int $line, int $column, string $reason): self
    {
        return new self($line, $column, $reason);
    }

    public static function whole(string $reason): self
    {
        return new self(0, 0, $reason);
    }
}
