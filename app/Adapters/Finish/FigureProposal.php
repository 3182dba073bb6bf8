<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Hyalin\Matching\Proposals\Proposal;

/**
 * Finishes for all areas of a figure that share pots.
 */
final readonly class FigureProposal
{
    /**
     * @param  list<array{Area, Proposal}>  $areas  in the figure's order
     * @param  list<string>  $pots  names of those that are used
     */
    public function __construct(public Figure $figure, public ProposalShelf $shelf, public array $areas, public array $pots)
    {
    }
}
