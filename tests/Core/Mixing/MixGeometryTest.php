<?php

declare(strict_types=1);

namespace Tests\Core\Mixing;

use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\ColourMetric;
use Hyalin\Colour\Illuminant;
use Hyalin\Mixing\Found\MixScore;
use Hyalin\Mixing\Quick\Candidates;
use Hyalin\Mixing\Quick\DropRatios;
use Hyalin\Mixing\Quick\NearestHulls;
use Hyalin\Mixing\Quick\PaintPoints;
use Hyalin\Mixing\Quick\WholeDrops;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The geometry of the quick search against plain, slow versions of itself.
 */
final class MixGeometryTest extends TestCase
{
    private Randomizer $random;

    protected function setUp(): void
    {
        $this->random = new Randomizer(new Mt19937(17));
    }

    /** The metric is the first order of CIEDE2000: for small steps the two agree to a few parts in a thousand. */
    public function test_the_colour_metric_is_ciede2000_for_small_steps(): void
    {
        for ($i = 0; $i < 300; $i++) {
            [$l, $a, $b] = [$this->between(5, 95), $this->between(-70, 70), $this->between(-70, 70)];
            $step = [$this->between(-1, 1) / 100, $this->between(-1, 1) / 100, $this->between(-1, 1) / 100];
            $u = ColourMetric::at($l, $a, $b)->of($step);
            $exact = Ciede2000::between($l, $a, $b, $l + $step[0], $a + $step[1], $b + $step[2]);
            self::assertEqualsWithDelta(1.0, sqrt($u[0] ** 2 + $u[1] ** 2 + $u[2] ** 2) / $exact, 0.02, "{$l} {$a} {$b}");
        }
    }

    public function test_pairs_are_all_those_whose_segment_passes_near(): void
    {
        $points = $this->points(25);
        $found = (new NearestHulls($points, 12))->pairs(1.5);
        $plain = [];
        for ($i = 0; $i < 25; $i++) {
            for ($j = $i + 1; $j < 25; $j++) {
                $least = INF;
                // Shares from 1 in 12 to 11 in 12, finely.
                for ($n = 0; $n <= 4000; $n++) {
                    $c = (1 + 10 * $n / 4000) / 12;
                    [$p, $q] = [(1 - $c) * $points->t[$i], $c * $points->t[$j]];
                    $d = 0.0;
                    foreach ([$points->x, $points->y, $points->z] as $axis) {
                        $d += (($p * $axis[$i] + $q * $axis[$j]) / ($p + $q)) ** 2;
                    }
                    $least = min($least, sqrt($d));
                }
                if ($least + MixScore::effort(2, 2) <= 1.5 - 0.01) {
                    $plain[] = $i * 65536 + $j;
                }
            }
        }
        self::assertGreaterThan(5, count($plain));
        self::assertSame([], array_values(array_diff($plain, array_keys($found))));
        self::assertLessThan(count($plain) + 5, count($found));
    }

    public function test_triples_with_the_target_inside_are_found_from_whichever_paint_one_looks(): void
    {
        // Near triangles only: bins may miss one that passes at the edge of what is asked for, never one that holds
        // the target.
        $points = $this->points(22);
        $hulls = new NearestHulls($points, 12);
        $found = $hulls->triples(reach: 1.0, limit: 3.0, cap: 100_000);
        $from = [];
        for ($i = 0; $i < 22; $i++) {
            $from += $hulls->triplesWith($i, 0, reach: 1.0, limit: 3.0);
        }
        $inside = 0;
        for ($i = 0; $i < 22; $i++) {
            for ($j = $i + 1; $j < 22; $j++) {
                for ($k = $j + 1; $k < 22; $k++) {
                    [$fractions, $lx, $ly, $lz] = (new WholeDrops($points->only([$i, $j, $k]), 12))->foot();
                    if (hypot(hypot($lx, $ly), $lz) < 0.3 && min([...$fractions, 1.0]) > 0.15) {
                        $inside++;
                        $key = ($i * 65536 + $j) * 65536 + $k;
                        self::assertArrayHasKey($key, $found);
                        self::assertArrayHasKey($key, $from);
                        self::assertEqualsWithDelta($found[$key], $from[$key], 1e-6);
                    }
                }
            }
        }
        self::assertGreaterThan(3, $inside);
    }

    public function test_the_score_at_whole_drops_is_that_of_a_ratio_and_no_plane_is_farther_than_it(): void
    {
        for ($n = 0; $n < 200; $n++) {
            $points = $this->points(3);
            $drops = new WholeDrops($points, 12);
            [$shares] = $drops->foot();
            $score = $drops->score(0, 1, 2, $shares[0], $shares[1], $shares[2] ?? 0.0, 1e6);
            $best = $nearest = INF;
            foreach (DropRatios::upTo(3, 12) as $ratio) {
                $one = MixScore::of(self::distance($points, $ratio), 3, array_sum($ratio));
                $best = min($best, $one);
                $nearest = min($nearest, abs($one - $score));
            }
            self::assertGreaterThanOrEqual($best - 1e-9, $score);
            self::assertEqualsWithDelta(0.0, $nearest, 1e-9);
            self::assertLessThanOrEqual($score - MixScore::effort(3, 3) + 1e-9, $drops->planeDistance());
        }
    }

    public function test_the_foot_is_nearer_than_any_other_share_and_keeps_a_drop_of_each(): void
    {
        for ($n = 0; $n < 60; $n++) {
            $points = $this->points(3);
            [$fractions, $lx, $ly, $lz] = (new WholeDrops($points, 12))->foot();
            $distance = sqrt($lx * $lx + $ly * $ly + $lz * $lz);
            self::assertEqualsWithDelta(1.0, array_sum($fractions), 1e-12);
            self::assertEqualsWithDelta($distance, self::distance($points, [$fractions[0], $fractions[1], $fractions[2] ?? 0.0]), 1e-9);
            self::assertGreaterThan(1 / 15, min([...$fractions, 1.0]));
            if (min([...$fractions, 1.0]) > 1 / 11.9) {
                // The foot lies inside: no grid of shares comes nearer.
                for ($a = 1; $a < 40; $a++) {
                    for ($b = 1; $a + $b < 40; $b++) {
                        self::assertGreaterThanOrEqual($distance - 1e-9, self::distance($points, [$a / 40, $b / 40, 1 - ($a + $b) / 40]));
                    }
                }
            }
        }
    }

    public function test_ratios_around_a_share_hold_the_best_of_all_ratios(): void
    {
        $hits = 0;
        for ($n = 0; $n < 60; $n++) {
            $points = $this->points(3);
            $drops = new WholeDrops($points, 12);
            [$fractions] = $drops->foot();
            $best = INF;
            for ($a = 1; $a <= 10; $a++) {
                for ($b = 1; $a + $b <= 11; $b++) {
                    for ($c = 1; $a + $b + $c <= 12; $c++) {
                        $best = min($best, MixScore::of(self::distance($points, [$a, $b, $c]), 3, $a + $b + $c));
                    }
                }
            }
            $around = $drops->around($fractions, 5);
            $hits += $around[0][0] <= $best + 1e-9 ? 1 : 0;
            self::assertGreaterThanOrEqual($best - 1e-9, $around[0][0]);
            foreach ($around as [, $ratio]) {
                self::assertLessThanOrEqual(12, array_sum($ratio));
                self::assertGreaterThanOrEqual(1, min([...$ratio, 99]));
            }
        }
        self::assertGreaterThan(50, $hits);
    }

    public function test_ties_go_to_fewer_drops_and_then_to_shelf_order(): void
    {
        $kept = new Candidates(3, Illuminant::D65);
        $lab = [50.0, 0.0, 0.0];
        $kept->offer([2, 5], [3, 2], $lab, 1.0);
        // One drop fewer and 0.02 farther: the same score.
        $kept->offer([1, 7], [3, 1], $lab, 1.02);
        $kept->offer([0, 9], [3, 1], $lab, 1.02);
        $kept->offer([3, 4], [6, 6], $lab, 4.0);
        self::assertSame([[0, 9], [1, 7], [2, 5]], $kept->sets());
        self::assertEqualsWithDelta(1.38, $kept->best(), 1e-12);
        // A better ratio of a set takes the place of the worse one.
        $kept->offer([2, 5], [1, 1], $lab, 0.5);
        self::assertSame([2 => 1, 5 => 1], $kept->mixes()[0]->drops);
        self::assertCount(3, $kept->mixes());
    }

    private function points(int $count): PaintPoints
    {
        $points = [[], [], [], []];
        for ($i = 0; $i < $count; $i++) {
            foreach ([0, 1, 2] as $axis) {
                $points[$axis][] = $this->between(-9, 9);
            }
            $points[3][] = exp($this->between(-1, 1));
        }

        return new PaintPoints(...$points);
    }

    /** @param  array{float, float, float}|array{int, int, int}  $shares */
    private static function distance(PaintPoints $points, array $shares): float
    {
        $t = $points->t;
        $sum = $shares[0] * $t[0] + $shares[1] * $t[1] + $shares[2] * $t[2];
        $d = 0.0;
        foreach ([$points->x, $points->y, $points->z] as $axis) {
            $d += (($shares[0] * $t[0] * $axis[0] + $shares[1] * $t[1] * $axis[1] + $shares[2] * $t[2] * $axis[2]) / $sum) ** 2;
        }

        return sqrt($d);
    }

    private function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }
}
