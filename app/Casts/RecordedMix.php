<?php

declare(strict_types=1);

namespace App\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A mix as it was on that day: names and colours stand by themselves, whatever became of the pots. Its drops are parts by
 * volume, one usual drop each, kept exactly: what comes from a cup need not be whole.
 *
 * @phpstan-type MixEntry array{paintId: int, name: string, maker: string, hex: string, drops: int|float}
 *
 * @implements CastsAttributes<list<MixEntry>|null, list<MixEntry>|null>
 */
final class RecordedMix implements CastsAttributes
{
    /**
     * @param  array<string, mixed>  $attributes
     * @return list<MixEntry>|null
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?array
    {
        if (! is_string($value)) {
            return null;
        }
        /** @var list<MixEntry> written by set() only */
        $entries = json_decode($value, true, flags: JSON_THROW_ON_ERROR);

        return $entries;
    }

    /**
     * @param  non-empty-list<MixEntry>  $mix
     * @return MixEntry the pot with the most drops
     */
    public static function main(array $mix): array
    {
        $main = $mix[0];
        foreach ($mix as $entry) {
            $main = $entry['drops'] > $main['drops'] ? $entry : $main;
        }

        return $main;
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return $value === null ? null : json_encode($value, JSON_THROW_ON_ERROR);
    }
}
