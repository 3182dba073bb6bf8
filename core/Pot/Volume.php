<?php

declare(strict_types=1);

namespace Hyalin\Pot;

/**
 * A volume of paint. A recipe is parts by volume, kept exactly; a part is one usual drop, whatever dropper a pot has.
 */
final readonly class Volume
{
    /** mL of a usual drop (common practice). */
    public const DROP = 0.05;

    private function __construct(public float $millilitres)
    {
    }

    public static function millilitres(float $millilitres): self
    {
        return new self($millilitres);
    }

    public static function parts(float $parts): self
    {
        return new self($parts * self::DROP);
    }

    /** @param  Pot|null  $pot  whose dropper is counted; a usual one by default */
    public static function drops(int $drops, ?Pot $pot = null): self
    {
        return new self($drops * ($pot?->dropMillilitres() ?? self::DROP));
    }

    /** @return float usual drops */
    public function inParts(): float
    {
        return $this->millilitres / self::DROP;
    }

    /** @return float drops of the pot's own dropper */
    public function inDropsOf(Pot $pot): float
    {
        return $this->millilitres / $pot->dropMillilitres();
    }
}
