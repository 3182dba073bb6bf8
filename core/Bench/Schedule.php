<?php

declare(strict_types=1);

namespace Hyalin\Bench;

/**
 * Steps laid over sessions.
 */
final readonly class Schedule
{
    /**
     * @param  array<int, array{float, float}>  $placed  start and end by place of the step
     * @param  float  $finish  when the last step ends
     * @param  float  $bound  no schedule finishes earlier
     */
    public function __construct(public array $placed, public float $finish, public float $bound, public int $sessionsUsed)
    {
    }
}
