<?php

declare(strict_types=1);

namespace Hyalin\Training;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralSum;
use Hyalin\Cup\Cup;
use Hyalin\Cup\InvalidCup;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use Hyalin\Pot\Volume;
use Random\Randomizer;

/**
 * A colour to be mixed by eye from some pots, drop by drop: the cup behaves as the pots do.
 */
final readonly class MixGuess
{
    public const MOST_DROPS = 24;

    /** CIEDE2000 at which half of the score is left. */
    private const HALF = 4.0;

    /** @param  array<string, PaintOptics>  $paints  by key */
    public function __construct(private array $paints, private Surface $surface)
    {
    }

    /**
     * A mix that is to be guessed: the more drops, the harder.
     *
     * @param  int  $drops  2..12 in all
     * @return array<string, int> drops by key, of each at least one
     */
    public function drawn(int $drops, Randomizer $random): array
    {
        $keys = array_keys($this->paints);
        $mix = array_fill_keys($keys, 1);
        for ($left = $drops - count($keys); $left > 0; $left--) {
            $mix[$keys[$random->getInt(0, count($keys) - 1)]]++;
        }

        return $mix;
    }

    /**
     * @param  array<string, int>  $drops  at least one
     *
     * @throws InvalidCup when it is empty, or holds what is not there
     */
    public function colour(array $drops): Lab
    {
        $cup = Cup::empty();
        foreach ($drops as $key => $count) {
            if ($count > 0) {
                $cup = $cup->adding($key, $count * Volume::DROP);
            }
        }

        return SpectralSum::under(Illuminant::D65)->xyz($this->surface->seen($cup->optics($this->paints)->masstone()))->toLab();
    }

    /**
     * The effect of each drop.
     *
     * @param  list<string>  $added  keys in the order in which they were added
     * @return list<float> CIEDE2000 to the target after each
     *
     * @throws InvalidCup when one is of no pot that is there
     */
    public function trail(array $added, Lab $target): array
    {
        $drops = $trail = [];
        foreach ($added as $key) {
            $drops[$key] = ($drops[$key] ?? 0) + 1;
            $trail[] = DifferenceFormula::Ciede2000->between($this->colour($drops), $target);
        }

        return $trail;
    }

    /** @return float 1 for the colour itself, less the farther off */
    public static function score(float $difference): float
    {
        return 2 ** -($difference / self::HALF);
    }
}
