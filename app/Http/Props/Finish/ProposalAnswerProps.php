<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

/**
 * What could be painted on an area.
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
}
