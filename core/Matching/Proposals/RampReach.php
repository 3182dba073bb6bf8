<?php

declare(strict_types=1);

namespace Hyalin\Matching\Proposals;

use Hyalin\Colour\Lab;
use Hyalin\Mixing\MissingPaint;
use Hyalin\Mixing\ShelfReach;

/**
 * Whether a shelf reaches a ramp at all, and if not, the ramp nearest to it that it reaches: the same steps in the same
 * order, with less contrast or less chroma for all of them alike, so that their relations stay.
 */
final readonly class RampReach
{
    private const SHARES = [1.0, 0.9, 0.8, 0.7, 0.6, 0.5];

    /** A step less of either is worth this much CIEDE2000 in the worst zone. */
    private const PER_SHARE = 4.0;

    /**
     * @param  float  $worst  CIEDE2000 of the zone that is farthest from what the shelf reaches
     * @param  non-empty-array<string, Lab>  $ramp  the nearest that is reached, by zone
     * @param  float  $contrast  share of the contrast that is left
     * @param  float  $chroma  share of the chroma that is left
     */
    private function __construct(public float $worst, public array $ramp, public float $contrast, public float $chroma)
    {
    }

    /** @param  non-empty-array<string, Lab>  $ramp  by zone */
    public static function of(ShelfReach $shelf, array $ramp): self
    {
        $worst = self::worstOf($shelf, $ramp);
        if ($worst <= MissingPaint::OUT_OF_REACH) {
            return new self($worst, $ramp, 1.0, 1.0);
        }
        $best = new self($worst, $ramp, 1.0, 1.0);
        $least = $worst;
        foreach (self::SHARES as $contrast) {
            foreach (self::SHARES as $chroma) {
                $tried = self::narrowed($ramp, $contrast, $chroma);
                $score = self::worstOf($shelf, $tried) + self::PER_SHARE * (2 - $contrast - $chroma);
                if ($score < $least) {
                    $least = $score;
                    $best = new self($worst, $tried, $contrast, $chroma);
                }
            }
        }

        return $best;
    }

    public function isReached(): bool
    {
        return $this->worst <= MissingPaint::OUT_OF_REACH;
    }

    /** @param  non-empty-array<string, Lab>  $ramp */
    private static function worstOf(ShelfReach $shelf, array $ramp): float
    {
        return max(array_map(static fn (Lab $lab): float => $shelf->nearest($lab)[1], $ramp));
    }

    /**
     * @param  non-empty-array<string, Lab>  $ramp
     * @return non-empty-array<string, Lab>
     */
    private static function narrowed(array $ramp, float $contrast, float $chroma): array
    {
        // Around its middle: what is in the middle of a ramp is what the area is called by.
        $lightness = array_map(static fn (Lab $lab): float => $lab->lightness, $ramp);
        $middle = (max($lightness) + min($lightness)) / 2;

        return array_map(static fn (Lab $lab): Lab => Lab::of($middle + $contrast * ($lab->lightness - $middle), $chroma * $lab->a, $chroma * $lab->b), $ramp);
    }
}
