<?php

declare(strict_types=1);

namespace Tests\Core\Sheet;

use Hyalin\Sheet\MarkCode;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class MarkCodeTest extends TestCase
{
    public function test_every_mark_is_read_however_it_is_turned_and_a_spoiled_one_is_not_read_as_another(): void
    {
        $chance = new Randomizer(new Mt19937(3));
        $misread = $tried = $twice = 0;
        for ($n = 0; $n < 400; $n++) {
            $sheet = $chance->getInt(0, MarkCode::MOST);
            $mark = $chance->getInt(0, 15);
            $modules = MarkCode::modules($sheet, $mark);
            for ($turns = 0; $turns < 4; $turns++) {
                $read = MarkCode::read($modules);
                self::assertContains([$sheet, $mark, $turns], array_map(static fn (array $one): array => [$one[0]->sheet, $one[0]->mark, $one[1]], $read));
                $twice += count($read) - 1;
                $modules = self::turnedClockwise($modules);
            }
            foreach ([1, 2, 3] as $spoiled) {
                $flipped = array_slice($chance->shuffleArray(range(0, 35)), 0, $spoiled);
                $other = array_map(static fn (bool $is, int $at): bool => in_array($at, $flipped, true) ? ! $is : $is, $modules, array_keys($modules));
                $tried++;
                $misread += count(MarkCode::read($other));
            }
        }
        // Twelve bits, read four ways: one in a thousand may pass, and then a sheet needs two more that agree with it.
        self::assertLessThan(0.004 * $tried, $misread);
        self::assertLessThan(0.004 * 4 * 4 * 400, $twice);
    }

    public function test_the_check_is_the_remainder_of_the_published_polynomial(): void
    {
        // Long division of bits as text: x^12 + x^11 + x^3 + x^2 + x + 1 divides every code without its pattern (3GPP TS 25.212, 4.2.1).
        $pattern = self::bits(MarkCode::modules(0, 0));
        foreach ([[1, 0], [77, 3], [123_456, 6], [MarkCode::MOST, 15]] as [$sheet, $mark]) {
            $code = self::bits(MarkCode::modules($sheet, $mark));
            $rest = implode('', array_map(static fn (string $p, string $q): string => $p === $q ? '0' : '1', str_split($code), str_split($pattern)));
            self::assertSame(decbin($sheet << 4 | $mark), ltrim(substr($rest, 0, 24), '0'));
            for ($i = 0; $i < 24; $i++) {
                if ($rest[$i] === '1') {
                    foreach (str_split('1100000001111') as $j => $bit) {
                        $rest[$i + $j] = $rest[$i + $j] === $bit ? '0' : '1';
                    }
                }
            }
            self::assertSame(str_repeat('0', 36), $rest);
        }
    }

    /** @param  list<bool>  $modules */
    private static function bits(array $modules): string
    {
        return implode('', array_map(static fn (bool $b): string => $b ? '1' : '0', $modules));
    }

    /**
     * @param  list<bool>  $modules
     * @return list<bool>
     */
    private static function turnedClockwise(array $modules): array
    {
        return array_map(static fn (int $n): bool => $modules[(5 - $n % 6) * 6 + intdiv($n, 6)], range(0, 35));
    }
}
