<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use Hyalin\Finish\Technique;

/**
 * A step of a run before it is stored, with the areas and parts it is done on.
 */
final readonly class PlannedStep
{
    /**
     * @param  array<string, mixed>  $attributes  of App\Models\Bench\RunStep
     * @param  list<int>  $areaIds
     * @param  list<int>  $partIds
     */
    public function __construct(public array $attributes, public array $areaIds, public array $partIds)
    {
    }

    /** @param  array<string, mixed>  $attributes  that differ */
    public function with(array $attributes): self
    {
        return new self([...$this->attributes, ...$attributes], $this->areaIds, $this->partIds);
    }

    public function minutes(): int
    {
        return is_int($this->attributes['minutes'] ?? null) ? $this->attributes['minutes'] : 0;
    }

    public function usualMinutes(): ?int
    {
        return is_int($this->attributes['usual_minutes'] ?? null) ? $this->attributes['usual_minutes'] : null;
    }

    public function technique(): ?Technique
    {
        return ($this->attributes['technique'] ?? null) instanceof Technique ? $this->attributes['technique'] : null;
    }

    public function areaName(): string
    {
        return is_string($this->attributes['area_name'] ?? null) ? $this->attributes['area_name'] : '';
    }
}
