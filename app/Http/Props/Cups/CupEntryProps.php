<?php

declare(strict_types=1);

namespace App\Http\Props\Cups;

use App\Models\Cups\CupAct;
use App\Models\Cups\CupEntry;

final readonly class CupEntryProps
{
    /** @param  string  $at ISO 8601 */
    public function __construct(public string $key, public CupAct $act, public ?string $pot, public float $millilitres, public bool $undone, public string $at)
    {
    }

    public static function of(CupEntry $entry): self
    {
        return new self($entry->key, $entry->act, $entry->paint?->name, $entry->millilitres, $entry->undone_at !== null, (string) $entry->created_at->toIso8601String());
    }
}
