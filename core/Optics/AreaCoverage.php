<?php

declare(strict_types=1);

namespace Hyalin\Optics;

use Hyalin\Colour\Reflectance;

/**
 * A surface of which only a fraction is painted, seen from so far that the dots melt: reflectances add by area.
 *
 * A. Murray, J. Franklin Inst. 221, 721 (1936), after E. R. Davies.
 */
final readonly class AreaCoverage
{
    private function __construct(public float $fraction)
    {
    }

    /** @throws InvalidOptics unless 0 <= $fraction <= 1 */
    public static function of(float $fraction): self
    {
        if (! ($fraction >= 0 && $fraction <= 1)) {
            throw InvalidOptics::coverage($fraction);
        }

        return new self($fraction);
    }

    /** Random drops: the part hit at least once is 1 - exp(-mean hits) (Poisson). */
    public static function ofRandomHits(float $meanHits): self
    {
        return self::of(1 - exp(-max(0.0, $meanHits)));
    }

    public function blend(Reflectance $painted, Reflectance $bare): Reflectance
    {
        $values = [];
        foreach ($bare->values as $band => $r) {
            $values[] = $this->fraction * $painted->values[$band] + (1 - $this->fraction) * $r;
        }

        return Reflectance::of($values);
    }
}
