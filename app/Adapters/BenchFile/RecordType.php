<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

/**
 * One kind of record in a bench file.
 */
final readonly class RecordType
{
    /**
     * @param  string  $table  also its name in the file, in camel case
     * @param  string|null  $parent  the field that says what it belongs to; null when it belongs to the painter
     * @param  non-empty-list<Field>  $fields
     */
    public function __construct(public string $table, public ?string $parent, public array $fields)
    {
    }

    /** @return list<string> of the table itself; lists of references have tables of their own */
    public function columns(): array
    {
        return array_values(array_map(static fn (Field $f): string => $f->column, array_filter($this->fields, static fn (Field $f): bool => $f->link === null)));
    }

    public function parentField(): ?Field
    {
        foreach ($this->fields as $field) {
            if ($field->column === $this->parent) {
                return $field;
            }
        }

        return null;
    }
}
