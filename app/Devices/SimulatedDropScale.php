<?php

declare(strict_types=1);

namespace App\Devices;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Stands in for a drop scale: a drop every second and a half, noise, a slow drift, now and then an elbow on the plate and
 * a reading that does not come. The same session streams the same readings.
 */
final class SimulatedDropScale implements DropScale
{
    private const EVERY = 6;

    private const DROP_GRAMS = 0.0625;

    public function interval(): int
    {
        return 250;
    }

    public function readings(int $session, int $count): array
    {
        $random = new Randomizer(new Mt19937($session));
        $readings = [8.0];
        $grams = 8.0;
        $elbow = 0;
        for ($n = 1; $n <= $count; $n++) {
            if ($n % self::EVERY === 0) {
                $grams += self::DROP_GRAMS;
            }
            $grams += 0.0001;
            $noise = $random->getInt(-1500, 1500) / 1_000_000;
            $elbow = $elbow > 0 ? $elbow - 1 : ($random->getInt(1, 90) === 1 ? 2 : 0);
            $missing = $random->getInt(1, 40) === 1;
            $readings[] = $missing ? null : $grams + $noise + ($elbow > 0 ? 4.0 : 0.0);
        }

        return $readings;
    }
}
