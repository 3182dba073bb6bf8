<?php

declare(strict_types=1);

namespace Hyalin\Finish\Doubt;

use Hyalin\Finish\Technique;

/**
 * One thing that makes a prediction unsure: a pot, the hand at a technique, or that no coat is like the next.
 */
final readonly class Cause
{
    private function __construct(public CauseKind $kind, public string $key, public ?string $pot = null, public ?Technique $technique = null)
    {
    }

    public static function pot(string $pot): self
    {
        return new self(CauseKind::Pot, "pot {$pot}", $pot);
    }

    public static function hand(Technique $technique): self
    {
        return new self(CauseKind::Hand, "hand {$technique->value}", null, $technique);
    }

    public static function coats(): self
    {
        return new self(CauseKind::Coats, 'coats');
    }
}
