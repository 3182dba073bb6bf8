<?php

declare(strict_types=1);

namespace Tests\Core\Order;

use Hyalin\Order\Masking\BranchAndBoundOrder;
use Hyalin\Order\Masking\InsertionOrder;
use Hyalin\Order\Masking\MaskOrder;
use Hyalin\Order\Masking\MaskOrderTask;
use Hyalin\Order\Masking\SubsetOrder;
use Hyalin\Plan\InvalidPlan;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class MaskOrderTest extends TestCase
{
    public function test_the_order_found_is_the_best_of_all_permutations(): void
    {
        for ($seed = 1; $seed <= 25; $seed++) {
            $task = self::task($seed, 3 + $seed % 5, $seed % 7);
            $least = INF;
            foreach (self::permutations(array_keys($task->ids)) as $order) {
                $least = self::keeps($task, $order) ? min($least, $task->total($order)) : $least;
            }
            $found = MaskOrder::find($task);
            self::assertTrue($found->optimal);
            self::assertEqualsWithDelta($least, $found->total(), 1e-9, "seed {$seed}");
            self::assertEqualsWithDelta($least, $found->bound, 1e-9);
        }
    }

    public function test_two_ways_to_the_optimum_agree(): void
    {
        for ($seed = 1; $seed <= 8; $seed++) {
            $task = self::task($seed, 10 + $seed % 4, 8);
            $places = array_keys($task->ids);
            [$order, $minutes] = SubsetOrder::find($task, $places);
            [$other, $same, $proven] = BranchAndBoundOrder::find($task, InsertionOrder::find($task, $places), 400_000);
            self::assertTrue($proven);
            self::assertEqualsWithDelta($minutes, $same, 1e-9);
            self::assertEqualsWithDelta($minutes, $task->total($order), 1e-9);
            self::assertEqualsWithDelta($minutes, $task->total($other), 1e-9);
            self::assertTrue(self::keeps($task, $order) && self::keeps($task, $other));
            self::assertLessThanOrEqual($minutes + 1e-9, BranchAndBoundOrder::pairwiseBound($task, $places));
        }
    }

    /**
     * Optima that can be stated: a triangular matrix has the cost of its lower triangle, zero, in its own order; of a
     * single round of preferences exactly the lightest is broken (the minimum feedback arc set of a cycle). R. Marti,
     * G. Reinelt, The Linear Ordering Problem, 2011, chapter 1.
     */
    public function test_known_optima_of_the_linear_ordering_problem(): void
    {
        $ids = range('a', 'p');
        $areas = array_map(static fn (string $id): array => [$id, false, 0.0], $ids);
        $triangular = [];
        foreach ($ids as $i => $a) {
            foreach (array_slice($ids, $i + 1) as $b) {
                $triangular[] = [$a, $b, 1.0 + $i];
            }
        }
        $areas = (new Randomizer(new Mt19937(4)))->shuffleArray($areas);
        $found = MaskOrder::find(MaskOrderTask::of($areas, [], [], $triangular));
        self::assertSame($ids, $found->order);
        self::assertSame(0.0, $found->total());
        $round = [['a', 'b', 5.0], ['b', 'c', 4.0], ['c', 'd', 2.0], ['d', 'e', 7.0], ['e', 'a', 6.0]];
        $found = MaskOrder::find(MaskOrderTask::of(array_map(static fn (string $id): array => [$id, true, 0.0], range('a', 'e')), [], [], $round));
        self::assertSame([['c', 'd']], $found->brokenSoft);
        self::assertSame(2.0, $found->total());
    }

    /** Common practice: light before the dark beside it only where masking says so; inside before outside. */
    public function test_the_cheaper_side_is_masked(): void
    {
        // A yellow coat of 60 cm2 beside a black collar of 2 cm2: wrapping the collar is cheaper.
        $areas = [['coat', true, 12.0], ['collar', true, 1.0]];
        $found = MaskOrder::find(MaskOrderTask::of($areas, [['coat', 'collar', 80.0, 0.05]], [], []));
        self::assertSame(['collar', 'coat'], $found->order);
        self::assertSame([['painting' => 'coat', 'protect' => 'collar', 'mm' => 80.0]], $found->masks);
        self::assertEqualsWithDelta(5.0, $found->maskMinutes, 1e-12);
        // The painter's own order costs 11 minutes more.
        self::assertEqualsWithDelta(16.0, MaskOrder::judge(MaskOrderTask::of($areas, [['coat', 'collar', 80.0, 0.05]], [], []), ['coat', 'collar'])->total(), 1e-12);
        // Brushed, it comes last and nothing is masked.
        self::assertSame(0.0, MaskOrder::find(MaskOrderTask::of([['coat', true, 12.0], ['collar', false, 1.0]], [['coat', 'collar', 80.0, 0.05]], [], []))->total());
        // A must turns it round, and is kept.
        self::assertSame(['coat', 'collar'], MaskOrder::find(MaskOrderTask::of($areas, [['coat', 'collar', 80.0, 0.05]], [['coat', 'collar']], []))->order);
    }

    public function test_more_than_twenty_get_a_good_order_and_an_honest_bound(): void
    {
        $task = self::task(9, 25, 30);
        $found = MaskOrder::find($task);
        self::assertCount(25, array_unique($found->order));
        self::assertLessThanOrEqual($found->total() + 1e-9, $found->bound);
        self::assertGreaterThan(0.9 * $found->total(), $found->bound);
        self::assertTrue(self::keeps($task, array_map(static fn (string $id): int => (int) array_search($id, $task->ids, true), $found->order)));
        // Areas that have nothing to do with each other are solved apart, however many they are.
        $apart = [];
        $boundaries = [];
        for ($i = 0; $i < 30; $i++) {
            $apart[] = ["p{$i}", true, 1.0];
            $apart[] = ["q{$i}", true, 4.0];
            $boundaries[] = ["p{$i}", "q{$i}", 10.0, 0.1];
        }
        $found = MaskOrder::find(MaskOrderTask::of($apart, $boundaries, [], []));
        self::assertTrue($found->optimal);
        self::assertEqualsWithDelta(30 * 2.0, $found->total(), 1e-9);
    }

    /**
     * @param  list<array{string, string, float, float}>  $boundaries
     * @param  list<array{string, string}>  $before
     */
    #[DataProvider('refused')]
    public function test_what_cannot_be_is_refused_by_name(array $boundaries, array $before, string $words): void
    {
        $this->expectException(InvalidPlan::class);
        $this->expectExceptionMessage($words);
        MaskOrderTask::of([['a', true, 0.0], ['b', true, 0.0], ['c', true, 0.0]], $boundaries, $before, []);
    }

    /** @return iterable<string, array{list<array{string, string, float, float}>, list<array{string, string}>, string}> */
    public static function refused(): iterable
    {
        yield 'a circle' => [[], [['a', 'b'], ['b', 'c'], ['c', 'a']], '"a" before "b" before "c" before "a"'];
        yield 'the shortest circle' => [[], [['a', 'b'], ['b', 'c'], ['c', 'a'], ['b', 'a']], '"a" before "b" before "a"'];
        yield 'an area unknown' => [[], [['a', 'x']], 'an order names "x"'];
        yield 'with itself' => [[['a', 'a', 5.0, 0.1]], [], 'joins "a" with itself'];
        yield 'boundaries that disagree' => [[['a', 'b', 5.0, 0.1], ['b', 'a', 6.0, 0.1]], [], 'given twice and differs'];
        yield 'less than nothing' => [[['a', 'b', -5.0, 0.1]], [], '0 or more'];
    }

    private static function task(int $seed, int $areas, int $precedences): MaskOrderTask
    {
        $random = new Randomizer(new Mt19937($seed));
        $list = $boundaries = $before = $soft = [];
        for ($i = 0; $i < $areas; $i++) {
            $list[] = ["a{$i}", $random->getInt(0, 3) > 0, $random->getInt(0, 50) / 10];
            for ($j = 0; $j < $i; $j++) {
                if ($random->getInt(0, 9) < 5) {
                    $boundaries[] = ["a{$i}", "a{$j}", (float) $random->getInt(5, 120), $random->getInt(1, 4) / 20];
                }
                if ($random->getInt(0, 9) < 2) {
                    $soft[] = ["a{$i}", "a{$j}", (float) $random->getInt(1, 6)];
                }
            }
        }
        $hidden = $random->shuffleArray(range(0, $areas - 1));
        for ($n = 0; $n < $precedences; $n++) {
            $i = $random->getInt(0, $areas - 2);
            $before[] = ["a{$hidden[$i]}", 'a'.$hidden[$random->getInt($i + 1, $areas - 1)]];
        }

        return MaskOrderTask::of($list, $boundaries, $before, $soft);
    }

    /** @param  list<int>  $order */
    private static function keeps(MaskOrderTask $task, array $order): bool
    {
        foreach ($order as $n => $first) {
            foreach (array_slice($order, $n + 1) as $second) {
                if ($task->precedence->mustPrecede($second, $first)) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * @param  list<int>  $places
     * @return iterable<list<int>>
     */
    private static function permutations(array $places): iterable
    {
        if (count($places) < 2) {
            yield $places;

            return;
        }
        foreach ($places as $n => $first) {
            foreach (self::permutations([...array_slice($places, 0, $n), ...array_slice($places, $n + 1)]) as $rest) {
                yield [$first, ...$rest];
            }
        }
    }
}
