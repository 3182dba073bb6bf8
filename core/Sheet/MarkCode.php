<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

/**
 * What the 6 by 6 modules inside a mark say: 20 bits of the sheet's number, 4 bits of which mark it is, 12 bits to check both
 * (the cyclic redundancy check with polynomial x^12 + x^11 + x^3 + x^2 + x + 1 of 3GPP TS 25.212, section 4.2.1.1). A fixed
 * pattern is added, so that no mark is plain.
 */
final readonly class MarkCode
{
    public const SIDE = 6;

    public const MOST = (1 << 20) - 1;

    private const BITS = 36;

    private const POLYNOMIAL = 0x80F;

    private const PATTERN = 0x9A5C3E1D7;

    private function __construct(public int $sheet, public int $mark)
    {
    }

    /**
     * @param  int  $sheet  0..MOST
     * @param  int  $mark  0..15
     * @return list<bool> whether each module is black, in reading order
     */
    public static function modules(int $sheet, int $mark): array
    {
        $message = $sheet << 4 | $mark;
        $bits = ($message << 12 | self::check($message)) ^ self::PATTERN;

        return array_map(static fn (int $n): bool => ($bits >> (self::BITS - 1 - $n) & 1) === 1, range(0, self::BITS - 1));
    }

    /**
     * @param  list<bool>  $modules  as they were seen
     * @return list<array{self, int}> the code, and by how many quarter turns clockwise the mark is seen; none where the check fails, and now
     *                                and then a second one: marks of one sheet agree on theirs
     */
    public static function read(array $modules): array
    {
        $found = [];
        for ($turns = 0; $turns < 4; $turns++) {
            $bits = 0;
            foreach ($modules as $isBlack) {
                $bits = $bits << 1 | (int) $isBlack;
            }
            $bits ^= self::PATTERN;
            $message = $bits >> 12;
            if (($bits & 0xFFF) === self::check($message)) {
                $found[] = [new self($message >> 4, $message & 15), $turns];
            }
            $modules = self::turnedBack($modules);
        }

        return $found;
    }

    /** @return int 12 bits */
    private static function check(int $message): int
    {
        $rest = $message << 12;
        for ($bit = 35; $bit >= 12; $bit--) {
            if ($rest >> $bit & 1) {
                $rest ^= (1 << 12 | self::POLYNOMIAL) << ($bit - 12);
            }
        }

        return $rest & 0xFFF;
    }

    /**
     * @param  list<bool>  $modules
     * @return list<bool> a quarter turn anticlockwise
     */
    private static function turnedBack(array $modules): array
    {
        $turned = [];
        for ($row = 0; $row < self::SIDE; $row++) {
            for ($column = 0; $column < self::SIDE; $column++) {
                $turned[] = $modules[$column * self::SIDE + self::SIDE - 1 - $row];
            }
        }

        return $turned;
    }
}
