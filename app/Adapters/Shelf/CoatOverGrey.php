<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\Colour\ColourSpread;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;

/**
 * One usual coat of a pot over a grey primer, the commonest use of a pot. How sure that colour is stands for how sure the pot is.
 */
final readonly class CoatOverGrey
{
    private const GREY = 0.2;

    /** @param  float  $radius  CIEDE2000 within which it lies two out of three times; an estimate */
    private function __construct(public Lab $colour, public float $radius)
    {
    }

    public static function of(PaintOptics $optics, OpticsSpread $spread, Sheen $sheen): self
    {
        $lab = static fn (PaintOptics $o): Lab => SpectralSum::under(Illuminant::D65)->xyz(Surface::of($sheen)->seen($o->filmOver(Reflectance::flat(self::GREY), FilmThickness::coats(1.0))))->toLab();
        $colour = $lab($optics);
        $errors = [];
        foreach ($spread->modes as $n => $_) {
            $alone = array_map(static fn (int $m): float => $m === $n ? 1.0 : 0.0, array_keys($spread->modes));
            $moved = $lab($spread->moved($optics, $alone));
            $errors[] = [$moved->lightness - $colour->lightness, $moved->a - $colour->a, $moved->b - $colour->b];
        }

        return new self($colour, ColourSpread::of($colour, $errors)->radius());
    }

    /** @return float CIEDE2000 */
    public function differenceTo(self $other): float
    {
        return DifferenceFormula::Ciede2000->between($this->colour, $other->colour);
    }
}
