<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Reflectance;

/**
 * What was read of one pot: one reference coat over a black and a white card, the bare cards, and where they were read
 * a thick swatch and a tint with white. All without surface reflection.
 */
final readonly class SwatchReadings
{
    /** A good reader repeats to this; a standard deviation of reflectance (own estimate). */
    public const GOOD_READER = 0.0005;

    /** Contradictions below this are taken for noise, and below six of its standard deviations. */
    private const TOLERANCE = 0.01;

    private function __construct(
        public Reflectance $overBlack,
        public Reflectance $overWhite,
        public Reflectance $black,
        public Reflectance $white,
        public ?Reflectance $masstone,
        public ?Reflectance $tint,
        public float $noise,
    ) {
    }

    /**
     * @param  Reflectance|null  $tint  1 part of the pot in 5 of a white by volume, opaque
     * @param  float  $noise  repeatability of the reader as a standard deviation of reflectance
     *
     * @throws InvalidReadings when they cannot be of one paint on these cards; names the band and both values
     */
    public static function of(
        Reflectance $overBlack,
        Reflectance $overWhite,
        Reflectance $black,
        Reflectance $white,
        ?Reflectance $masstone = null,
        ?Reflectance $tint = null,
        float $noise = self::GOOD_READER,
    ): self {
        if (! ($noise > 0 && $noise < 0.1)) {
            throw InvalidReadings::noise($noise);
        }
        $tolerance = max(self::TOLERANCE, 6 * $noise);
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $b = $overBlack->values[$band];
            $w = $overWhite->values[$band];
            $cards = $white->values[$band] - $black->values[$band];
            if ($cards <= $tolerance) {
                throw InvalidReadings::cardsAlike($band);
            }
            if ($w < $b - $tolerance) {
                throw InvalidReadings::darkerOverWhite($band, $b, $w);
            }
            if ($w - $b > $cards + $tolerance) {
                throw InvalidReadings::tooMuchLight($band, $b, $w);
            }
            if ($masstone !== null) {
                self::refuseStrayMasstone($band, $masstone->values[$band], $b, $w, $black->values[$band], $white->values[$band], $tolerance);
            }
        }

        return new self($overBlack, $overWhite, $black, $white, $masstone, $tint, $noise);
    }

    /**
     * More coats move both readings towards the masstone and none past it: from the bare card through one coat.
     *
     * @throws InvalidReadings
     */
    private static function refuseStrayMasstone(
        int $band, float $masstone, float $overBlack, float $overWhite, float $black, float $white, float $tolerance,
    ): void {
        $fromBlack = ($masstone - $overBlack) * ($overBlack - $black);
        $fromWhite = ($masstone - $overWhite) * ($overWhite - $white);
        foreach ([[$fromBlack, $overBlack, $black], [$fromWhite, $overWhite, $white]] as [$onward, $coat, $card]) {
            if ($onward < 0 && abs($masstone - $coat) > $tolerance && abs($coat - $card) > $tolerance) {
                throw InvalidReadings::masstoneOutside($band, $masstone, $overBlack, $overWhite);
            }
        }
    }
}
