<?php

declare(strict_types=1);

namespace Hyalin\Pot;

/**
 * Whether one film may go over another.
 */
final readonly class Compatibility
{
    /**
     * @param  bool  $isAllowed  at all, once the time has passed
     * @param  int  $minutes  to wait
     * @param  string|null  $remedy  what makes a forbidden pair possible
     */
    private function __construct(public bool $isAllowed, public int $minutes, public string $reason, public ?string $remedy)
    {
    }

    public static function fine(): self
    {
        return new self(true, 0, '', null);
    }

    /** @param  int  $minutes  to wait, 0 or more */
    public static function after(int $minutes, string $reason): self
    {
        return new self(true, $minutes, $reason, null);
    }

    public static function barrier(string $reason, string $remedy): self
    {
        return new self(false, 0, $reason, $remedy);
    }
}
