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

    /** @param  Lab  $lab  finished colour of the zone */
    private function __construct(public int $coats, public float $thinner, public Lab $lab, public float $difference)
    {
    }

    /**
     * @param  SectionRow  $start  what the finish starts from
     * @param  list<Layer>  $layers  the whole finish
     * @param  int  $index  the layer to set
     */
    public static function find(SectionPrediction $prediction, SectionRow $start, array $layers, int $index, Zone $zone, Lab $target): self
    {
        $beneath = $prediction->onTop($start, array_slice($layers, 0, $index))->top();
        $best = null;
        $bestScore = INF;
        for ($coats = 1; $coats <= self::MOST_COATS; $coats++) {
            foreach (self::THINNERS as $thinner) {
                $stack = [$layers[$index]->withCoats($coats)->withThinner($thinner), ...array_slice($layers, $index + 1)];
                $lab = $prediction->onTop($beneath, $stack)->top()->cell($zone)->seen;
                $difference = DifferenceFormula::Ciede2000->between($target, $lab);
                $score = $difference + self::PER_COAT * $coats;
                if ($score < $bestScore) {
                    $bestScore = $score;
                    $best = new self($coats, $thinner, $lab, $difference);
                }
            }
        }

        return $best ?? throw new \LogicException('at least one setting is tried');
    }
}
