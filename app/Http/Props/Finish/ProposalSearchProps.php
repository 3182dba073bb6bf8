<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Models\Finish\ProposalSearchRecord;

/**
 * A search for a whole figure in the queue.
 */
final readonly class ProposalSearchProps
{
    /**
     * @param  string  $state  waiting, running, done, stopped or failed
     * @param  float  $progress  0..1
     * @param  array<string, mixed>|null  $answer  FigureProposalProps when it is done or stopped
     */
    public function __construct(public int $id, public string $state, public float $progress, public ?array $answer)
    {
    }

    public static function of(ProposalSearchRecord $search): self
    {
        return new self($search->id, $search->state, $search->progress, $search->result);
    }
}
