<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\Optics\PaintOptics;
use Hyalin\Pot\PotField;
use Hyalin\Pot\PotFields;
use Hyalin\Pot\PotKind;

/**
 * One pot as a file describes it.
 *
 * @phpstan-import-type Value from PotField
 */
final readonly class PotRow
{
    /**
     * @param  array<string, Value|null>  $stated  by key of PotFields
     * @param  PaintOptics|null  $optics  as it was measured; null when it has to be estimated
     */
    public function __construct(public int $line, private array $stated, public ?PaintOptics $optics)
    {
    }

    /** @return array<string, Value|null> by column of the paints; what has to have a value has one */
    public function columns(): array
    {
        $columns = [];
        foreach (PotFields::all() as $field) {
            $columns[$field->column()] = $this->stated[$field->key] ?? ($field->isFact() ? null : $field->assumed($this->kind()));
        }

        return $columns;
    }

    public function text(string $key): string
    {
        return PotField::written($this->stated[$key] ?? null);
    }

    public function kind(): PotKind
    {
        return PotKind::tryFrom($this->text('kind')) ?? PotKind::Acrylic;
    }

    /** @return string the same for the same pot, whatever its case and spaces */
    public function identity(): string
    {
        return self::identityOf($this->text('maker'), $this->text('name'));
    }

    public static function identityOf(string $maker, string $name): string
    {
        return mb_strtolower(trim($maker)."\n".trim($name));
    }
}
