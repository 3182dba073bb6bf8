<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;

/**
 * The coats and the dilution with which a layer, its mix left as it is, ends nearest to a target once everything above
 * it is on. There are few of either, so all are tried.
 */
final readonly class SettingSearch
{
    private const MOST_COATS = 6;

    /** Parts of thinner to one of the mix that painters use. */
    private const THINNERS = [0.0, 0.5, 1.0, 2.0, 3.0, 4.0, 6.0, 8.0];

    /** A coat more is worth this much CIEDE2000. */
    private const PER_COAT = 0.1;

    /** CIEDE2000 that another setting must bring: less is not seen. */
    private const WORTHWHILE = 0.3;

    /**
     * @param  Lab  $lab  finished colour of the zone
     * @param  float  $before  CIEDE2000 to the target as the layer is set now
     */
    private function __construct(public int $coats, public float $thinner, public Lab $lab, public float $difference, public float $before)
    {
    }

    /**
     * @param  SectionRow  $start  what the finish starts from
     * @param  list<Layer>  $layers  the whole finish
     * @param  int  $index  the layer to set
     * @return self|null null when no other setting brings the finished zone visibly nearer than it is
     */
    public static function find(SectionPrediction $prediction, SectionRow $start, array $layers, int $index, Zone $zone, Lab $target): ?self
    {
        $beneath = $prediction->onTop($start, array_slice($layers, 0, $index))->top();
        $finished = static fn (Layer $layer): Lab => $prediction->onTop($beneath, [$layer, ...array_slice($layers, $index + 1)])->top()->cell($zone)->seen;
        $before = DifferenceFormula::Ciede2000->between($target, $finished($layers[$index]));
        $most = $layers[$index]->technique->spec()->mostThinner();
        $best = null;
        $bestScore = INF;
        for ($coats = 1; $coats <= self::MOST_COATS; $coats++) {
            foreach (array_filter(self::THINNERS, static fn (float $t): bool => $t <= $most) as $thinner) {
                $lab = $finished($layers[$index]->withCoats($coats)->withThinner($thinner));
                $difference = DifferenceFormula::Ciede2000->between($target, $lab);
                $score = $difference + self::PER_COAT * $coats;
                if ($score < $bestScore) {
                    $bestScore = $score;
                    $best = new self($coats, $thinner, $lab, $difference, $before);
                }
            }
        }

        return $best !== null && $best->difference <= $before - self::WORTHWHILE ? $best : null;
    }
}
