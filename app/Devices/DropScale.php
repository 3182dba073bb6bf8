<?php

declare(strict_types=1);

namespace App\Devices;

/**
 * A scale under a cup, which streams grams while it is filled.
 */
interface DropScale
{
    /** @return int milliseconds from reading to reading */
    public function interval(): int;

    /**
     * @param  int  $session  one filling of a cup
     * @param  int  $count  readings since it began, 0..600
     * @return list<float|null> grams, the tare first; null where a reading did not come
     */
    public function readings(int $session, int $count): array;
}
