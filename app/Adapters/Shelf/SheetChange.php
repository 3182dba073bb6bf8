<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use App\Models\Shelf\SheetPhoto;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;

/**
 * Changes on a sheet since the photo of it that was kept: paint that has aged, or that was painted again from a pot that
 * was shaken badly.
 */
final readonly class SheetChange
{
    private function __construct(private SheetColours $then, private SheetColours $now)
    {
    }

    /** @return self|null null when no earlier photo was kept */
    public static function since(SheetPhoto $photo, SheetColours $now): ?self
    {
        $kept = SheetPhoto::query()->where('sheet_id', $photo->sheet_id)->where('id', '<', $photo->id)->whereNotNull('kept_at')->orderByDesc('id')->first();

        return $kept?->result === null ? null : new self(SheetColours::parse($kept->result), $now);
    }

    /** @return float|null mean CIEDE2000 of the places of a field; null while it is within what both photos may be wrong */
    public function of(int $position): ?float
    {
        $differences = $doubts = [];
        foreach ($this->now->fields[$position] ?? [] as $place => $read) {
            $before = $this->then->fields[$position][$place] ?? null;
            if ($before !== null) {
                $differences[] = DifferenceFormula::Ciede2000->between(Lab::of(...$before['lab']), Lab::of(...$read['lab']));
                $doubts[] = hypot($before['radius'], $read['radius']);
            }
        }
        if ($differences === []) {
            return null;
        }
        $difference = array_sum($differences) / count($differences);

        return $difference > array_sum($doubts) / count($doubts) ? round($difference, 1) : null;
    }
}
