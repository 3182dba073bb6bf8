<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

/**
 * A table that links records of one kind to those of another.
 */
final readonly class Link
{
    /**
     * @param  string  $own  column of the record that has the list
     * @param  string  $other  column of what the list names
     * @param  string|null  $place  column of the place in the list, where places may be empty
     */
    public function __construct(public string $table, public string $own, public string $other, public ?string $place = null)
    {
    }

    /**
     * The lists of some records.
     *
     * @param  iterable<array<string, mixed>>  $rows  of the table
     * @return array<int, list<int>> by record; 0 stands for an empty place
     */
    public function lists(iterable $rows): array
    {
        $lists = [];
        foreach ($rows as $row) {
            $own = is_int($row[$this->own] ?? null) ? $row[$this->own] : 0;
            $lists[$own] ??= [];
            if ($this->place !== null) {
                $lists[$own] = array_pad($lists[$own], is_int($row[$this->place] ?? null) ? $row[$this->place] : 0, 0);
            }
            $lists[$own][] = is_int($row[$this->other] ?? null) ? $row[$this->other] : 0;
        }

        return $lists;
    }

    /**
     * The rows that a list is kept as.
     *
     * @param  array<mixed>  $list
     * @return list<array<string, int|null>>
     */
    public function rows(int $own, array $list): array
    {
        $rows = [];
        foreach (array_values($list) as $place => $other) {
            $other = is_int($other) && $other > 0 ? $other : null;
            if ($this->place !== null) {
                $rows[] = [$this->own => $own, $this->other => $other, $this->place => $place];
            } elseif ($other !== null) {
                $rows[] = [$this->own => $own, $this->other => $other];
            }
        }

        return $rows;
    }
}
