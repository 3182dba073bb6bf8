<?php

declare(strict_types=1);

namespace Tests\Support;

/**
 * How often a law is tried: a fixed number of rounds, and more with bin/test --all.
 */
final class Rounds
{
    public static function of(int $usual, int $all): int
    {
        return getenv('HYALIN_ALL') === false ? $usual : $all;
    }
}
