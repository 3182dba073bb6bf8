<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\Optics\Opacity;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;

/**
 * Every field of a pot, in the order in which forms and tables show them. Adding one: an entry here, its column in the
 * database, and its use, for example by an accessor of Pot.
 */
final class PotFields
{
    /** @return non-empty-list<PotField> */
    public static function all(): array
    {
        /** @var non-empty-list<PotField>|null $all built once: a shelf of 5 000 pots asks often */
        static $all = null;

        return $all ??= [
            PotField::text('maker', 'maker')->required(),
            PotField::text('name', 'name')->required(),
            PotField::choice('kind', 'kind', PotKind::class)->required()->defaultingTo(PotKind::Acrylic),
            PotField::choice('sheen', 'sheen', Sheen::class)->required()->usually(static fn (PotKind $kind): Sheen => $kind->usual()->sheen),
            PotField::colour('thickHex', 'colour when thick')->required()->inTablesAs('colour'),
            PotField::colour('flopHex', 'colour from the side')->inTablesAs('side_colour'),
            PotField::colour('tintHex', 'tint of one clear coat on white')->inTablesAs('tint'),
            PotField::choice('opacity', 'coats to opaque', Opacity::class)->required()->defaultingTo(Opacity::TwoCoats),
            PotField::choice('strength', 'tinting strength', TintingStrength::class)->required()->defaultingTo(TintingStrength::Usual),
            PotField::whole('levelPercent', 'level', 0, 100)->required()->defaultingTo(100)->inTablesAs('level'),
            PotField::note('note', 'note'),
            PotField::choice('chemistry', 'chemistry', Chemistry::class)->usually(static fn (PotKind $kind): Chemistry => $kind->usual()->chemistry),
            PotField::number('density', 'density, g/mL', 0.2, 5)->usually(static fn (PotKind $kind): float => $kind->usual()->density),
            PotField::number('sizeMl', 'size, mL', 1, 5000)->usually(static fn (PotKind $kind): int => $kind->usual()->sizeMl),
            PotField::number('price', 'price', 0, 10_000)->usually(static fn (): ?float => null),
            PotField::whole('dryingMinutes', 'dry to the next coat, min', 0, 20_160)->usually(static fn (PotKind $kind, Chemistry $is): int => $is === $kind->usual()->chemistry ? $kind->usual()->dryingMinutes : $is->dryingMinutes()),
            PotField::whole('curingMinutes', 'cured, min', 0, 100_000)->usually(static fn (PotKind $kind, Chemistry $is): int => $is === $kind->usual()->chemistry ? $kind->usual()->curingMinutes : $is->curingMinutes()),
            PotField::number('pressurePsi', 'airbrush pressure, psi', 1, 100)->usually(static fn (PotKind $kind): ?int => $kind->usual()->pressurePsi),
            PotField::number('thinner', 'thinner for the airbrush, parts to one of paint', 0, 20)->usually(static fn (PotKind $kind): ?float => $kind->usual()->thinner),
            PotField::text('thinnedWith', 'thinned with', 60)->usually(static fn (PotKind $kind, Chemistry $is): string => $is === $kind->usual()->chemistry ? $kind->usual()->thinnedWith : $is->solvent()),
            PotField::text('cleaner', 'cleaned with', 60)->usually(static fn (PotKind $kind, Chemistry $is): string => $is === $kind->usual()->chemistry ? $kind->usual()->cleaner : $is->solvent()),
            PotField::number('dropMl', 'one drop, mL', 0.005, 0.5)->usually(static fn (): float => Volume::DROP),
            PotField::yesNo('isMixed', 'used in mixes')->usually(static fn (PotKind $kind): bool => $kind->usual()->isMixed)->inTablesAs('mixed'),
            PotField::day('openedOn', 'opened on')->usually(static fn (): ?string => null),
            PotField::day('goodUntil', 'good until')->usually(static fn (): ?string => null),
        ];
    }

    /** @return list<PotField> what describes a pot: every pot has it */
    public static function described(): array
    {
        return array_values(array_filter(self::all(), static fn (PotField $f): bool => ! $f->isFact()));
    }

    /** @return list<PotField> what the painter may state, and what is usual for the kind otherwise */
    public static function facts(): array
    {
        return array_values(array_filter(self::all(), static fn (PotField $f): bool => $f->isFact()));
    }

    public static function named(string $key): PotField
    {
        foreach (self::all() as $field) {
            if ($field->key === $key) {
                return $field;
            }
        }

        throw new \LogicException("a pot has no field {$key}");
    }
}
