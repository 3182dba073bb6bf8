<?php

declare(strict_types=1);

namespace App\Devices;

use App\Adapters\Finish\FigureOptics;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Measuring\Swatch;
use Hyalin\Optics\FilmThickness;
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

    private const FORGETS_ONE_IN = 7;

    /** @param  Randomizer  $chance  behind its noise: no two readings are alike, unless it is seeded */
    public function __construct(private readonly Randomizer $chance = new Randomizer)
    {
    }

    public function noise(): float
    {
        return self::NOISE;
    }

    public function read(Paint $pot, Swatch $swatch, ?Paint $white): Reflectance
    {
        $paint = SimulatedPot::optics($pot);
        $coat = FilmThickness::coats(1.0);
        [$inside, $sheen] = match ($swatch) {
            Swatch::BlackCard => [Reflectance::flat(self::BLACK_CARD), Sheen::Gloss],
            Swatch::WhiteCard => [Reflectance::flat(self::WHITE_CARD), Sheen::Gloss],
            Swatch::OverBlack => [$paint->filmOver(Reflectance::flat(self::BLACK_CARD), $coat), $pot->sheen],
            Swatch::OverWhite => [$paint->filmOver(Reflectance::flat(self::WHITE_CARD), $coat), $pot->sheen],
            Swatch::Thick => [$paint->masstone(), $pot->sheen],
            Swatch::Tint => [
                PaintOptics::mixed([[$paint, 1.0], [$white === null ? $paint : SimulatedPot::optics($white), 5.0]])->masstone(),
                $pot->sheen,
            ],
        };

        return $this->noisy(Surface::of($sheen)->seen($inside));
    }

    public function readChip(Paint $pot, Technique $technique, float $thinner, int $coats, float $card): Reflectance
    {
        // The hand behind the stand-in paints thicker than the usual profile, and covers less where that leaves gaps.
        $gaps = $technique->profile()->coverage(Zone::Mid) < 1.0;
        $layer = Layer::of($technique, SimulatedPot::optics($pot), $thinner, $coats, Zone::cases(), hand: new Hand($gaps ? self::HAND_COVERAGE : 1.0, self::HAND_THICKNESS));

        return $this->noisy(Surface::of($pot->sheen)->seen($layer->over(Zone::Mid, Reflectance::flat($card))));
    }

    public function readPiece(array $drafts, FigureOptics $figure, Zone $zone, string $piece): Reflectance
    {
        // No two pieces come out alike; now and then the last layer was forgotten.
        $random = new Randomizer(new Mt19937(crc32($piece)));
        $hand = new Hand(1.0, exp($random->getInt(-120, 120) / 1000));
        $painted = $random->getInt(1, self::FORGETS_ONE_IN) === 1 && count($drafts) > 1 ? array_slice($drafts, 0, -1) : $drafts;
        $cell = $figure->prediction->onTop($figure->start, $figure->layers($painted, SimulatedPot::optics(...), $hand))->top()->cell($zone);

        return $this->noisy($cell->surface->seen($cell->inside));
    }

    private function noisy(Reflectance $true): Reflectance
    {
        $noise = new SimulatedNoise($this->chance);

        return Reflectance::of(array_map(static fn (float $v): float => max(0.0, min(1.0, $v + self::NOISE * $noise->next())), $true->values));
    }
}
