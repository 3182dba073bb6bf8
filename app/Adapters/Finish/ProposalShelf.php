<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Matching\Proposals\PotRole;
use Hyalin\Matching\Proposals\ProposalKind;
use Hyalin\Matching\Proposals\ProposedLayer;
use Hyalin\Matching\Proposals\ShelfPot;
use Illuminate\Support\Str;

/**
 * A painter's shelf as proposals see it: what is not empty and can be primed or mixed with.
 */
final readonly class ProposalShelf
{
    /**
     * @param  list<Paint>  $pots
     * @param  list<ShelfPot>  $shelf  theirs, in the same order
     */
    private function __construct(public array $pots, public array $shelf)
    {
    }

    /** @param  list<int>|null  $only  ids of the pots that may be used; primers always may */
    public static function of(Painter $painter, ?array $only = null): self
    {
        $pots = $shelf = [];
        foreach ($painter->paints()->get() as $pot) {
            $role = self::role($pot);
            if ($role !== null && ($only === null || $role === PotRole::Primer || in_array($pot->id, $only, true))) {
                $pots[] = $pot;
                $shelf[] = new ShelfPot($pot->optics(), $role);
            }
        }

        return new self($pots, $shelf);
    }

    /** @return list<ProposalKind> */
    public static function kinds(bool $brushOnly): array
    {
        return array_values(array_filter(ProposalKind::cases(), static fn (ProposalKind $kind): bool => ! $brushOnly || ! $kind->needsAirbrush()));
    }

    public function draft(ProposedLayer $layer): LayerDraft
    {
        $mix = [];
        foreach ($layer->drops as $place => $drops) {
            $mix[] = [$this->pots[$place], $drops];
        }

        return new LayerDraft(Str::ulid()->toBase32(), $layer->technique, $layer->zones, $layer->thinner, $layer->coats, $mix, null);
    }

    private static function role(Paint $pot): ?PotRole
    {
        return $pot->level_percent > 0 ? PotRole::of($pot->pot()) : null;
    }
}
