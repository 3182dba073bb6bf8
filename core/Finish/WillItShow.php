<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Reflectance;

/**
 * Whether a step can be seen at arm's length, and if not, what would make it read.
 */
final readonly class WillItShow
{
    /** CIEDE2000 that reads at arm's length: own estimate. */
    public const THRESHOLD = 3.0;

    /**
     * @param  float  $largestChange  CIEDE2000 it makes when it is painted; of its dots where it leaves dots
     * @param  list<Remedy>  $remedies  smallest change first; none when it shows, or when only another mix would
     * @param  float  $left  CIEDE2000 it makes to the finished piece, in the zone where it makes most: the finish with and
     *                       without it
     */
    private function __construct(
        public bool $shows,
        public float $largestChange,
        public ?Zone $mostIn,
        public array $remedies,
        public float $left,
    ) {
    }

    /** @return string|null what would make it read, in words */
    public function remedy(): ?string
    {
        if ($this->shows) {
            return null;
        }

        return $this->remedies === []
            ? 'this mix is too close to what lies beneath: choose one that differs more'
            : $this->remedies[0]->words;
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
        [$change, $most] = self::most($prediction, $section, $layers[$index], $index);
        $left = self::left($prediction, $section, $layers, $index);
        // A varnish is there to protect and to set the sheen, a primer to hold the paint: they need not be seen.
        $spec = $layers[$index]->technique->spec();
        if ($change >= $threshold || $spec->setsSheen || ($spec->isPriming && $spec->direction === null)) {
            return new self(true, $change, $most, [], $left);
        }
        $beneath = array_map(static fn (SectionCell $c): Reflectance => $c->inside, $section->rows[$index]->cells);

        return new self(false, $change, $most, self::remedies($prediction, $beneath, $layers[$index], $threshold), $left);
    }

    /** @return array{float, Zone|null} */
    private static function most(SectionPrediction $prediction, Section $section, Layer $layer, int $index): array
    {
        $dotted = $layer->technique->spec()->isDotted;
        [$change, $most] = [0.0, null];
        foreach ($section->rows[$index + 1]->cells as $cell) {
            if ($cell->touched) {
                $here = $dotted ? $prediction->contrast($layer, $section->rows[$index]->cell($cell->zone)) : $cell->change;
                [$change, $most] = $most === null || $here >= $change ? [$here, $cell->zone] : [$change, $most];
            }
        }

        return [$change, $most];
    }

    /** @param  list<Layer>  $layers */
    private static function left(SectionPrediction $prediction, Section $section, array $layers, int $index): float
    {
        // What lies beneath the layer is known already: only what follows it is laid anew.
        $without = $prediction->onTop($section->rows[$index], array_slice($layers, $index + 1))->top();
        $left = 0.0;
        foreach (Zone::cases() as $zone) {
            if ($layers[$index]->coverage($zone) > 0.0) {
                $left = max($left, DifferenceFormula::Ciede2000->between($section->top()->cell($zone)->seen, $without->cell($zone)->seen));
            }
        }

        return $left;
    }

    /**
     * One more coat or two, less thinner, one zone more: of each kind the smallest that suffices.
     *
     * @param  array<string, Reflectance>  $beneath by zone
     * @return list<Remedy>
     */
    private static function remedies(SectionPrediction $prediction, array $beneath, Layer $layer, float $threshold): array
    {
        $remedies = [];
        $try = static function (string $words, Layer $changed) use ($prediction, $beneath, $threshold, &$remedies): bool {
            $change = self::bestChange($prediction, $beneath, $changed);
            if ($change >= $threshold) {
                $remedies[] = new Remedy($words, $changed, $change);
            }

            return $change >= $threshold;
        };
        for ($coats = $layer->coats + 1; $coats <= min(12, $layer->coats + 3); $coats++) {
            if ($try("{$coats} coats would show", $layer->withCoats($coats))) {
                break;
            }
        }
        if ($layer->thinner > 0 && ! ($layer->thinner > 1 && $try('with half the thinner it would show', $layer->withThinner($layer->thinner / 2)))) {
            $try('undiluted it would show', $layer->withThinner(0.0));
        }
        foreach (Zone::cases() as $zone) {
            if (! in_array($zone, $layer->zones, true)
                && $try("on the {$zone->value} it would show", $layer->onZones([...$layer->zones, $zone]))) {
                break;
            }
        }

        return $remedies;
    }

    /** @param  array<string, Reflectance>  $beneath */
    private static function bestChange(SectionPrediction $prediction, array $beneath, Layer $layer): float
    {
        $best = 0.0;
        foreach ($layer->zones as $zone) {
            $made = $prediction->of($beneath[$zone->value], [$layer]);
            $best = max($best, $layer->technique->spec()->isDotted ? $prediction->contrast($layer, $made->rows[0]->cell($zone)) : $made->top()->cell($zone)->change);
        }

        return $best;
    }
}
