<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

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
}
