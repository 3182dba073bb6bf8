<?php

declare(strict_types=1);

namespace Hyalin\Plan;

use Hyalin\Pot\Chemistry;

/**
 * One thing to do at the bench, on one area, on several in one go, or on a part.
 */
final readonly class Step
{
    /**
     * @param  list<string>  $areas  ids; empty for work on a part
     * @param  list<string>  $parts  ids
     * @param  list<LayerPlan>  $layers  it puts on, one for each area
     * @param  int  $dryMinutes  until something may go over it
     * @param  string|null  $ownTool  as the painter said; null for that of its kind
     * @param  string|null  $caution  of the painter's own
     * @param  bool  $makesDust  sanding: never in one sitting with wet paint
     */
    public function __construct(
        public StepId $id,
        public StepKind $kind,
        public string $words,
        public array $areas,
        public array $parts,
        public array $layers,
        public int $minutes,
        public int $dryMinutes,
        public bool $makesDust = false,
        private ?string $ownTool = null,
        public ?string $caution = null,
    ) {
    }

    /** The same step taking other minutes. */
    public function taking(int $minutes): self
    {
        return new self(
            $this->id,
            $this->kind,
            $this->words,
            areas: $this->areas,
            parts: $this->parts,
            layers: $this->layers,
            minutes: $minutes,
            dryMinutes: $this->dryMinutes,
            makesDust: $this->makesDust,
            ownTool: $this->ownTool,
            caution: $this->caution,
        );
    }

    /** @return string what it is done with */
    public function tool(): string
    {
        return $this->ownTool ?? $this->kind->tool();
    }

    public function layer(): ?LayerPlan
    {
        return $this->layers[0] ?? null;
    }

    /** @return Chemistry|null of the paint that it puts on; null where it puts on none */
    public function chemistry(): ?Chemistry
    {
        return $this->layer()?->chemistry;
    }

    public function touches(string $area): bool
    {
        return in_array($area, $this->areas, true);
    }
}
