<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

/**
 * Ways to build a finish that differ in kind, not in degree.
 */
enum ProposalKind: string
{
    case Translucent = 'translucent over zenithal';
    case BaseWash = 'base, wash, highlights';
    case Opaque = 'opaque layering';
    case Glazes = 'undercoat and glazes';

    public function needsAirbrush(): bool
    {
        return $this === self::Translucent;
    }
}
