<?php

declare(strict_types=1);

namespace Tests\Bench;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Mixing\ExhaustiveMixSearch;
use Hyalin\Mixing\Quick\MixEvaluator;
use Hyalin\Mixing\Quick\QuickMixSearch;
use Hyalin\Mixing\Task\LaterLayer;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Mixing\ZonesMixSearch;
use Hyalin\Optics\FilmThickness;
use Tests\Support\InventedShelf;

/**
 * The mix search beside exhaustive search in the same PHP.
 */
final class MixBench
{
    private const SEED = 2027;

    /** Shelves of 90 pots on which the best mixes are counted; of the efforts only `content` was set with the last two in sight. */
    private const COUNTED = [2027, 101, 102];

    private const TARGETS = 100;

    public function run(bool $full): void
    {
        $this->backward();
        foreach (['masstone' => Placement::masstone(), 'film over grey' => InventedShelf::filmOverGrey()] as $name => $placement) {
            $medians = [];
            foreach ([20, 60, 90, 200] as $pots) {
                $medians[$pots] = $this->quick($name, $placement, $pots);
            }
            printf("mix search, %s: time grows by %.1f from 90 to 200 pots (pots by 2.2, mixes by 11)\n\n", $name, $medians[200] / $medians[90]);
            $this->equality($name, $placement, 20, 100, self::SEED);
            $this->equality($name, $placement, 40, 40, self::SEED);
            foreach ($full ? self::COUNTED : [] as $seed) {
                $this->equality($name, $placement, 90, 200, $seed);
            }
        }
    }

    /** One mix for five zones through three layers that still follow, beside the plain search for one zone. */
    private function backward(): void
    {
        [$paints, $targets] = self::problem(InventedShelf::filmOverGrey(), 90, 20);
        $later = array_map(
            static fn (int $i): LaterLayer => LaterLayer::of($paints[$i]->scaled(0.15), FilmThickness::coats(0.5), 1.0),
            [4, 11, 17],
        );
        $plain = new Sample;
        $through = new Sample;
        foreach ($targets as $i => $target) {
            $zones = [];
            foreach ([0.05, 0.2, 0.35, 0.6, 0.8] as $n => $beneath) {
                $placement = Placement::over(Reflectance::flat($beneath), FilmThickness::coats(1.0));
                $zones[] = [MixTask::of($target, $placement, $later), $n === 2 ? 2.0 : 1.0];
            }
            $task = MixTask::of($target, InventedShelf::filmOverGrey());
            if ($i === 0) {
                QuickMixSearch::find($paints, $task);
                ZonesMixSearch::find($paints, $zones);
            }
            $plain->time(static fn () => QuickMixSearch::find($paints, $task));
            $through->time(static fn () => ZonesMixSearch::find($paints, $zones));
        }
        printf(
            "backward solving, 90 pots, 3 layers to come, 5 zones, seed %d, 20 targets: median %.1f ms, %.1f times the plain search (%.1f ms)\n\n",
            self::SEED, $through->median(), $through->median() / $plain->median(), $plain->median(),
        );
    }

    private function quick(string $name, Placement $placement, int $pots): float
    {
        [$paints, $targets] = self::problem($placement, $pots, self::TARGETS);
        $sample = new Sample;
        $evaluations = 0;
        foreach ($targets as $i => $target) {
            $task = MixTask::of($target, $placement);
            if ($i === 0) {
                // The first query warms the JIT.
                QuickMixSearch::find($paints, $task);
            }
            $evaluations += $sample->time(static fn () => QuickMixSearch::find($paints, $task))->evaluations;
        }
        $exhaustive = $this->exhaustiveMilliseconds($paints, MixTask::of($targets[0], $placement));
        $size = ExhaustiveMixSearch::size($pots, MixTask::of($targets[0], $placement));
        printf(
            "mix search, %s, %d pots, seed %d, %d targets: median %.1f ms, 95th percentile %.1f ms; %d exact colours a query; as long as %s exact colours (%.2f microseconds each here, now); peak %.0f MB; %.0f times faster than exhaustive search (%s mixes, from a timed part of them)\n",
            $name, $pots, self::SEED, self::TARGETS, $sample->median(), $sample->quantile(0.95),
            $evaluations / self::TARGETS, number_format($sample->median() * $size / $exhaustive), 1000 * $exhaustive / $size,
            memory_get_peak_usage() / 1e6, $exhaustive / $sample->median(), number_format($size),
        );

        return $sample->median();
    }

    /** @param  list<\Hyalin\Optics\PaintOptics>  $paints */
    private function exhaustiveMilliseconds(array $paints, MixTask $task): float
    {
        // Exhaustive search does one exact colour a mix: 60 000 of them are timed and scaled up.
        $evaluator = new MixEvaluator($paints, $task);
        $count = count($paints);
        $start = hrtime(true);
        for ($i = 0; $i < 60_000; $i++) {
            $evaluator->lab([$i % $count, ($i + 7) % $count, ($i + 11) % $count], [1 + $i % 5, 2, 1]);
        }

        return (hrtime(true) - $start) / 1e6 / 60_000 * ExhaustiveMixSearch::size($count, $task);
    }

    private function equality(string $name, Placement $placement, int $pots, int $count, int $seed): void
    {
        [$paints, $targets] = self::problem($placement, $pots, $count, $seed);
        $tasks = array_map(static fn (Lab $t): MixTask => MixTask::of($t, $placement), $targets);
        $equal = $far = 0;
        $worst = 0.0;
        $whole = new Sample;
        $one = new Sample;
        $one->time(static fn () => ExhaustiveMixSearch::find($paints, $tasks[0]));
        foreach ($whole->time(static fn () => ExhaustiveMixSearch::findAll($paints, $tasks)) as $i => $truth) {
            $excess = QuickMixSearch::find($paints, $tasks[$i])->best()->score - $truth->best()->score;
            $equal += $excess < 1e-9 ? 1 : 0;
            $far += $excess > 0.1 ? 1 : 0;
            $worst = max($worst, $excess);
        }
        printf(
            "mix search, %s, %d pots, seed %d: equal to exhaustive search for %d of %d reachable targets, more than 0.1 worse for %d, never more than %.3f; exhaustive search takes %.1f s\n",
            $name, $pots, $seed, $equal, $count, $far, $worst, $one->median() / 1000,
        );
    }

    /** @return array{list<\Hyalin\Optics\PaintOptics>, non-empty-list<Lab>} */
    private static function problem(Placement $placement, int $pots, int $targets, int $seed = self::SEED): array
    {
        $shelf = new InventedShelf($seed);
        $paints = $shelf->paints($pots);

        return [$paints, $shelf->reachableTargets($paints, MixTask::of(Lab::of(50, 0, 0), $placement), $targets)];
    }
}
