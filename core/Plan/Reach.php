<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * The tools that reach an area once the parts that can be glued early are glued.
 */
enum Reach: string
{
    case Open = 'open';
    case Brush = 'brush only';
    case None = 'only the prime';

    /** @return bool whether work of this kind gets there; a prime is sprayed on the bare print from every side */
    public function allows(StepKind $kind): bool
    {
        return match ($this) {
            self::Open => true,
            self::Brush => $kind === StepKind::Prime || ! $kind->isSprayed(),
            self::None => $kind === StepKind::Prime,
        };
    }
}
