<?php

declare(strict_types=1);

namespace Tests\Support;

use Hyalin\Formats\ByteSource;

/**
 * Bytes that are in memory already.
 */
final class TextSource implements ByteSource
{
    private int $at = 0;

    public function __construct(private readonly string $bytes)
    {
    }

    public function size(): int
    {
        return strlen($this->bytes);
    }

    public function read(int $bytes): string
    {
        $part = substr($this->bytes, $this->at, $bytes);
        $this->at += strlen($part);

        return $part;
    }
}
