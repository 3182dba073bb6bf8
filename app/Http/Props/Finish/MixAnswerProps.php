<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\MixRequest;
use App\Http\Props\ColourProps;
use Hyalin\Mixing\Found\FoundMix;
use Hyalin\Mixing\Found\MixAnswer;
use Hyalin\Mixing\Found\SearchEnding;
use Hyalin\Mixing\MissingPaint;
use Hyalin\Mixing\PreDilution;
use Hyalin\Mixing\SimplerMix;
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
        // For several zones at once a ratio is judged by all of them: none is simpler by one.
        $simpler = count($request->zones) > 1 ? null : SimplerMix::of($request->optics, $request->task, $best);
        $quality = OpticsQuality::Measured;
        foreach (array_keys($best->drops) as $place) {
            $quality = $quality->orWorse($request->optics[$place]->quality);
        }
        $missing = MissingPaint::between($request->task->target, $best);
        $diluted = PreDilution::advise($request->optics, $request->task, $best);

        return new self(
            ColourProps::of($request->task->target),
            array_map(static fn (FoundMix $m) => FoundMixProps::of($m, $request), $simpler === null ? self::told($answer->mixes) : [$simpler, ...self::told($answer->mixes)]),
            $answer->ending,
            quality: $quality,
            evaluations: $answer->evaluations,
            provable: $provable,
            why: $simpler === null ? self::why($answer->mixes) : sprintf(
                'As good to the eye as the closest (ΔE %.1f with %d drops of %d pots), and less to measure.', $best->difference, $best->totalDrops(), count($best->drops),
            ),
            missing: $missing === null ? null : self::beyond($request, $missing, $answer->ending),
            preDilution: $diluted === null ? null : PreDilutionProps::of($diluted, $request->pots),
            potCount: count($request->pots),
        );
    }

    /**
     * A mix that only adds to the pots of a nearer one is no choice.
     *
     * @param  non-empty-list<FoundMix>  $mixes  best first
     * @return list<FoundMix>
     */
    private static function told(array $mixes): array
    {
        return array_values(array_filter($mixes, static function (FoundMix $mix) use ($mixes): bool {
            foreach ($mixes as $other) {
                if ($other !== $mix && $other->difference <= $mix->difference + 0.05 && count($other->drops) < count($mix->drops) && array_diff_key($other->drops, $mix->drops) === []) {
                    return false;
                }
            }

            return true;
        }));
    }

    /** What keeps the target out of reach: the sheen, what still follows, or the pots. */
    private static function beyond(MixRequest $request, MissingPaint $missing, SearchEnding $ending): string
    {
        $found = $ending === SearchEnding::Proven ? 'no mix from this shelf comes closer' : 'best found; a full search may find a closer one';
        if ($request->nothingBeneathShows()) {
            return sprintf('Out of reach (ΔE %.1f): the layers that follow are opaque here, so nothing beneath can show. Change those.', $missing->difference);
        }
        $darkest = $request->task->surface->darkest();
        if (in_array('darker', $missing->wanted, true) && $request->task->target->lightness < $darkest) {
            return sprintf('Out of reach (ΔE %.1f): this sheen is never darker than L* %.0f, and L* %.0f is wanted. A glossier varnish would be darker.', $missing->difference, $darkest, $request->task->target->lightness);
        }

        return sprintf('Out of reach (ΔE %.1f, %s). A pot that is %s is missing.', $missing->difference, $found, implode(', ', $missing->wanted));
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
