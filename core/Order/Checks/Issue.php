<?php

declare(strict_types=1);

namespace Hyalin\Order\Checks;

/**
 * Something wrong with a plan, in plain words, with what to do about it.
 */
final readonly class Issue
{
    /**
     * @param  bool  $stops  the plan cannot be painted like this
     * @param  string|null  $step  id of the step it is about
     */
    public function __construct(public string $what, public ?string $remedy, public bool $stops, public ?string $step = null, public ?string $area = null)
    {
    }
}
