<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use BackedEnum;
use Closure;

/**
 * One field of a pot as it is declared: what it holds, how it is called, what is assumed where nobody states it. Forms,
 * requests, tables and files are made from it.
 *
 * @phpstan-type Value string|int|float|bool|BackedEnum
 */
final readonly class PotField
{
    /**
     * @param  string  $key  in camel case, its name in requests, props and bench files
     * @param  string  $label  in a painter's words
     * @param  float|null  $least  of a number
     * @param  float|null  $most  of a number; letters of a text
     * @param  class-string<BackedEnum>|null  $choices
     * @param  Value|null  $default  of a new pot, where it has to have some value
     * @param  (Closure(PotKind, Chemistry): (Value|null))|null  $usual  what is assumed of a kind and chemistry while nobody
     *                                                                  states it
     * @param  string|null  $csv  its column in a table, where that is not the key in snake case
     */
    private function __construct(
        public string $key,
        public string $label,
        public FieldType $type,
        public ?float $least = null,
        public ?float $most = null,
        public ?string $choices = null,
        public bool $isRequired = false,
        public string|int|float|bool|BackedEnum|null $default = null,
        public ?Closure $usual = null,
        private ?string $csv = null,
    ) {
    }

    /** @param  int  $most  letters */
    public static function text(string $key, string $label, int $most = 80): self
    {
        return new self($key, $label, FieldType::Text, most: $most);
    }

    /** @param  int  $most  letters */
    public static function note(string $key, string $label, int $most = 2000): self
    {
        return new self($key, $label, FieldType::Note, most: $most);
    }

    /** @param  class-string<BackedEnum>  $choices */
    public static function choice(string $key, string $label, string $choices): self
    {
        return new self($key, $label, FieldType::Choice, choices: $choices);
    }

    /**
     * @param  int  $least  the smallest that is taken
     * @param  int  $most  the largest
     */
    public static function whole(string $key, string $label, int $least, int $most): self
    {
        return new self($key, $label, FieldType::Whole, least: $least, most: $most);
    }

    /**
     * @param  float  $least  the smallest that is taken
     * @param  float  $most  the largest
     */
    public static function number(string $key, string $label, float $least, float $most): self
    {
        return new self($key, $label, FieldType::Number, least: $least, most: $most);
    }

    public static function colour(string $key, string $label): self
    {
        return new self($key, $label, FieldType::Colour);
    }

    public static function yesNo(string $key, string $label): self
    {
        return new self($key, $label, FieldType::YesNo);
    }

    public static function day(string $key, string $label): self
    {
        return new self($key, $label, FieldType::Day);
    }

    /** That has to be stated of every pot. */
    public function required(): self
    {
        return $this->changed(isRequired: true);
    }

    public function defaultingTo(string|int|float|bool|BackedEnum $default): self
    {
        return $this->changed(default: $default);
    }

    /** @param  Closure(PotKind, Chemistry): (Value|null)  $usual */
    public function usually(Closure $usual): self
    {
        return $this->changed(usual: $usual);
    }

    public function inTablesAs(string $column): self
    {
        return $this->changed(csv: $column);
    }

    /** @param  (Closure(PotKind, Chemistry): (Value|null))|null  $usual  as every other: null for what it is already */
    private function changed(?bool $isRequired = null, string|int|float|bool|BackedEnum|null $default = null, ?Closure $usual = null, ?string $csv = null): self
    {
        return new self(
            $this->key,
            $this->label,
            $this->type,
            least: $this->least,
            most: $this->most,
            choices: $this->choices,
            isRequired: $isRequired ?? $this->isRequired,
            default: $default ?? $this->default,
            usual: $usual ?? $this->usual,
            csv: $csv ?? $this->csv,
        );
    }

    /** @return string its name in a database, in snake case */
    public function column(): string
    {
        return strtolower((string) preg_replace('/[A-Z]/', '_$0', $this->key));
    }

    /** @return string its column in a table */
    public function inTables(): string
    {
        return $this->csv ?? $this->column();
    }

    /** @return bool whether it is a fact: the painter's own over what is usual for the kind */
    public function isFact(): bool
    {
        return $this->usual !== null && ! $this->isRequired;
    }

    /**
     * The value assumed for a kind of pot until the painter states one.
     *
     * @param  Chemistry|null  $chemistry  as it is stated; null for that of the kind
     * @return Value|null null when nothing is
     */
    public function assumed(PotKind $kind, ?Chemistry $chemistry = null): string|int|float|bool|BackedEnum|null
    {
        return $this->usual === null ? $this->default : ($this->usual)($kind, $chemistry ?? $kind->usual()->chemistry);
    }

    /**
     * A value from outside.
     *
     * @param  string|int|float|bool|null  $given  empty for "not stated"
     * @return Value|null null when nothing is stated
     *
     * @throws InvalidPot naming the field, what was given and what is allowed
     */
    public function parse(string|int|float|bool|null $given): string|int|float|bool|BackedEnum|null
    {
        $text = is_bool($given) ? ($given ? 'yes' : 'no') : trim((string) $given);
        if ($text === '') {
            return $this->isRequired && $this->default === null && $this->usual === null ? throw InvalidPot::missing($this->label) : null;
        }

        return match ($this->type) {
            FieldType::Text, FieldType::Note => mb_strlen($text) <= (int) $this->most ? $text : throw InvalidPot::tooLong($this->label, (int) $this->most),
            FieldType::Choice => $this->chosen($text),
            FieldType::Whole => (int) $this->numeric($text, '/^-?\d+\z/', true),
            FieldType::Number => $this->numeric($text, '/^-?(\d+\.?\d*|\.\d+)([eE][-+]?\d+)?\z/', false),
            FieldType::Colour => preg_match('/^#[0-9a-f]{6}\z/i', $text) === 1 ? strtolower($text) : throw InvalidPot::colour($this->label, $text),
            FieldType::YesNo => match (strtolower($text)) {
                'yes', 'true', '1' => true,
                'no', 'false', '0' => false,
                default => throw InvalidPot::yesNo($this->label, $text),
            },
            FieldType::Day => self::isDay($text) ? $text : throw InvalidPot::day($this->label, $text),
        };
    }

    /**
     * A value as it is written down; `parse` reads it again.
     *
     * @param  Value|null  $value
     */
    public static function written(string|int|float|bool|BackedEnum|null $value): string
    {
        return match (true) {
            $value instanceof BackedEnum => (string) $value->value,
            is_bool($value) => $value ? 'yes' : 'no',
            is_float($value) => json_encode($value, JSON_THROW_ON_ERROR),
            default => (string) $value,
        };
    }

    /** @return list<string> in order; empty unless it is a choice */
    public function choices(): array
    {
        return $this->choices === null ? [] : array_map(static fn (BackedEnum $case): string => (string) $case->value, $this->choices::cases());
    }

    /** @return bool whether there is such a day, YYYY-MM-DD, from 1900 to 2199 */
    public static function isDay(string $text): bool
    {
        return preg_match('/^(19|20|21)\d\d-(\d\d)-(\d\d)\z/', $text, $found) === 1 && checkdate((int) $found[2], (int) $found[3], (int) substr($text, 0, 4));
    }

    /** @throws InvalidPot */
    private function chosen(string $text): BackedEnum
    {
        foreach ($this->choices === null ? [] : $this->choices::cases() as $case) {
            if ((string) $case->value === $text) {
                return $case;
            }
        }

        throw InvalidPot::unknownChoice($this->label, $text, $this->choices());
    }

    /** @throws InvalidPot */
    private function numeric(string $text, string $form, bool $whole): float
    {
        $least = (float) $this->least;
        $most = (float) $this->most;
        if (preg_match($form, $text) !== 1 || (float) $text < $least || (float) $text > $most) {
            throw InvalidPot::number($this->label, $text, $whole, $least, $most);
        }

        return (float) $text;
    }
}
