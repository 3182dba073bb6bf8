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

    /** @param  list<Remedy>  $remedies  smallest change first; none when it shows, or when only another mix would */
    private function __construct(
        public bool $shows,
        public float $largestChange,
        public ?Zone $mostIn,
        public array $remedies,
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
        $row = $section->rows[$index + 1];
        $change = $row->largestChange();
        $most = null;
        foreach ($row->cells as $cell) {
            if ($cell->touched && $cell->change >= $change) {
                $most = $cell->zone;
            }
        }
        // A varnish is there to protect and to set the sheen: it need not be seen.
        if ($change >= $threshold || $layers[$index]->technique->spec()->setsSheen) {
            return new self(true, $change, $most, []);
        }
        $beneath = array_map(static fn (SectionCell $c): Reflectance => $c->inside, $section->rows[$index]->cells);

        return new self(false, $change, $most, self::remedies($prediction, $beneath, $layers[$index], $threshold));
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
            $best = max($best, $prediction->of($beneath[$zone->value], [$layer])->top()->cell($zone)->change);
        }

        return $best;
    }
}
