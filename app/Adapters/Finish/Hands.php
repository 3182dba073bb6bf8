<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Brief\Area;
use App\Models\Shelf\TechniqueHand;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Practice;
use Hyalin\Finish\Technique;

/**
 * The hands of painters as their test chips have told them; looked up once a request.
 */
final class Hands
{
    /** @var array<int, array<string, Hand>> by painter and technique */
    private array $known = [];

    public function of(int $painterId, Technique $technique): ?Hand
    {
        return $this->all($painterId)[$technique->value] ?? null;
    }

    /** How this painter paints that area: what proposals are predicted with, as its section will be. */
    public function practice(int $painterId, Area $area): Practice
    {
        return new Practice($this->all($painterId), $area->zone_exposures ?? [], $area->form);
    }

    /** @return array<string, Hand> by technique */
    private function all(int $painterId): array
    {
        if (! isset($this->known[$painterId])) {
            $this->known[$painterId] = [];
            foreach (TechniqueHand::query()->where('painter_id', $painterId)->get() as $hand) {
                $this->known[$painterId][$hand->technique->value] = $hand->toHand();
            }
        }

        return $this->known[$painterId];
    }

    public function forget(): void
    {
        $this->known = [];
    }
}
