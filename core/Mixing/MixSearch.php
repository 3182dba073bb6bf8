<?php

declare(strict_types=1);

namespace Hyalin\Mixing;

use Hyalin\Mixing\Found\MixAnswer;
use Hyalin\Mixing\Quick\QuickMixSearch;
use Hyalin\Mixing\Task\InvalidMixTask;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Optics\PaintOptics;

/**
 * Front door of the module: the best whole-drop mixes for a task from a shelf. Small shelves are searched to the end;
 * on larger ones the quick search answers, and a proof is made on request.
 */
final readonly class MixSearch
{
    private function __construct(private int $proveUpTo)
    {
    }

    /** @param  int  $mixes shelves with no more mixes than this are searched to the end at once */
    public static function provingUpTo(int $mixes): self
    {
        return new self($mixes);
    }

    /**
     * @param  list<PaintOptics>  $paints  in shelf order
     *
     * @throws InvalidMixTask on an empty shelf
     */
    public function find(array $paints, MixTask $task): MixAnswer
    {
        if ($paints === []) {
            throw InvalidMixTask::emptyShelf();
        }
        if (ExhaustiveMixSearch::size(count($paints), $task) <= $this->proveUpTo) {
            return ExhaustiveMixSearch::find($paints, $task);
        }

        return QuickMixSearch::find($paints, $task);
    }
}
