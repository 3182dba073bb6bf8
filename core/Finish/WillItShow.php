<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\Reflectance;

/**
 * Whether a step can be seen at arm's length, and if not, what would make it read.
 */
final readonly class WillItShow
{
    /** CIEDE2000 that reads at arm's length: own estimate. */
    public const THRESHOLD = 3.0;

    private function __construct(
        public bool $shows,
        public float $largestChange,
        public ?Zone $mostIn,
        public ?string $remedy,
    ) {
    }

    /**
     * @param  Section  $section  the finish that holds the layer
     * @param  int  $index  0 for the first layer
     * @param  list<Layer>  $layers
     */
    public static function judge(
        SectionPrediction $prediction,
        Section $section,
        array $layers,
        int $index,
        float $threshold = self::THRESHOLD,
    ): self {
        $row = $section->rows[$index + 1];
        $change = $row->largestChange();
        $most = null;
        foreach ($row->cells as $cell) {
            if ($cell->touched && $cell->change >= $change) {
                $most = $cell->zone;
            }
        }
        // A varnish is there to protect and to set the sheen: it need not be seen.
        if ($change >= $threshold || $layers[$index]->technique === Technique::Varnish) {
            return new self(true, $change, $most, null);
        }
        $beneath = array_map(static fn (SectionCell $c): Reflectance => $c->inside, $section->rows[$index]->cells);

        return new self(false, $change, $most, self::remedy($prediction, $beneath, $layers[$index], $threshold));
    }

    /** @param  array<string, Reflectance>  $beneath by zone */
    private static function remedy(
        SectionPrediction $prediction,
        array $beneath,
        Layer $layer,
        float $threshold,
    ): string {
        for ($coats = $layer->coats + 1; $coats <= min(12, $layer->coats + 3); $coats++) {
            if (self::bestChange($prediction, $beneath, $layer->withCoats($coats)) >= $threshold) {
                return "{$coats} coats would read";
            }
        }
        if ($layer->thinner > 0 && self::bestChange($prediction, $beneath, $layer->withThinner(0.0)) >= $threshold) {
            return 'undiluted it would read';
        }
        foreach (Zone::cases() as $zone) {
            $wider = $layer->onZones([...$layer->zones, $zone]);
            if (self::bestChange($prediction, $beneath, $wider) >= $threshold) {
                return "on the {$zone->value} it would read";
            }
        }

        return 'this mix is too near what lies beneath: choose one farther from it';
    }

    /** @param  array<string, Reflectance>  $beneath */
    private static function bestChange(SectionPrediction $prediction, array $beneath, Layer $layer): float
    {
        $best = 0.0;
        foreach ($layer->zones as $zone) {
            $best = max($best, $prediction->of($beneath[$zone->value], [$layer])->top()->cell($zone)->change);
        }

        return $best;
    }
}
