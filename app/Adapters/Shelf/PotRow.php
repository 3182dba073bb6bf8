<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\PotKind;

/**
 * One pot as a file describes it.
 */
final readonly class PotRow
{
    /** @param  PaintOptics|null  $optics  as it was measured; null when it has to be estimated */
    public function __construct(
        public int $line,
        public string $maker,
        public string $name,
        public PotKind $kind,
        public Sheen $sheen,
        public string $hex,
        public Opacity $opacity,
        public TintingStrength $strength,
        public int $level,
        public ?string $note,
        public ?PaintOptics $optics,
    ) {
    }

    /** @return string the same for the same pot, whatever its case and spaces */
    public function identity(): string
    {
        return self::identityOf($this->maker, $this->name);
    }

    public static function identityOf(string $maker, string $name): string
    {
        return mb_strtolower(trim($maker)."\n".trim($name));
    }
}
