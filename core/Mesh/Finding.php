<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Something found in a print file.
 */
final readonly class Finding
{
    /**
     * @param  list<list<int>>  $groups  shells: one group of all that is meant, or each part that stands by itself
     * @param  int  $count  of pieces, columns or parts
     * @param  float  $area  of them together, in squares of the file's unit
     */
    public function __construct(public FindingKind $kind, public array $groups, public int $count, public float $area)
    {
    }
}
