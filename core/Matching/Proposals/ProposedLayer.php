<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Finish\Layer;
use Hyalin\Finish\Practice;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\PaintOptics;

/**
 * A layer of a proposal: pots by their place on the shelf.
 */
final readonly class ProposedLayer
{
    /**
     * @param  non-empty-array<int, int>  $drops  by place on the shelf
     * @param  non-empty-list<Zone>  $zones
     * @param  bool  $grown  the cup of the layer before with drops added
     */
    public function __construct(
        public Technique $technique,
        public array $drops,
        public float $thinner,
        public int $coats,
        public array $zones,
        public bool $grown = false,
    ) {
    }

    /** @param  non-empty-array<int, int>  $drops */
    public function mixed(array $drops, bool $grown = false): self
    {
        return new self($this->technique, $drops, $this->thinner, $this->coats, $this->zones, $grown);
    }

    /** @param  int  $coats  1 or more */
    public function withCoats(int $coats): self
    {
        return new self($this->technique, $this->drops, $this->thinner, $coats, $this->zones, $this->grown);
    }

    /** @param  list<ShelfPot>  $shelf */
    public function optics(array $shelf): PaintOptics
    {
        $parts = [];
        foreach ($this->drops as $place => $drops) {
            $parts[] = [$shelf[$place]->optics, (float) $drops];
        }

        return PaintOptics::mixed($parts);
    }

    /**
     * @param  list<ShelfPot>  $shelf
     * @param  Practice|null  $practice  of the painter; null for the usual
     */
    public function toLayer(array $shelf, ?Practice $practice = null): Layer
    {
        $flake = false;
        foreach (array_keys($this->drops) as $place) {
            $flake = $flake || $shelf[$place]->role === PotRole::Metal;
        }
        $layer = Layer::of($this->technique, $this->optics($shelf), $this->thinner, $this->coats, $this->zones, flake: $flake);

        return $practice === null ? $layer : $practice->of($layer);
    }
}
