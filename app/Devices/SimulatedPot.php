<?php

declare(strict_types=1);

namespace App\Devices;

use App\Models\Shelf\Paint;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The true contents of a pot, for the simulated devices: they must agree on it.
 */
final class SimulatedPot
{
    public static function optics(Paint $pot): PaintOptics
    {
        $optics = $pot->optics();
        if ($pot->quality !== OpticsQuality::Estimated) {
            return $optics;
        }
        $random = new Randomizer(new Mt19937(crc32("{$pot->maker}\n{$pot->name}")));
        $load = exp($random->getInt(-500, 500) / 1000);
        $tilt = $random->getInt(-300, 300) / 1000;
        $k = $s = [];
        foreach ($optics->k as $band => $absorption) {
            $place = ($band - 17.5) / 35;
            $k[] = $absorption * $load * exp($tilt * $place);
            $s[] = $optics->s[$band] * $load * exp(-0.5 * $place);
        }

        return PaintOptics::of($k, $s, OpticsQuality::Measured);
    }
}
