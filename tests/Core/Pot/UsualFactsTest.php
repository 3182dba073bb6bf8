<?php

declare(strict_types=1);

namespace Tests\Core\Pot;

use Hyalin\Pot\Chemistry;
use Hyalin\Pot\Compatibility;
use Hyalin\Pot\FieldType;
use Hyalin\Pot\PotField;
use Hyalin\Pot\PotFields;
use Hyalin\Pot\PotKind;
use PHPUnit\Framework\TestCase;
use Tests\Support\DocTable;

/**
 * What docs/practice.md and docs/formats.md state of pots is what holds: common practice, and own estimates where they say so.
 */
final class UsualFactsTest extends TestCase
{
    public function test_every_kind_of_pot_is_as_the_document_has_it(): void
    {
        $held = [];
        foreach (PotKind::cases() as $kind) {
            $is = $kind->usual();
            $held[$kind->value] = [
                $is->chemistry->value, $is->sheen->value, self::number($is->density), self::number($is->sizeMl), self::minutes($is->dryingMinutes), self::minutes($is->curingMinutes),
                self::number($is->pressurePsi), self::number($is->thinner), $is->thinnedWith, $is->cleaner,
                implode(', ', array_keys(array_filter(['mixed' => $is->isMixed, 'translucent' => $is->isTranslucent, 'flake' => $is->isFlake, 'clear' => $kind->isClear()]))) ?: '-',
            ];
        }
        self::assertSame(DocTable::rows('practice.md', 'Pots by kind'), $held);
    }

    public function test_what_goes_over_what_is_as_the_document_has_it(): void
    {
        $cured = 5 * 24 * 60;
        $when = static fn (Compatibility $c): string => match (true) {
            ! $c->isAllowed => 'no',
            $c->minutes === 0 => 'at once',
            $c->minutes === $cured => 'when cured',
            default => 'after '.self::minutes($c->minutes),
        };
        $held = [];
        foreach (Chemistry::cases() as $above) {
            $held[$above->value] = array_map(static function (Chemistry $below) use ($above, $cured, $when): string {
                [$bare, $sealed] = [$when($above->over($below, false, $cured)), $when($above->over($below, true, $cured))];

                return $bare === $sealed ? $bare : "{$bare}; sealed {$sealed}";
            }, Chemistry::cases());
        }
        self::assertSame(DocTable::rows('practice.md', 'What goes over what'), $held);
    }

    public function test_every_field_of_a_pot_is_as_the_document_has_it(): void
    {
        $held = [];
        foreach (PotFields::all() as $field) {
            $held["`{$field->inTables()}`"] = [$field->label, match ($field->type) {
                FieldType::Text, FieldType::Note => 'text of up to '.self::number($field->most).' characters',
                FieldType::Colour => '`#rrggbb`',
                FieldType::Choice => implode(', ', array_map(static fn (\BackedEnum $case): string => PotField::written($case), ($field->choices ?? throw new \LogicException($field->key))::cases())),
                FieldType::Number => 'number, '.self::number($field->least).' to '.self::number($field->most),
                FieldType::Whole => 'whole number, '.self::number($field->least).' to '.self::number($field->most),
                FieldType::YesNo => 'yes, no',
                FieldType::Day => 'day, `YYYY-MM-DD`',
            }, match (true) {
                $field->default !== null => PotField::written($field->default),
                self::isUsual($field) => 'usual for the kind',
                default => $field->isRequired ? 'needed' : '-',
            }];
        }
        self::assertSame(DocTable::rows('formats.md', 'Shelf as CSV'), $held);
    }

    private static function isUsual(PotField $field): bool
    {
        return array_filter(PotKind::cases(), static fn (PotKind $kind): bool => $field->usual !== null && ($field->usual)($kind, $kind->usual()->chemistry) !== null) !== [];
    }

    private static function number(int|float|null $n): string
    {
        return $n === null ? '-' : (string) $n;
    }

    private static function minutes(int $n): string
    {
        return match (true) {
            $n >= 1440 && $n % 1440 === 0 => intdiv($n, 1440).' d',
            $n >= 60 && $n % 60 === 0 => intdiv($n, 60).' h',
            default => "{$n} min",
        };
    }
}
