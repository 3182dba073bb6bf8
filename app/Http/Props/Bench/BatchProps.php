<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use Hyalin\Bench\Batch;
use Hyalin\Bench\BatchMode;

/**
 * Which way a batch is quicker, in minutes from the first stroke to the last: estimates.
 */
final readonly class BatchProps
{
    public function __construct(public int $figures, public float $stepByStep, public float $figureByFigure, public float $setUpSaved, public float $waitSaved, public BatchMode $quicker)
    {
    }

    public static function of(Batch $batch, int $figures): self
    {
        return new self($figures, $batch->stepByStep, $batch->figureByFigure, $batch->setUpSaved, $batch->waitSaved, $batch->quicker());
    }
}
