<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Found;

/**
 * The best mixes, best first, each of another set of paints.
 */
final readonly class MixAnswer
{
    /**
     * @param  non-empty-list<FoundMix>  $mixes
     * @param  int  $evaluations  mixes whose colour was computed exactly
     */
    public function __construct(public array $mixes, public SearchEnding $ending, public int $evaluations)
    {
    }

    public function best(): FoundMix
    {
        return $this->mixes[0];
    }
}
