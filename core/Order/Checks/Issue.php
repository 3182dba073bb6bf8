<?php

declare(strict_types=1);

namespace Hyalin\Order\Checks;

use Hyalin\Plan\StepId;

/**
 * Something wrong with a plan, in plain words, with what to do about it.
 */
final readonly class Issue
{
    /**
     * @param  bool  $stops  the plan cannot be painted like this
     * @param  StepId|null  $step  it is about
     */
    public function __construct(public string $what, public ?string $remedy, public bool $stops, public ?StepId $step = null, public ?string $area = null)
    {
    }
}
