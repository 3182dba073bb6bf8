<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Shelf\Paint;
use Hyalin\Colour\ColourSpread;
use Hyalin\Colour\Lab;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Mixing\FoundMix;
use Hyalin\Mixing\LayerTask;
use Hyalin\Mixing\MixTask;
use Hyalin\Optics\PaintOptics;

/**
 * A mix wanted for one layer in one zone: over what lies beneath it there, under what still follows.
 */
final readonly class MixRequest
{
    /**
     * @param  list<Paint>  $pots  to mix from, in shelf order
     * @param  list<PaintOptics>  $optics  theirs
     * @param  non-empty-list<array{MixTask, float}>  $zones  the task, and those of other zones it should be right for as
     *                                                        well, with their weights
     * @param  list<LayerDraft>  $drafts  the whole finish
     */
    private function __construct(
        public MixTask $task,
        public array $pots,
        public array $optics,
        public array $zones,
        private FigureOptics $figure,
        private array $drafts,
        private int $index,
        private Zone $zone,
    ) {
    }

    /** How sure the finished zone is with that mix in its layer. */
    public function spread(FoundMix $mix): ColourSpread
    {
        $drops = [];
        foreach ($mix->drops as $place => $count) {
            $drops[] = [$this->pots[$place], $count];
        }
        $drafts = $this->drafts;
        $drafts[$this->index] = $drafts[$this->index]->mixed($drops);

        return $this->figure->doubt(array_values($drafts))->spread($this->zone);
    }

    /** The same mix for other zones too; the first zone counts twice as much as each of them. */
    public function andFor(self ...$others): self
    {
        return new self($this->task, $this->pots, $this->optics, [
            [$this->task, 2.0],
            ...array_values(array_map(static fn (self $o): array => [$o->task, 1.0], $others)),
        ], $this->figure, $this->drafts, $this->index, $this->zone);
    }

    /**
     * The pots a painter would mix from for a technique: not empty, and for covering techniques no inks and washes.
     *
     * @param  iterable<Paint>  $shelf
     * @return list<Paint>
     */
    public static function potsFor(Technique $technique, iterable $shelf, bool $allKinds = false): array
    {
        $pots = [];
        foreach ($shelf as $pot) {
            if ($pot->level_percent > 0 && ($allKinds ? $pot->pot()->isMixed() : $technique->suits($pot->pot()))) {
                $pots[] = $pot;
            }
        }

        return $pots;
    }

    /**
     * @param  FigureOptics  $optics  of the area
     * @param  list<LayerDraft>  $drafts
     * @param  int  $index  the layer whose mix is wanted
     * @param  list<Paint>  $pots
     * @return self|null null when the layer does not touch the zone
     */
    public static function of(
        FigureOptics $optics,
        array $drafts,
        int $index,
        Zone $zone,
        Lab $target,
        array $pots,
        int $maxPaints,
    ): ?self {
        $layers = $optics->layers($drafts);
        $layer = $layers[$index];
        $task = LayerTask::of($optics->prediction, $optics->start, $layers, $index, $zone, $target, $maxPaints);
        if ($task === null) {
            return null;
        }
        // Blended into a wet coat every pot stands there with its share of that coat: mixing is linear in K and S.
        $share = $layer->coverage($zone);
        $blended = static fn (PaintOptics $pot): PaintOptics => $layer->into === null || $share >= 1.0
            ? $pot
            : PaintOptics::mixed([[$pot, $share], [$layer->into, 1 - $share]]);

        return new self($task, $pots, array_map(static fn (Paint $p): PaintOptics => $blended($p->optics()), $pots), [[$task, 1.0]], $optics, $drafts, $index, $zone);
    }
}
