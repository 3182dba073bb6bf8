<?php

declare(strict_types=1);

namespace Hyalin\Mixing;

use Hyalin\Mixing\Found\FoundMix;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Optics\PaintOptics;

/**
 * Strong tinters cannot be dosed below one drop in twelve. Where the best mix holds a paint at one drop, a pot of it
 * made up beforehand with five parts of the mix's main paint doses it six times finer: this tells whether that would
 * bring the target nearer.
 */
final readonly class PreDilution
{
    /** Parts of the main paint to one part of the tinter in the pot made up beforehand. */
    public const PARTS = 5;

    /** The gain in CIEDE2000 below which it is not worth a pot. */
    private const WORTHWHILE = 0.5;

    private function __construct(
        public int $tinter,
        public int $main,
        public FoundMix $mix,
        public float $gain,
    ) {
    }

    /**
     * @param  list<PaintOptics>  $paints  in shelf order
     * @return self|null the better mix; in it the made-up pot stands at place count($paints). Null when none is
     *                   better by 0.5
     */
    public static function advise(array $paints, MixTask $task, FoundMix $best): ?self
    {
        $drops = $best->drops;
        if (count($drops) < 2) {
            return null;
        }
        arsort($drops);
        $main = array_key_first($drops);
        $found = null;
        foreach ($drops as $tinter => $count) {
            if ($tinter === $main || $count !== 1) {
                continue;
            }
            $made = PaintOptics::mixed([[$paints[$tinter], 1.0], [$paints[$main], (float) self::PARTS]]);
            $places = [...array_values(array_diff(array_keys($drops), [$tinter])), count($paints)];
            $few = array_map(static fn (int $i): PaintOptics => $paints[$i] ?? $made, $places);
            $mix = ExhaustiveMixSearch::find($few, $task)->best();
            $gain = $best->difference - $mix->difference;
            if (in_array(count($few) - 1, array_keys($mix->drops), true) && $gain >= max(self::WORTHWHILE, $found === null ? 0.0 : $found->gain)) {
                $renamed = [];
                foreach ($mix->drops as $place => $n) {
                    $renamed[$places[$place]] = $n;
                }
                $found = new self($tinter, $main, new FoundMix($renamed, $mix->lab, $mix->difference, $mix->score), $gain);
            }
        }

        return $found;
    }
}
