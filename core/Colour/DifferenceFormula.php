<?php

declare(strict_types=1);

namespace Hyalin\Colour;

enum DifferenceFormula: string
{
    case Ciede2000 = 'ciede2000';
    case Cie76 = 'cie76';
    case Cie94 = 'cie94';

    /**
     * @return float colour difference, >= 0; CIE94 weighs by the chroma of the reference, so it is not symmetric
     *
     * @throws InvalidColour when the two are relative to different whites
     */
    public function between(Lab $reference, Lab $sample): float
    {
        if ($reference->white !== $sample->white) {
            throw InvalidColour::differentWhites($reference->white, $sample->white);
        }

        return match ($this) {
            self::Ciede2000 => Ciede2000::between(...$reference->toArray(), ...$sample->toArray()),
            self::Cie76 => self::euclidean($reference, $sample),
            self::Cie94 => self::graphicArts94($reference, $sample),
        };
    }

    /** CIE 1976 difference, ISO/CIE 11664-4. */
    private static function euclidean(Lab $r, Lab $s): float
    {
        return sqrt(($s->lightness - $r->lightness) ** 2 + ($s->a - $r->a) ** 2 + ($s->b - $r->b) ** 2);
    }

    /** CIE 116-1995 with the reference conditions' constants (graphic arts): K1 = 0.045, K2 = 0.015, kL = 1. */
    private static function graphicArts94(Lab $r, Lab $s): float
    {
        $c1 = hypot($r->a, $r->b);
        $dChroma = hypot($s->a, $s->b) - $c1;
        $dHueSquared = max(0.0, ($s->a - $r->a) ** 2 + ($s->b - $r->b) ** 2 - $dChroma ** 2);

        return sqrt(
            ($s->lightness - $r->lightness) ** 2
            + ($dChroma / (1 + 0.045 * $c1)) ** 2
            + $dHueSquared / (1 + 0.015 * $c1) ** 2
        );
    }
}
