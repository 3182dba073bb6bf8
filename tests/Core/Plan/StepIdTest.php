<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Eris\Generators;
use Eris\TestTrait;
use Hyalin\Plan\InvalidPlan;
use Hyalin\Plan\StepId;
use PHPUnit\Framework\TestCase;

/**
 * Which step is meant: written down and read again it is the same one, and no other.
 */
final class StepIdTest extends TestCase
{
    use TestTrait;

    /** Law: parse is the inverse of writing, for every kind of step. */
    public function test_every_step_is_read_as_it_was_written(): void
    {
        $this->forAll(Generators::choose(1, 1_000_000), Generators::choose(1, 1_000_000), Generators::choose(0, 12), Generators::choose(0, 7))
            ->then(static function (int $one, int $other, int $number, int $kind): void {
                $spray = StepId::layer("L{$other}");
                $id = match ($kind) {
                    0 => StepId::prepare((string) $one),
                    1 => StepId::attach((string) $one),
                    2 => StepId::glue((string) $one, (string) $other),
                    3 => StepId::fill((string) $one, (string) $other),
                    4 => $spray,
                    5 => StepId::inserted((string) $one),
                    6 => StepId::mask($spray, $number),
                    default => StepId::peel($spray, $number),
                };
                $again = StepId::parse((string) $id);
                self::assertTrue($id->equals($again));
                self::assertSame((string) $id, (string) $again);
                // Only a mask is peeled, by the peel of the same spray and number.
                self::assertSame($kind === 6 ? (string) StepId::peel($spray, $number) : '', (string) $again->peeledBy());
                // Parts known by other ids, and back again: the same step. A layer keeps its key.
                $there = $again->withParts(static fn (string $part): string => "x{$part}");
                self::assertSame(in_array($kind, [0, 1, 2, 3], true), ! $there->equals($again));
                self::assertTrue($there->withParts(static fn (string $part): string => substr($part, 1))->equals($again));
            });
    }

    public function test_what_names_no_step_is_refused(): void
    {
        foreach (['', 'layer', 'layer a b', 'prepare', 'glue 1', 'mask', 'mask prepare 1', 'peel layer', 'mask layer a one', 'dance 7', "layer a\nlayer b"] as $words) {
            self::assertNull(StepId::tryParse($words), $words);
            try {
                StepId::parse($words);
                self::fail($words);
            } catch (InvalidPlan $e) {
                self::assertStringContainsString('names no step', $e->getMessage());
            }
        }
        self::assertFalse(StepId::layer('a')->equals(null));
    }
}
