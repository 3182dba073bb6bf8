<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Hand;

/**
 * What was read of one pot: one coat over a black and a white card, the bare cards, and where they were read a thick
 * swatch and tints. All without surface reflection.
 */
final readonly class SwatchReadings
{
    /** A good reader repeats to this; a standard deviation of reflectance (own estimate). */
    public const GOOD_READER = 0.0005;

    /** How much one coat of a hand differs from the next, relative. */
    public const USUAL_SPREAD = Hand::SCATTER;

    /** Contradictions below this are taken for noise, and below eight of its standard deviations. */
    private const TOLERANCE = 0.01;

    /**
     * @param  list<TintReading>  $tints
     */
    private function __construct(
        public CoatReading $overBlack,
        public CoatReading $overWhite,
        public ?ThickReading $masstone,
        public array $tints,
        public float $coatSpread,
    ) {
    }

    /**
     * @param  list<TintReading>  $tints
     * @param  float  $coatSpread  standard deviation of the thickness of a coat, relative; each coat on its own
     *
     * @throws InvalidReadings when they cannot be of one paint on these cards; names the band and both values
     */
    public static function of(
        ReadSpectrum $overBlack,
        ReadSpectrum $overWhite,
        Reflectance $black,
        Reflectance $white,
        ?ReadSpectrum $masstone = null,
        array $tints = [],
        float $coatSpread = 0.0,
    ): self {
        if (! ($coatSpread >= 0 && $coatSpread <= 1)) {
            throw InvalidReadings::coatSpread($coatSpread);
        }
        $isSpectrum = $overBlack->isSpectrum() && $overWhite->isSpectrum();
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $b = $overBlack->values[$band];
            $w = $overWhite->values[$band];
            $cards = $white->values[$band] - $black->values[$band];
            $tolerance = max(self::TOLERANCE, 8 * max($overBlack->deviations[$band], $overWhite->deviations[$band]));
            if ($cards <= ($isSpectrum ? $tolerance : self::TOLERANCE)) {
                throw InvalidReadings::cardsAlike($band);
            }
            // The spectrum of a colour is one of many: no band of it contradicts another.
            if (! $isSpectrum) {
                continue;
            }
            if ($w < $b - $tolerance) {
                throw InvalidReadings::darkerOverWhite($band, $b, $w);
            }
            if ($w - $b > $cards + $tolerance) {
                throw InvalidReadings::tooMuchLight($band, $b, $w);
            }
        }

        return new self(
            new CoatReading($black, $overBlack),
            new CoatReading($white, $overWhite),
            $masstone === null ? null : new ThickReading($masstone),
            $tints,
            $coatSpread,
        );
    }

    /** @return non-empty-array<string, Reading> in the order they are fitted; the two coats, each with a thickness of its own, come first */
    public function all(): array
    {
        $all = ['overBlack' => $this->overBlack, 'overWhite' => $this->overWhite];
        if ($this->masstone !== null) {
            $all['masstone'] = $this->masstone;
        }
        foreach ($this->tints as $n => $tint) {
            $all['tint'.($n + 1)] = $tint;
        }

        return $all;
    }
}
