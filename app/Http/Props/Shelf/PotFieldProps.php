<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use Hyalin\Pot\FieldType;
use Hyalin\Pot\PotField;
use Hyalin\Pot\PotFields;

/**
 * A field that describes a pot, as a form asks for it.
 */
final readonly class PotFieldProps
{
    /**
     * @param  list<string>  $choices  empty unless it is a choice
     * @param  float|null  $most  of a number; letters of a text
     * @param  string|null  $default  of a new pot
     */
    public function __construct(
        public string $key,
        public string $label,
        public FieldType $type,
        public array $choices,
        public ?float $least,
        public ?float $most,
        public bool $isRequired,
        public ?string $default,
    ) {
    }

    /** @return list<self> in the order of the form */
    public static function all(): array
    {
        return array_map(static fn (PotField $f): self => new self(
            $f->key, ucfirst($f->label), $f->type, $f->choices(), $f->least, $f->most, $f->isRequired, $f->default === null ? null : PotField::written($f->default),
        ), PotFields::described());
    }
}
