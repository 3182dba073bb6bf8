<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Casts\RecordedMix;
use App\Models\Shelf\Paint;
use Hyalin\Pot\Volume;

/**
 * Drops of one pot in a mix: parts by volume, one usual drop each.
 *
 * @phpstan-import-type MixEntry from RecordedMix
 */
final readonly class DropsProps
{
    /** @param  float  $dropMl  mL of one drop from its own dropper; that of a usual one where drops are counted from it already */
    public function __construct(
        public int $paintId,
        public string $maker,
        public string $name,
        public string $hex,
        public float $drops,
        public float $dropMl = Volume::DROP,
    ) {
    }

    public static function of(Paint $paint, int|float $drops): self
    {
        return new self($paint->id, $paint->maker, $paint->name, $paint->thick_hex, $drops, $paint->pot()->dropMillilitres());
    }

    /**
     * @param  list<MixEntry>  $entries
     * @return string as painters write a mix down
     */
    public static function words(array $entries): string
    {
        return implode(' + ', array_map(static fn (array $e): string => round($e['drops'], 2)." {$e['name']}", $entries));
    }

    /**
     * @param  list<MixEntry>  $entries
     * @return list<self>
     */
    public static function recorded(array $entries): array
    {
        return array_map(
            static fn (array $e): self => new self($e['paintId'], $e['maker'], $e['name'], $e['hex'], $e['drops']),
            $entries,
        );
    }
}
