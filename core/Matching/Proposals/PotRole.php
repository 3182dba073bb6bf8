<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

/**
 * What a pot can be used for in a proposal.
 */
enum PotRole
{
    case Primer;
    /** Mixed for coats that are to cover. */
    case Covering;
    /** Mixed for coats that are to let show what lies beneath. */
    case Translucent;
}
