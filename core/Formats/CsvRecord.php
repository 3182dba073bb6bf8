<?php

declare(strict_types=1);

namespace Hyalin\Formats;

final readonly class CsvRecord
{
    /**
     * @param  int  $line  where it begins, from 1
     * @param  array<string, string>  $fields  by column name
     * @param  array<string, int>  $columns  place of each field in the record, from 1
     */
    public function __construct(public int $line, public array $fields, public array $columns)
    {
    }
}
