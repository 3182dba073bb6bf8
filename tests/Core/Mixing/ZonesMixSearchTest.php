<?php

declare(strict_types=1);

namespace Tests\Core\Mixing;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Mixing\Found\MixScore;
use Hyalin\Mixing\Quick\DropRatios;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Quick\QuickMixSearch;
use Hyalin\Mixing\Task\LaterLayer;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Mixing\ZonesMixSearch;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;
use PHPUnit\Framework\TestCase;
use Tests\Support\InventedShelf;

final class ZonesMixSearchTest extends TestCase
{
    public function test_one_mix_for_several_zones_is_as_good_as_trying_all_of_them(): void
    {
        $paints = (new InventedShelf(31))->paints(9);
        $best = 0;
        for ($n = 0; $n < 8; $n++) {
            $zones = $this->zones($paints, $n);
            $answer = ZonesMixSearch::find($paints, $zones);
            $exhaustive = $this->exhaustive($paints, $zones);
            self::assertLessThanOrEqual($exhaustive + 0.35, $answer->best()->score);
            $best += $answer->best()->score < $exhaustive + 1e-9 ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(6, $best);
    }

    public function test_with_one_zone_it_is_the_plain_search(): void
    {
        $paints = (new InventedShelf(32))->paints(14);
        [[$task]] = $this->zones($paints, 3);
        self::assertEqualsWithDelta(QuickMixSearch::find($paints, $task)->best()->score, ZonesMixSearch::find($paints, [[$task, 2.0]])->best()->score, 1e-9);
    }

    /**
     * A wash that still follows, thick in the shade and thin in the light, over two undercoats; the targets are what one
     * and the same mix of three paints ends as.
     *
     * @param  list<PaintOptics>  $paints
     * @return non-empty-list<array{MixTask, float}>
     */
    private function zones(array $paints, int $n): array
    {
        $mix = PaintOptics::mixed([[$paints[$n % 9], 3.0], [$paints[($n + 2) % 9], 2.0], [$paints[($n + 5) % 9], 1.0]]);
        $zones = [];
        foreach ([[0.1, 1.4, 1.0], [0.35, 0.7, 2.0], [0.7, 0.2, 1.0]] as [$beneath, $wash, $weight]) {
            $placement = Placement::over(Reflectance::flat($beneath), FilmThickness::coats(1.0));
            $later = [LaterLayer::of($paints[7]->scaled(0.2), FilmThickness::coats($wash), 1.0)];
            $target = Lab::of(...(new MixEvaluator([$mix], MixTask::of(Lab::of(50, 0, 0), $placement, $later)))->lab([0], [1]));
            $zones[] = [MixTask::of($target, $placement, $later), $weight];
        }

        return $zones;
    }

    /**
     * @param  list<PaintOptics>  $paints
     * @param  non-empty-list<array{MixTask, float}>  $zones
     */
    private function exhaustive(array $paints, array $zones): float
    {
        $evaluators = array_map(static fn (array $z): MixEvaluator => new MixEvaluator($paints, $z[0]), $zones);
        $sum = array_sum(array_column($zones, 1));
        $best = INF;
        foreach (self::sets(count($paints)) as $set) {
            foreach (DropRatios::upTo(count($set), 12) as $ratio) {
                $drops = array_slice($ratio, 0, count($set));
                $difference = 0.0;
                foreach ($evaluators as $n => $evaluator) {
                    $difference += $zones[$n][1] / $sum * $evaluator->difference($evaluator->lab($set, $drops));
                }
                $best = min($best, MixScore::of($difference, count($set), array_sum($drops)));
            }
        }

        return $best;
    }

    /** @return iterable<list<int>> */
    private static function sets(int $count): iterable
    {
        for ($i = 0; $i < $count; $i++) {
            yield [$i];
            for ($j = $i + 1; $j < $count; $j++) {
                yield [$i, $j];
                for ($m = $j + 1; $m < $count; $m++) {
                    yield [$i, $j, $m];
                }
            }
        }
    }
}
