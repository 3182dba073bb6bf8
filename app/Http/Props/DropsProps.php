<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Casts\RecordedMix;
use App\Models\Shelf\Paint;

/**
 * Drops of one pot in a mix.
 *
 * @phpstan-import-type MixEntry from RecordedMix
 */
final readonly class DropsProps
{
    public function __construct(
        public int $paintId,
        public string $maker,
        public string $name,
        public string $hex,
        public int $drops,
    ) {
    }

    public static function of(Paint $paint, int $drops): self
    {
        return new self($paint->id, $paint->maker, $paint->name, $paint->thick_hex, $drops);
    }

    /**
     * @param  list<MixEntry>  $entries
     * @return string as painters write a mix down
     */
    public static function words(array $entries): string
    {
        return implode(' + ', array_map(static fn (array $e): string => "{$e['drops']} {$e['name']}", $entries));
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
