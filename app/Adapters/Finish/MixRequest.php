<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Shelf\Paint;
use Hyalin\Colour\Bands;
use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\ColourSpread;
use Hyalin\Colour\Lab;
use Hyalin\Finish\Application;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Mixing\Found\FoundMix;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Task\LayerTask;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Pot\PotKind;

/**
 * A mix wanted for one layer in one zone: over what lies beneath it there, under what still follows.
 */
final readonly class MixRequest
{
    /** CIEDE2000 between the extremes of paint, seen through what follows, below which a layer is hidden. */
    private const HIDDEN = 2.0;

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

    /** Whether black and white in this layer would look alike at the end: what follows hides it. */
    public function nothingBeneathShows(): bool
    {
        $flat = static fn (float $k, float $s): PaintOptics => PaintOptics::of(array_fill(0, Bands::COUNT, $k), array_fill(0, Bands::COUNT, $s), OpticsQuality::Measured);
        $evaluator = new MixEvaluator([$flat(30.0, 0.1), $flat(0.001, 30.0)], $this->task);

        return Ciede2000::between(...$evaluator->lab([0], [1]), ...$evaluator->lab([1], [1])) < self::HIDDEN;
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
        $isSprayed = $technique->spec()->application === Application::SprayCan;
        foreach ($shelf as $pot) {
            $suits = match (true) {
                $isSprayed => self::isCan($pot),
                $allKinds => $pot->pot()->isMixed(),
                default => $technique->suits($pot->pot()),
            };
            if ($suits && $pot->level_percent > 0) {
                $pots[] = $pot;
            }
        }

        return $pots;
    }

    /** A can is sprayed as it is: of what stands on a shelf beside the cans, primers and chromes come in cans. */
    private static function isCan(Paint $pot): bool
    {
        return in_array($pot->kind, [PotKind::Can, PotKind::Primer, PotKind::Chrome], true);
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
        $blended = static fn (PaintOptics $pot): PaintOptics => $layer->context->into === null || $share >= 1.0
            ? $pot
            : PaintOptics::mixed([[$pot, $share], [$layer->context->into, 1 - $share]]);

        return new self($task, $pots, array_map(static fn (Paint $p): PaintOptics => $blended($p->optics()), $pots), [[$task, 1.0]], $optics, $drafts, $index, $zone);
    }
}
