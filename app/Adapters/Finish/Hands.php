<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Shelf\TechniqueHand;
use Hyalin\Finish\Hand;
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
        if (! isset($this->known[$painterId])) {
            $this->known[$painterId] = [];
            foreach (TechniqueHand::query()->where('painter_id', $painterId)->get() as $hand) {
                $this->known[$painterId][$hand->technique->value] = $hand->toHand();
            }
        }

        return $this->known[$painterId][$technique->value] ?? null;
    }

    public function forget(): void
    {
        $this->known = [];
    }
}
