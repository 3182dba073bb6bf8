<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\MixRequest;
use App\Http\Props\ColourProps;
use Hyalin\Mixing\FoundMix;
use Hyalin\Mixing\MissingPaint;
use Hyalin\Mixing\MixAnswer;
use Hyalin\Mixing\PreDilution;
use Hyalin\Mixing\SearchEnding;
use Hyalin\Optics\OpticsQuality;

/**
 * The best mixes for a zone, why, and how sure that is.
 */
final readonly class MixAnswerProps
{
    /**
     * @param  list<FoundMixProps>  $mixes  best first
     * @param  int  $provable  mixes a search to the end would compute
     * @param  string  $why  why the first one
     * @param  string|null  $missing  what kind of paint is missing, when nothing comes near
     */
    public function __construct(
        public ColourProps $target,
        public array $mixes,
        public SearchEnding $ending,
        public OpticsQuality $quality,
        public int $evaluations,
        public int $provable,
        public string $why,
        public ?string $missing,
        public ?PreDilutionProps $preDilution,
        public int $potCount,
    ) {
    }

    public static function of(MixRequest $request, MixAnswer $answer, int $provable): self
    {
        $best = $answer->best();
        $quality = OpticsQuality::Measured;
        foreach (array_keys($best->drops) as $place) {
            $quality = $quality->orWorse($request->optics[$place]->quality);
        }
        $missing = MissingPaint::between($request->task->target, $best);
        $diluted = PreDilution::advise($request->optics, $request->task, $best);

        return new self(
            ColourProps::of($request->task->target),
            array_map(static fn (FoundMix $m) => FoundMixProps::of($m, $request), $answer->mixes),
            $answer->ending,
            $quality,
            $answer->evaluations,
            $provable,
            self::why($answer->mixes),
            $missing === null ? null : sprintf(
                'Out of reach (ΔE %.1f): no mix from this shelf comes close. A pot that is %s is missing.',
                $missing->difference,
                implode(', ', $missing->wanted),
            ),
            $diluted === null ? null : PreDilutionProps::of($diluted, $request->pots),
            count($request->pots),
        );
    }

    /** @param  non-empty-list<FoundMix>  $mixes */
    private static function why(array $mixes): string
    {
        $best = $mixes[0];
        $nearest = $best;
        foreach ($mixes as $mix) {
            if ($mix->difference < $nearest->difference) {
                $nearest = $mix;
            }
        }
        $pots = count($best->drops);
        if ($nearest === $best) {
            return sprintf(
                'Closest of the practical mixes: ΔE %.1f, from %s, %d %s.',
                $best->difference,
                $pots === 1 ? 'one pot' : "{$pots} pots",
                $best->totalDrops(),
                $best->totalDrops() === 1 ? 'drop' : 'drops',
            );
        }

        return sprintf(
            'Another mix is closer by ΔE %.1f but needs %d pots and %d drops; this one needs %d and %d. One more pot must gain 0.3, one more drop 0.02.',
            $best->difference - $nearest->difference,
            count($nearest->drops),
            $nearest->totalDrops(),
            $pots,
            $best->totalDrops(),
        );
    }
}
