<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

final readonly class AreaProposalProps
{
    /** @param  int  $version  of the area when it was proposed */
    public function __construct(public int $areaId, public string $name, public int $version, public int $layersNow, public ProposalProps $proposal)
    {
    }
}
