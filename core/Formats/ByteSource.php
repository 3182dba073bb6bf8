<?php

declare(strict_types=1);

namespace Hyalin\Formats;

/**
 * The port through which a reader gets the bytes of a large file: from its start to its end, once.
 */
interface ByteSource
{
    /** @return int bytes in all */
    public function size(): int;

    /** @return string so many bytes, fewer only at the end; empty when there are no more */
    public function read(int $bytes): string;
}
