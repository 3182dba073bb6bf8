<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Models\Finish\MixSearchRecord;

/**
 * A search to the end in the queue.
 */
final readonly class MixSearchProps
{
    /**
     * @param  string  $state  waiting, running, done, stopped or failed
     * @param  float  $progress  0..1 of the mixes tried
     * @param  array<string, mixed>|null  $answer  MixAnswerProps when it is done or stopped
     */
    public function __construct(
        public int $id,
        public string $state,
        public float $progress,
        public ?array $answer,
    ) {
    }

    public static function of(MixSearchRecord $search): self
    {
        return new self($search->id, $search->state, $search->progress, $search->result);
    }
}
