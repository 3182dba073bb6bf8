<?php

declare(strict_types=1);

namespace Hyalin\Plan;

use Closure;
use Stringable;

/**
 * What a step is known by: the same for the same layer, part or joint in every plan. Its words are kept with runs and orders
 * of one's own, and go into files.
 */
final readonly class StepId implements Stringable
{
    /**
     * @param  string  $act  prepare, attach, glue, fill, layer, own, step, mask or peel
     * @param  list<string>  $subjects  ids of parts, or the key of a layer
     * @param  self|null  $spray  that a mask is put on for
     * @param  int  $number  of several masks for one spray, from 0
     */
    private function __construct(private string $act, private array $subjects, private ?self $spray = null, private int $number = 0)
    {
    }

    public static function prepare(string $part): self
    {
        return new self('prepare', [$part]);
    }

    public static function attach(string $part): self
    {
        return new self('attach', [$part]);
    }

    public static function glue(string $part, string $other): self
    {
        return new self('glue', [$part, $other]);
    }

    public static function fill(string $part, string $other): self
    {
        return new self('fill', [$part, $other]);
    }

    /** @param  string  $key  of the layer; of the first one where several are put on in one go */
    public static function layer(string $key): self
    {
        return new self('layer', [$key]);
    }

    /** @param  string  $id  of a step of the painter's own */
    public static function own(string $id): self
    {
        return new self('own', [$id]);
    }

    /** @param  string  $id  of a step that no plan has: a repair, or one that is done once more */
    public static function inserted(string $id): self
    {
        return new self('step', [$id]);
    }

    /** @param  int  $number  of several masks for one spray, from 0 */
    public static function mask(self $spray, int $number = 0): self
    {
        return new self('mask', [], $spray, $number);
    }

    /** @param  int  $number  of the mask that it takes off, from 0 */
    public static function peel(self $spray, int $number = 0): self
    {
        return new self('peel', [], $spray, $number);
    }

    /** @throws InvalidPlan when these words name no step */
    public static function parse(string $words): self
    {
        if (preg_match('/^(mask|peel) ((?:layer) \S+)(?: (\d+))?\z/', $words, $m) === 1) {
            return new self($m[1], [], self::parse($m[2]), (int) ($m[3] ?? 0));
        }
        if (preg_match('/^(?:(prepare|attach|layer|own|step) (\S+)|(glue|fill) (\S+) (\S+))\z/', $words, $m) === 1) {
            return $m[1] !== '' ? new self($m[1], [$m[2]]) : new self($m[3] ?? '', [$m[4] ?? '', $m[5] ?? '']);
        }

        throw InvalidPlan::noStep($words);
    }

    /** @return self|null null when these words name no step */
    public static function tryParse(string $words): ?self
    {
        try {
            return self::parse($words);
        } catch (InvalidPlan) {
            return null;
        }
    }

    /** @return self|null the peel that takes this mask off; null for any other step */
    public function peeledBy(): ?self
    {
        return $this->act === 'mask' && $this->spray !== null ? self::peel($this->spray, $this->number) : null;
    }

    /** @return self|null the spray that this mask, or its peel, is for; null for any other step */
    public function masksFor(): ?self
    {
        return $this->spray;
    }

    /**
     * The same step where parts are known by other ids; layers keep their keys everywhere.
     *
     * @param  Closure(string): string  $id  of a part
     */
    public function withParts(Closure $id): self
    {
        return new self($this->act, in_array($this->act, ['layer', 'own', 'step'], true) ? $this->subjects : array_map($id, $this->subjects), $this->spray?->withParts($id), $this->number);
    }

    public function equals(?self $other): bool
    {
        return $other !== null && (string) $this === (string) $other;
    }

    public function __toString(): string
    {
        return implode(' ', [$this->act, ...$this->subjects, ...($this->spray === null ? [] : [(string) $this->spray]), ...($this->number > 0 ? [(string) $this->number] : [])]);
    }
}
