<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use BackedEnum;
use Hyalin\Limit;
use Illuminate\Support\Str;

/**
 * One field of a record: a column of the database, and what it may hold.
 */
final readonly class Field
{
    /**
     * @param  list<string>|null  $choices
     * @param  string|null  $to  the records a reference points to, or the folder of a file
     * @param  array<string, mixed>|null  $shape  JSON Schema of a JSON field
     * @param  Link|null  $link  the table that holds a list of references
     */
    private function __construct(
        public string $column,
        public FieldKind $kind,
        public bool $isOptional = false,
        public ?float $least = null,
        public ?float $most = null,
        public ?array $choices = null,
        public ?string $to = null,
        public ?array $shape = null,
        public ?Link $link = null,
        public ?Limit $limit = null,
    ) {
    }

    /** @param  int  $most  letters */
    public static function text(string $column, int $most = 255): self
    {
        return new self($column, FieldKind::Text, most: $most);
    }

    public static function integer(string $column, int $least = 0, int $most = 1_000_000): self
    {
        return new self($column, FieldKind::Integer, least: $least, most: $most);
    }

    public static function number(string $column, float $least = -1e6, float $most = 1e6): self
    {
        return new self($column, FieldKind::Number, least: $least, most: $most);
    }

    /** A number that a painter enters: its range is declared with the core. */
    public static function within(string $column, Limit $limit): self
    {
        return new self($column, $limit->isWhole() ? FieldKind::Integer : FieldKind::Number, least: (float) $limit->least(), most: (float) $limit->most(), limit: $limit);
    }

    public static function flag(string $column): self
    {
        return new self($column, FieldKind::Flag);
    }

    public static function moment(string $column): self
    {
        return new self($column, FieldKind::Moment);
    }

    public static function day(string $column): self
    {
        return new self($column, FieldKind::Day);
    }

    /** @param  class-string<BackedEnum>  $enum */
    public static function choice(string $column, string $enum): self
    {
        return new self($column, FieldKind::Choice, choices: array_map(static fn (BackedEnum $case): string => (string) $case->value, $enum::cases()));
    }

    /** @param  array<string, mixed>  $shape  JSON Schema */
    public static function json(string $column, array $shape): self
    {
        return new self($column, FieldKind::Json, shape: $shape);
    }

    public static function reference(string $column, string $to): self
    {
        return new self($column, FieldKind::Reference, to: $to);
    }

    /** A list of references, kept in a table of its own. */
    public static function references(string $name, string $to, Link $link): self
    {
        return new self($name, FieldKind::References, to: $to, link: $link);
    }

    /** @param  string  $folder  of the zip that the pictures lie in */
    public static function file(string $column, string $folder): self
    {
        return new self($column, FieldKind::File, to: $folder);
    }

    public static function of(string $column, FieldKind $kind): self
    {
        return new self($column, $kind);
    }

    /** Areas by piece of a print file, kept in a table of its own. */
    public static function pieces(string $name, Link $link): self
    {
        return new self($name, FieldKind::Pieces, to: 'areas', link: $link);
    }

    /** Millilitres by pot, kept in a table of their own. */
    public static function levels(string $name, Link $link): self
    {
        return new self($name, FieldKind::Levels, link: $link);
    }

    /** That may be null, and is left out then. */
    public function optional(): self
    {
        return new self(
            $this->column,
            $this->kind,
            true,
            least: $this->least,
            most: $this->most,
            choices: $this->choices,
            to: $this->to,
            shape: $this->shape,
            link: $this->link,
            limit: $this->limit,
        );
    }

    /** @return string its name in the file */
    public function name(): string
    {
        return Str::camel(Str::endsWith($this->column, '_id') ? substr($this->column, 0, -3) : $this->column);
    }
}
