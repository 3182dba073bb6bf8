<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\FigureProposal;

/**
 * Finishes for all areas of a figure that share pots.
 */
final readonly class FigureProposalProps
{
    /**
     * @param  list<AreaProposalProps>  $areas
     * @param  list<string>  $pots  names
     */
    public function __construct(public array $areas, public array $pots)
    {
    }

    public static function of(FigureProposal $of): self
    {
        return new self(array_map(static fn (array $a): AreaProposalProps => new AreaProposalProps(
            $a[0]->id, $a[0]->name, $a[0]->version, $a[0]->layers->count(), ProposalProps::of($of->figure, $a[0], $of->shelf, $a[1]),
        ), $of->areas), $of->pots);
    }
}
