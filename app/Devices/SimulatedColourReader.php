<?php

declare(strict_types=1);

namespace App\Devices;

use App\Models\Paint;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Stands in for a colour reader. What is really in a pot that was never measured differs from what its colour and
 * opacity let one expect: by how much, the name of the pot decides, so that it is the same each time. Each reading
 * has noise of its own.
 */
final class SimulatedColourReader implements ColourReader
{
    private const NOISE = 0.0008;

    private const BLACK_CARD = 0.035;

    private const WHITE_CARD = 0.88;

    private const HAND_COVERAGE = 0.85;

    private const HAND_THICKNESS = 1.25;

    public function noise(): float
    {
        return self::NOISE;
    }

    public function read(Paint $pot, Swatch $swatch, ?Paint $white): Reflectance
    {
        $paint = self::really($pot);
        $coat = FilmThickness::coats(1.0);
        [$inside, $sheen] = match ($swatch) {
            Swatch::BlackCard => [Reflectance::flat(self::BLACK_CARD), Sheen::Gloss],
            Swatch::WhiteCard => [Reflectance::flat(self::WHITE_CARD), Sheen::Gloss],
            Swatch::OverBlack => [$paint->filmOver(Reflectance::flat(self::BLACK_CARD), $coat), $pot->sheen],
            Swatch::OverWhite => [$paint->filmOver(Reflectance::flat(self::WHITE_CARD), $coat), $pot->sheen],
            Swatch::Thick => [$paint->masstone(), $pot->sheen],
            Swatch::Tint => [
                PaintOptics::mixed([[$paint, 1.0], [$white === null ? $paint : self::really($white), 5.0]])->masstone(),
                $pot->sheen,
            ],
        };

        return $this->noisy(Surface::of($sheen)->seen($inside));
    }

    public function readChip(Paint $pot, Technique $technique, float $thinner, int $coats, float $card): Reflectance
    {
        // The hand behind the stand-in paints thicker than the usual profile, and covers less where that leaves gaps.
        $gaps = $technique->profile()->coverage(Zone::Mid) < 1.0;
        $layer = Layer::of($technique, self::really($pot), $thinner, $coats, Zone::cases(), hand: new Hand($gaps ? self::HAND_COVERAGE : 1.0, self::HAND_THICKNESS));

        return $this->noisy(Surface::of($pot->sheen)->seen($layer->over(Zone::Mid, Reflectance::flat($card))));
    }

    private static function really(Paint $pot): PaintOptics
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

    /** Gaussian noise (Box and Muller, 1958). */
    private function noisy(Reflectance $true): Reflectance
    {
        $random = new Randomizer;

        return Reflectance::of(array_map(static function (float $v) use ($random): float {
            $gauss = sqrt(-2 * log($random->getInt(1, 1_000_000) / 1_000_000)) * cos(2 * M_PI * $random->getInt(0, 1_000_000) / 1_000_000);

            return max(0.0, min(1.0, $v + self::NOISE * $gauss));
        }, $true->values));
    }
}
