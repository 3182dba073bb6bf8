<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use Hyalin\Colour\Lab;
use Hyalin\Matching\Proposals\Proposal;
use Hyalin\Matching\Proposals\RampReach;

/**
 * Proposals for an area.
 */
final readonly class AreaProposals
{
    /**
     * @param  list<Proposal>  $proposals  nearest first
     * @param  non-empty-array<string, Lab>  $targets  by zone
     * @param  RampReach  $reach  whether the shelf reaches them at all
     */
    public function __construct(public ProposalShelf $shelf, public array $proposals, public array $targets, public RampReach $reach)
    {
    }
}
