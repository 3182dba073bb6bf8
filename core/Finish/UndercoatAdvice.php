<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;

/**
 * What one undercoat makes of a finish: the fewest coats that come as near to the target as this undercoat lets it, once all
 * that follows is on.
 */
final readonly class UndercoatAdvice
{
    private const MOST_COATS = 8;

    /** A coat that brings it nearer by less than this is not worth painting. */
    private const WORTH_A_COAT = 0.5;

    private function __construct(public string $undercoat, public int $coats, public Lab $lab, public float $difference)
    {
    }

    /**
     * @param  non-empty-array<string, Reflectance>  $undercoats  by name, without surface reflection
     * @param  non-empty-list<Layer>  $layers  the layer that would lie on them, and what follows it
     * @param  Lab  $target  of the zone when all of them are on
     * @return non-empty-list<self> best first: nearest, and of equally near ones the one with the fewest coats
     */
    public static function compare(SectionPrediction $prediction, array $undercoats, array $layers, Zone $zone, Lab $target): array
    {
        $advice = [];
        foreach ($undercoats as $name => $beneath) {
            $best = null;
            for ($coats = 1; $coats <= self::MOST_COATS; $coats++) {
                $lab = $prediction->of($beneath, [$layers[0]->withCoats($coats), ...array_slice($layers, 1)])->top()->cell($zone)->seen;
                $tried = new self((string) $name, $coats, $lab, DifferenceFormula::Ciede2000->between($target, $lab));
                if ($best === null || $tried->worth() < $best->worth()) {
                    $best = $tried;
                }
            }
            $advice[] = $best;
        }
        usort($advice, static fn (self $p, self $q): int => $p->worth() <=> $q->worth());

        return $advice;
    }

    private function worth(): float
    {
        return $this->difference + self::WORTH_A_COAT * $this->coats;
    }
}
