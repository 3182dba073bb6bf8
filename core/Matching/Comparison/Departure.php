<?php

declare(strict_types=1);

namespace Hyalin\Matching\Comparison;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Zone;

/**
 * How what was painted departs from what was predicted, band by band, and which layer it is put down to: the last that
 * covers at least half of the zone. A guess that gets better with every photo; it is offered, never applied unasked.
 */
final readonly class Departure
{
    private const COVERS = 0.5;

    /** No paint is that far from what is on file: beyond this the photo is wrong. */
    private const LEAST = 0.5;

    private const MOST = 2.0;

    /** @param  list<float>  $factors  36 */
    private function __construct(public int $layer, public array $factors)
    {
    }

    /**
     * @param  list<Layer>  $layers  the finish
     * @param  SectionRow  $predicted  its top, uncorrected
     * @param  Lab  $painted  seen in the photo
     * @return self|null null when no layer covers the zone
     */
    public static function of(array $layers, SectionRow $predicted, Zone $zone, Lab $painted): ?self
    {
        $cell = $predicted->cell($zone);
        for ($index = count($layers) - 1; $index >= 0; $index--) {
            if ($layers[$index]->sheen === null && $layers[$index]->coverage($zone) >= self::COVERS) {
                $inside = $cell->surface->insideOrBlack(SpectralRecovery::of($painted->toXyz()));

                return new self($index, self::ratio($inside, $cell->inside));
            }
        }

        return null;
    }

    /** @return list<float> 36, within LEAST..MOST */
    private static function ratio(Reflectance $found, Reflectance $predicted): array
    {
        return array_map(
            static fn (float $f, float $p): float => max(self::LEAST, min(self::MOST, ($f + 0.01) / ($p + 0.01))),
            $found->values,
            $predicted->values,
        );
    }
}
