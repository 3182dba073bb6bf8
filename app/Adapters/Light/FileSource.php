<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use Hyalin\Formats\ByteSource;
use Hyalin\Formats\Meshes\UnreadableMesh;

/**
 * Bytes of an open file, or of one within a zip.
 */
final class FileSource implements ByteSource
{
    /** @param  resource  $stream */
    public function __construct(private $stream, private readonly int $size)
    {
    }

    public function size(): int
    {
        return $this->size;
    }

    public function read(int $bytes): string
    {
        $all = '';
        // A stream may give less than it was asked for, and more the next time.
        while (strlen($all) < $bytes && ! feof($this->stream)) {
            // Within a damaged zip this warns; what is missing is said below.
            $part = @fread($this->stream, max(1, $bytes - strlen($all)));
            if ($part === false) {
                throw UnreadableMesh::damaged();
            }
            if ($part === '') {
                break;
            }
            $all .= $part;
        }

        return $all;
    }
}
