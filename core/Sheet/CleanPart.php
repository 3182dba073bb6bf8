<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

/**
 * What of a painted place is taken as its colour, and what is left out of it: spots without paint, glare, and what else differs from
 * most of it. Judged in the cube root of the light of paper, 100 to paper, where steps are about as even as those of L*.
 *
 * Flat lists: it is a loop over pixels.
 */
final readonly class CleanPart
{
    /** As near to the bare background is bare. */
    private const BARE = 5.0;

    /** Paint nearer to the background than this cannot be told from holes in it. */
    private const TOLD_APART = 12.0;

    /** Where no more than this share differs from the background, thin paint is told from none by the whole. */
    private const PAINTED = 0.15;

    /** What is left out differs from the middle by more, or by so many median differences. */
    private const ODD = 4.0;

    private const MEDIANS = 2.8;

    /** Glare is lighter by so much in every channel. */
    private const GLARE = 8.0;

    private const ROUNDS = 3;

    /**
     * @param  array{float, float, float}  $linear  mean linear light of what was taken
     * @param  float  $taken  share of the pixels, 0..1
     * @param  float  $bare  share without paint
     * @param  float  $glare  share that shines
     * @param  float  $odd  share of drips, hairs and edges
     * @param  float  $clipped  share of what was taken with a channel at its end
     * @param  float  $spread  median difference of what was taken from its middle, in steps of about one L*
     * @param  float  $background  how far the whole is from the bare background, likewise
     */
    private function __construct(
        public array $linear,
        public float $taken,
        public float $bare,
        public float $glare,
        public float $odd,
        public float $clipped,
        public float $spread,
        public float $background,
    ) {
    }

    /**
     * @param  non-empty-list<array{float, float, float, bool}>  $pixels  linear light and whether clipped
     * @param  array{float, float, float}  $paper  linear light of paper
     * @param  array{float, float, float}|null  $background  linear light of what lies bare beneath; null where nothing is expected there
     */
    public static function of(array $pixels, array $paper, ?array $background): self
    {
        $roots = [];
        foreach ($pixels as [$r, $g, $b]) {
            $roots[] = self::root([$r, $g, $b], $paper);
        }
        $all = array_keys($pixels);
        $bare = [];
        $whole = INF;
        $under = $background === null ? null : self::root($background, $paper);
        if ($under !== null) {
            $whole = self::far(self::middle($roots, $all), $under);
            $bare = array_values(array_filter($all, static fn (int $i): bool => self::far($roots[$i], $under) < self::BARE));
        }
        $kept = array_values(array_diff($all, $bare));
        // Paint that looks like what is beneath it is no hole in the paint: neither where little else is left, nor where the rest is
        // hardly farther away.
        if (count($kept) < self::PAINTED * count($all) || ($under !== null && self::far(self::middle($roots, $kept), $under) < self::TOLD_APART)) {
            [$kept, $bare] = [$all, []];
        }
        $middle = self::middle($roots, $kept);
        $painted = $kept;
        $spread = 0.0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $off = [];
            foreach ($kept as $i) {
                $off[$i] = self::far($roots[$i], $middle);
            }
            $sorted = $off;
            sort($sorted);
            $spread = $sorted[intdiv(count($sorted), 2)];
            $most = max(self::ODD, self::MEDIANS * $spread);
            $kept = array_values(array_filter($painted, static fn (int $i): bool => self::far($roots[$i], $middle) <= $most));
            $middle = self::middle($roots, $kept);
        }
        $glare = count(array_filter(array_diff($painted, $kept), static fn (int $i): bool => min(
            $roots[$i][0] - $middle[0], $roots[$i][1] - $middle[1], $roots[$i][2] - $middle[2],
        ) > self::GLARE));
        $sum = [0.0, 0.0, 0.0];
        $clipped = 0;
        foreach ($kept as $i) {
            $sum[0] += $pixels[$i][0];
            $sum[1] += $pixels[$i][1];
            $sum[2] += $pixels[$i][2];
            $clipped += $pixels[$i][3] ? 1 : 0;
        }
        [$n, $m] = [count($pixels), count($kept)];

        return new self(
            [$sum[0] / $m, $sum[1] / $m, $sum[2] / $m], $m / $n, count($bare) / $n, $glare / $n, (count($painted) - $m - $glare) / $n, $clipped / $m, $spread, $whole,
        );
    }

    /**
     * @param  array{float, float, float}  $light
     * @param  array{float, float, float}  $paper
     * @return array{float, float, float}
     */
    private static function root(array $light, array $paper): array
    {
        return [100 * ($light[0] / $paper[0]) ** (1 / 3), 100 * ($light[1] / $paper[1]) ** (1 / 3), 100 * ($light[2] / $paper[2]) ** (1 / 3)];
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     */
    private static function far(array $p, array $q): float
    {
        return max(abs($p[0] - $q[0]), abs($p[1] - $q[1]), abs($p[2] - $q[2]));
    }

    /**
     * @param  list<array{float, float, float}>  $roots
     * @param  list<int>  $of
     * @return array{float, float, float} median of each channel
     */
    private static function middle(array $roots, array $of): array
    {
        $middle = [];
        foreach ([0, 1, 2] as $c) {
            $values = [];
            foreach ($of as $i) {
                $values[] = $roots[$i][$c];
            }
            sort($values);
            $middle[] = $values[intdiv(count($values), 2)];
        }

        return [$middle[0], $middle[1], $middle[2]];
    }
}
