<?php

declare(strict_types=1);

namespace Tests\Core\Colour;

use Hyalin\Colour\HueName;
use Hyalin\Colour\Likeness;
use Hyalin\Colour\Srgb;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ColourWordsTest extends TestCase
{
    /** Thresholds 1, 2.5, 5: common usage, from memory. */
    public function test_a_difference_is_said_in_words(): void
    {
        $words = array_map(static fn (float $d): string => Likeness::of($d)->value, [0.0, 0.99, 1.0, 2.49, 2.5, 4.99, 5.0, 40.0]);
        self::assertSame([
            'the same to the eye', 'the same to the eye', 'close', 'close', 'visible', 'visible',
            'clearly different', 'clearly different',
        ], $words);
    }

    /** Primaries and secondaries of IEC 61966-2-1 carry their everyday names. */
    #[TestWith(['#ff0000', 'red'])]
    #[TestWith(['#ff8800', 'orange'])]
    #[TestWith(['#ffff00', 'yellow'])]
    #[TestWith(['#00ff00', 'green'])]
    #[TestWith(['#00ffff', 'turquoise'])]
    #[TestWith(['#0000ff', 'blue'])]
    #[TestWith(['#8800cc', 'violet'])]
    #[TestWith(['#ff66aa', 'pink'])]
    public function test_colours_have_their_everyday_names(string $hex, string $name): void
    {
        self::assertStringEndsWith(" {$name}", HueName::describe(Srgb::hex($hex)->toXyz()->toLab()));
    }

    #[TestWith(['#000000', 'black'])]
    #[TestWith(['#ffffff', 'white'])]
    #[TestWith(['#404040', 'dark grey'])]
    #[TestWith(['#808080', 'mid grey'])]
    #[TestWith(['#c8c8c8', 'light grey'])]
    public function test_greys_are_called_grey(string $hex, string $name): void
    {
        self::assertSame($name, HueName::describe(Srgb::hex($hex)->toXyz()->toLab()));
    }
}
