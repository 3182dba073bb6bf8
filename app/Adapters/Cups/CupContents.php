<?php

declare(strict_types=1);

namespace App\Adapters\Cups;

use App\Models\Cups\CupAct;
use App\Models\Cups\CupRecord as CupRecord;
use App\Models\Shelf\Paint;
use Hyalin\Cup\Cup;
use Hyalin\Optics\PaintOptics;

/**
 * The contents of a cup: its entries added up in order, those undone left out.
 */
final readonly class CupContents
{
    /** @param  array<string, Paint>  $pots  by ingredient of the core's cup */
    private function __construct(public Cup $cup, public array $pots)
    {
    }

    public static function of(CupRecord $record): self
    {
        $cup = Cup::empty();
        $pots = [];
        foreach ($record->entries as $entry) {
            if ($entry->undone_at !== null) {
                continue;
            }
            if ($entry->act === CupAct::Use) {
                // An undone entry may leave less than was used later: the cup is then empty, not in debt.
                $cup = $cup->total() > 0 ? $cup->using(min($entry->millilitres, $cup->total())) : $cup;

                continue;
            }
            $key = $entry->act === CupAct::Thin ? Cup::THINNER : self::key($entry->paint_id ?? 0);
            $cup = $cup->adding($key, $entry->millilitres);
            if ($entry->paint !== null) {
                $pots[$key] = $entry->paint;
            }
        }

        return new self($cup, $pots);
    }

    public static function key(int $paintId): string
    {
        return "p{$paintId}";
    }

    /** @return array<string, PaintOptics> by ingredient */
    public function optics(): array
    {
        return array_map(static fn (Paint $p): PaintOptics => $p->optics(), $this->pots);
    }
}
