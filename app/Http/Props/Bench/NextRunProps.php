<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Order\Hindrances;

/**
 * The run that could be begun now.
 */
final readonly class NextRunProps
{
    /**
     * @param  list<string>  $hindrances  why its plan cannot be painted; empty when nothing stands against it
     * @param  bool  $hasNoOrder  it would have its layers only, without preparation, masks and joints
     */
    private function __construct(public int $steps, public array $hindrances, public bool $hasNoOrder)
    {
    }

    public static function of(int $steps, Hindrances $found): self
    {
        return new self($steps, $steps === 0 ? [] : $found->words, $found->hasNoOrder);
    }
}
