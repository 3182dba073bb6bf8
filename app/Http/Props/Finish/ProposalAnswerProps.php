<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\AreaProposals;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Hyalin\Matching\Proposals\Proposal;

/**
 * Proposals for an area.
 */
final readonly class ProposalAnswerProps
{
    /**
     * @param  list<ProposalProps>  $proposals  nearest first
     * @param  NearestRampProps|null  $beyond  set when the reference asks for more than the shelf has
     */
    public function __construct(public array $proposals, public ?NearestRampProps $beyond)
    {
    }

    public static function of(Figure $figure, Area $area, AreaProposals $of): self
    {
        return new self(
            array_map(static fn (Proposal $p): ProposalProps => ProposalProps::of($figure, $area, $of->shelf, $p), $of->proposals),
            $of->reach->isReached() ? null : NearestRampProps::of($of->reach, $of->targets),
        );
    }
}
