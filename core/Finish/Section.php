<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * A finish cut through its films: row 0 is the start, row n the surface after layer n.
 */
final readonly class Section
{
    /** @param  non-empty-list<SectionRow>  $rows */
    public function __construct(public array $rows)
    {
    }

    /** @return SectionRow after all layers */
    public function top(): SectionRow
    {
        return $this->rows[count($this->rows) - 1];
    }
}
