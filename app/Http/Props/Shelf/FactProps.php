<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Shelf\Paint;
use Hyalin\Pot\FieldType;
use Hyalin\Pot\PotField;
use Hyalin\Pot\PotFields;

/**
 * Something known of a pot beside its colour.
 */
final readonly class FactProps
{
    /**
     * @param  list<string>  $choices  empty unless it is a choice
     * @param  bool  $isDefault  usual for its kind, not stated of this pot
     */
    public function __construct(
        public string $key,
        public string $label,
        public FieldType $type,
        public array $choices,
        public string $value,
        public bool $isDefault,
    ) {
    }

    /** @return list<self> */
    public static function of(Paint $paint): array
    {
        $pot = $paint->pot();

        return array_map(static fn (PotField $f): self => new self(
            $f->key, ucfirst($f->label), $f->type, $f->choices(), PotField::written($pot->fact($f->key)), ! $pot->states($f->key),
        ), PotFields::facts());
    }
}
