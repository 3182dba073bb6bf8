<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use BackedEnum;
use Hyalin\Colour\GamutMapping;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;

/**
 * Front door: what a pot is. Each fact is the painter's own where one is stated and what is usual for the kind otherwise;
 * order, bench, quantities, chemistry, cautions, mixing and cups ask here and nowhere else.
 *
 * @phpstan-import-type Value from PotField
 */
final readonly class Pot
{
    /** L* above which an opaque paint is a white to tint with: own estimate. */
    private const WHITE = 90.0;

    /** @param  array<string, Value|null>  $stated  by key of PotFields */
    private function __construct(
        public string $id,
        public string $name,
        public PotKind $kind,
        public Srgb $thick,
        public PaintOptics $optics,
        private array $stated,
    ) {
    }

    /**
     * @param  string  $id  the same for the same pot
     * @param  Srgb  $thick  how it looks in a layer that hides
     * @param  array<string, Value|null>  $stated  by key of PotFields; what is missing or null is the usual of the kind
     */
    public static function of(string $id, string $name, PotKind $kind, Srgb $thick, PaintOptics $optics, array $stated = []): self
    {
        return new self($id, $name, $kind, $thick, $optics, $stated);
    }

    /** @return bool whether the painter stated this field, whatever its kind usually has */
    public function states(string $key): bool
    {
        return ($this->stated[$key] ?? null) !== null;
    }

    /** @return Value|null the painter's own, or the usual of the kind; null where neither says anything */
    public function fact(string $key): string|int|float|bool|BackedEnum|null
    {
        return $this->stated[$key] ?? PotFields::named($key)->assumed($this->kind, $key === 'chemistry' ? null : $this->chemistry());
    }

    public function chemistry(): Chemistry
    {
        $found = $this->fact('chemistry');

        return $found instanceof Chemistry ? $found : $this->kind->usual()->chemistry;
    }

    public function sheen(): Sheen
    {
        $found = $this->fact('sheen');

        return $found instanceof Sheen ? $found : $this->kind->usual()->sheen;
    }

    /**
     * @param  string  $today  YYYY-MM-DD
     * @return string|null the day until which it was good, when that is over
     */
    public function wasGoodUntil(string $today): ?string
    {
        $until = $this->fact('goodUntil');

        return is_string($until) && $until < $today ? $until : null;
    }

    /** @return float grams per millilitre */
    public function density(): float
    {
        return $this->number('density') ?? $this->kind->usual()->density;
    }

    /** @return float mL when it is full */
    public function sizeMl(): float
    {
        return $this->number('sizeMl') ?? (float) $this->kind->usual()->sizeMl;
    }

    /** @return float|null of a full pot; null while nobody states it */
    public function price(): ?float
    {
        return $this->number('price');
    }

    /** @return int minutes until the next coat */
    public function dryingMinutes(): int
    {
        return (int) $this->number('dryingMinutes');
    }

    /** @return int minutes until it is dry through */
    public function curingMinutes(): int
    {
        return (int) $this->number('curingMinutes');
    }

    /** @return int|null psi for the airbrush; null when it is not sprayed */
    public function pressurePsi(): ?int
    {
        $found = $this->number('pressurePsi');

        return $found === null ? null : (int) round($found);
    }

    /** @return string what it is cleaned with */
    public function cleaner(): string
    {
        return PotField::written($this->fact('cleaner'));
    }

    /** @return float mL of one drop from its dropper */
    public function dropMillilitres(): float
    {
        return $this->number('dropMl') ?? Volume::DROP;
    }

    /** @return bool whether it is put into mixes as a colour; what is clear has none, whatever is stated of it */
    public function isMixed(): bool
    {
        return ! $this->kind->isClear() && $this->fact('isMixed') === true;
    }

    /** @return bool whether paint adheres to it and to the print: what is called a primer is one, in a can as well */
    public function isPrimer(): bool
    {
        return $this->kind === PotKind::Primer || ($this->kind === PotKind::Can && preg_match('/\bprimer\b/i', $this->name) === 1);
    }

    /** @return bool a clear coat that sets the sheen of what lies beneath */
    public function isVarnish(): bool
    {
        return $this->kind === PotKind::Varnish || $this->kind === PotKind::Gel;
    }

    /** @return bool whether nothing is left of it */
    public function isEmpty(): bool
    {
        return ($this->number('levelPercent') ?? 100.0) <= 0.0;
    }

    /** @return bool made to let show what lies beneath */
    public function isTranslucent(): bool
    {
        return $this->kind->usual()->isTranslucent;
    }

    /** @return bool opaque platelets that lie flat and look different from two angles */
    public function isFlake(): bool
    {
        return $this->kind->usual()->isFlake;
    }

    /** @return bool whether it is an opaque white that others are tinted with when they are measured */
    public function isWhite(): bool
    {
        return $this->isMixed() && ! $this->isTranslucent() && $this->thick->toXyz()->toLab()->lightness > self::WHITE;
    }

    /**
     * The second face of flakes, seen from the side. Flakes that lie flat send little light there: half the lightness is an
     * own estimate until it is stated.
     *
     * @return Srgb|null null for other pots
     */
    public function flop(): ?Srgb
    {
        if (! $this->isFlake()) {
            return null;
        }
        $stated = $this->fact('flopHex');
        if (is_string($stated)) {
            return Srgb::hex($stated);
        }
        $face = $this->thick->toXyz()->toLab();

        return GamutMapping::toSrgb(Lab::of($face->lightness / 2, $face->a / 2, $face->b / 2))->shown;
    }

    private function number(string $key): ?float
    {
        $found = $this->fact($key);

        return is_int($found) || is_float($found) ? (float) $found : null;
    }
}
