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
     * @param  string|null  $amount  column of an amount of what is named; the list is then one of amounts, by what they are of
     */
    public function __construct(public string $table, public string $own, public string $other, public ?string $place = null, public ?string $amount = null)
    {
    }

    /**
     * The lists of some records.
     *
     * @param  iterable<array<string, mixed>>  $rows  of the table
     * @return array<int, array<int, int|float>> by record; 0 stands for an empty place
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
            $other = is_int($row[$this->other] ?? null) ? $row[$this->other] : 0;
            if ($this->amount !== null) {
                $lists[$own][$other] = is_numeric($row[$this->amount] ?? null) ? (float) $row[$this->amount] : 0.0;
            } else {
                $lists[$own][] = $other;
            }
        }

        return $lists;
    }

    /**
     * The rows that a list is kept as.
     *
     * @param  array<mixed>  $list
     * @return list<array<string, int|float|null>>
     */
    public function rows(int $own, array $list): array
    {
        $rows = [];
        if ($this->amount !== null) {
            foreach ($list as $other => $amount) {
                $rows[] = [$this->own => $own, $this->other => (int) $other, $this->amount => is_numeric($amount) ? (float) $amount : 0.0];
            }

            return $rows;
        }
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
