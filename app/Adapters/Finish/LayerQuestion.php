<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use Hyalin\Colour\Lab;
use Hyalin\Cup\HueDrift;
use Hyalin\Finish\Zone;

/**
 * A question for advice: one layer of an area's drafts, in one zone.
 */
final readonly class LayerQuestion
{
    /**
     * @param  list<LayerDraft>  $drafts
     * @param  int  $index  of the layer among them
     * @param  Lab|null  $target  of the finished zone
     * @param  float  $contrast  of a ramp, L* from step to step
     */
    public function __construct(public array $drafts, public int $index, public Zone $zone, public ?Lab $target, public float $contrast, public HueDrift $drift)
    {
    }

    public function draft(): LayerDraft
    {
        return $this->drafts[$this->index];
    }
}
