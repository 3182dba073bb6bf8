<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A SurfaceGraph as its lists are on disk: what runs over a small part of a surface need not unpack all of it.
 */
final readonly class PackedGraph implements Surroundings
{
    /**
     * @param  string  $first  32-bit integers, little-endian, as the lists of a SurfaceGraph
     * @param  string  $next  alike
     * @param  string  $mm  32-bit floats, little-endian
     */
    public function __construct(private string $first, private string $next, private string $mm)
    {
    }

    public function around(int $vertex): array
    {
        /** @var array{1: int, 2: int} $rows */
        $rows = \unpack('V2', $this->first, 4 * $vertex);
        $count = $rows[2] - $rows[1];
        if ($count === 0) {
            return [0, 0, [], []];
        }
        /** @var array<int, int> $next */
        $next = \unpack("V{$count}", $this->next, 4 * $rows[1]);
        /** @var array<int, float> $mm */
        $mm = \unpack("g{$count}", $this->mm, 4 * $rows[1]);

        return [1, $count + 1, $next, $mm];
    }
}
