<?php

declare(strict_types=1);

namespace Tests\Core\Pot;

use BackedEnum;
use Eris\Generators;
use Eris\TestTrait;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\PaintOptics;
use Hyalin\Pot\Chemistry;
use Hyalin\Pot\FieldType;
use Hyalin\Pot\InvalidPot;
use Hyalin\Pot\Pot;
use Hyalin\Pot\PotField;
use Hyalin\Pot\PotFields;
use Hyalin\Pot\PotKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\InventedShelf;

/**
 * What is known of a pot: the painter's own over what is usual for its kind and chemistry.
 */
final class PotTest extends TestCase
{
    use TestTrait;

    /** Law: what is stated is what holds, and nothing else moves; unstated, every kind has an answer in its range. */
    public function test_a_stated_fact_is_that_fact_and_no_other(): void
    {
        foreach (PotKind::cases() as $kind) {
            $usual = self::pot($kind);
            foreach (PotFields::facts() as $field) {
                $assumed = $usual->fact($field->key);
                self::assertFalse($usual->states($field->key));
                if ($field->type === FieldType::Number || $field->type === FieldType::Whole) {
                    self::assertTrue($assumed === null || ($assumed >= $field->least && $assumed <= $field->most), "{$kind->value}: {$field->key}");
                }
                // A chemistry brings its own times and solvents with it: held below.
                if ($field->key === 'chemistry') {
                    continue;
                }
                $own = self::another($field, $assumed);
                $stated = self::pot($kind, [$field->key => $own]);
                self::assertTrue($stated->states($field->key));
                self::assertSame($own, $stated->fact($field->key));
                foreach (PotFields::facts() as $other) {
                    if ($other->key !== $field->key) {
                        self::assertSame($usual->fact($other->key), $stated->fact($other->key), "{$kind->value}: {$field->key} moved {$other->key}");
                    }
                }
            }
        }
    }

    public function test_an_acrylic_that_is_said_to_be_a_lacquer_dries_cleans_and_attacks_as_one(): void
    {
        $acrylic = self::pot(PotKind::Acrylic);
        $lacquer = self::pot(PotKind::Acrylic, ['chemistry' => Chemistry::Lacquer]);
        self::assertSame([20, 1440], [$acrylic->dryingMinutes(), $acrylic->curingMinutes()]);
        self::assertSame([30, 1440, 'lacquer thinner'], [$lacquer->dryingMinutes(), $lacquer->curingMinutes(), $lacquer->cleaner()]);
        // Its own time over that of the chemistry, too.
        self::assertSame(480, self::pot(PotKind::Acrylic, ['chemistry' => Chemistry::Lacquer, 'dryingMinutes' => 480])->dryingMinutes());
        self::assertFalse($lacquer->chemistry()->over(Chemistry::Acrylic, false, 0)->isAllowed);
        // A null is no statement.
        self::assertSame(20, self::pot(PotKind::Acrylic, ['chemistry' => null, 'dryingMinutes' => null])->dryingMinutes());
    }

    public function test_a_can_is_a_primer_where_its_name_says_so(): void
    {
        foreach ([['Grey primer', PotKind::Can, true], ['Signal Red', PotKind::Can, false], ['Primer red', PotKind::Acrylic, false], ['Grey', PotKind::Primer, true]] as [$name, $kind, $is]) {
            self::assertSame($is, Pot::of('1', $name, $kind, Srgb::hex('#c9b48a'), self::optics(), [])->isPrimer(), "{$name}, {$kind->value}");
        }
        self::assertSame([false, false, true], [self::pot(PotKind::Can)->isEmpty(), self::pot(PotKind::Can, ['levelPercent' => 1])->isEmpty(), self::pot(PotKind::Can, ['levelPercent' => 0])->isEmpty()]);
        self::assertSame([true, false, true, false], array_map(PotFields::named('isMixed')->parse(...), [true, false, 'yes', 'no']));
    }

    /** Laws of what may go over what, for every pair: its own kind is never forbidden, and a wait never shrinks with the curing. */
    public function test_what_may_go_over_what_is_sound_for_every_pair(): void
    {
        $this->forAll(
            Generators::elements(...Chemistry::cases()),
            Generators::elements(...Chemistry::cases()),
            Generators::bool(),
            Generators::choose(0, 20_000),
            Generators::choose(0, 20_000),
        )->then(static function (Chemistry $above, Chemistry $below, bool $sealed, int $cured, int $longer): void {
            $pair = $above->over($below, $sealed, $cured);
            self::assertGreaterThanOrEqual(0, $pair->minutes);
            self::assertLessThanOrEqual($cured, $pair->minutes, 'waits longer than the film beneath needs');
            self::assertLessThanOrEqual($above->over($below, $sealed, $cured + $longer)->minutes, $pair->minutes);
            if ($above === $below) {
                self::assertTrue($pair->isAllowed);
            }
            if (! $pair->isAllowed) {
                self::assertNotSame('', $pair->reason);
                self::assertNotNull($pair->remedy);
            }
            // A seal between the two makes nothing worse.
            self::assertTrue($above->over($below, true, $cured)->isAllowed || ! $above->over($below, false, $cured)->isAllowed);
        });
    }

    /** Law: whatever a field holds is written to a table and read from it again. */
    public function test_every_field_survives_being_written_and_read(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000), Generators::choose(0, 25 * 50))->then(static function (int $share, int $which): void {
            $fields = PotFields::all();
            $field = $fields[$which % count($fields)];
            $value = self::within($field, $share / 1_000_000);
            $written = PotField::written($value);
            self::assertEquals($value, $field->parse($written), "{$field->key}: {$written}");
        });
    }

    /** @param  list<string>  $wrong */
    #[DataProvider('wrong')]
    public function test_what_is_no_value_is_refused_by_its_name(string $key, array $wrong): void
    {
        foreach ($wrong as $text) {
            try {
                PotFields::named($key)->parse($text);
                self::fail("{$key} took \"{$text}\"");
            } catch (InvalidPot $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function wrong(): iterable
    {
        yield 'a number' => ['density', ['heavy', '0', '-1', '5.1', '1e9', 'NaN', '1.2.3']];
        yield 'a whole number' => ['dryingMinutes', ['1.5', '-1', '20161', 'soon']];
        yield 'a choice' => ['chemistry', ['beeswax', 'acryl', '1']];
        yield 'a colour' => ['thickHex', ['#12345', 'red', '123456x']];
        yield 'a yes or no' => ['isMixed', ['maybe', '2']];
        yield 'a day' => ['goodUntil', ['2026-02-29', '2026-13-01', '2.12.2026', '1899-12-31', 'soon']];
        yield 'a text' => ['maker', [str_repeat('x', 81)]];
    }

    /** Minutes until touch dry and until dry through, common practice: oil takes a day and a week, wax an hour and a day. */
    public function test_usual_drying_and_curing(): void
    {
        $day = 24 * 60;
        foreach ([['acrylic', 20, $day], ['lacquer', 30, $day], ['enamel', $day / 2, $day], ['oil', $day, 7 * $day], ['powder', 0, 0], ['wax', 60, $day], ['gel', $day, 2 * $day]] as [$chemistry, $dry, $cured]) {
            self::assertEquals([$dry, $cured], [Chemistry::from($chemistry)->dryingMinutes(), Chemistry::from($chemistry)->curingMinutes()], $chemistry);
        }
    }

    /** @param  array<string, string|int|float|bool|BackedEnum|null>  $stated */
    private static function pot(PotKind $kind, array $stated = []): Pot
    {
        return Pot::of('1', 'Gull', $kind, Srgb::hex('#c9b48a'), self::optics(), $stated);
    }

    private static function optics(): PaintOptics
    {
        return (new InventedShelf(7))->paints(1)[0] ?? throw new \LogicException('no paint');
    }

    private static function another(PotField $field, mixed $assumed): string|int|float|bool|BackedEnum
    {
        foreach ([0.3, 0.7] as $share) {
            $value = self::within($field, $share);
            if ($value !== $assumed) {
                return $value;
            }
        }

        return self::within($field, 0.9);
    }

    private static function within(PotField $field, float $share): string|int|float|bool|BackedEnum
    {
        $number = ($field->least ?? 0.0) + $share * (($field->most ?? 1.0) - ($field->least ?? 0.0));

        return match ($field->type) {
            FieldType::Text, FieldType::Note => 'word '.(int) ($share * 1000),
            FieldType::Colour => sprintf('#%06x', (int) ($share * 0xFFFFFF)),
            FieldType::Choice => self::chosen($field, $share),
            FieldType::Number => $number,
            FieldType::Whole => (int) $number,
            FieldType::YesNo => $share > 0.5,
            FieldType::Day => gmdate('Y-m-d', (int) ($share * 4e9)),
        };
    }

    private static function chosen(PotField $field, float $share): BackedEnum
    {
        $cases = ($field->choices ?? throw new \LogicException($field->key))::cases();

        return $cases[(int) ($share * (count($cases) - 1))];
    }
}
