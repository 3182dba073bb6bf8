<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\ProposalShelf;
use App\Http\Props\DropsProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Proposals\Proposal;
use Hyalin\Matching\Proposals\ProposalKind;

/**
 * A complete finish that could be painted.
 */
final readonly class ProposalProps
{
    /**
     * @param  list<LayerProps>  $layers
     * @param  list<bool>  $grown  by layer: its cup is that of the layer before with drops added
     * @param  float  $total  mean CIEDE2000 over the zones
     * @param  list<DropsProps>  $pots  each once, with how many drops of it there are in all
     * @param  int  $minutes  at the bench, an estimate
     * @param  list<string>  $lacks  what it cannot reach, in words
     * @param  list<string>  $runningOut  pots that are nearly empty, in words
     */
    public function __construct(
        public ProposalKind $kind,
        public array $layers,
        public array $grown,
        public SectionProps $section,
        public float $total,
        public float $worst,
        public int $cups,
        public array $pots,
        public int $minutes,
        public array $lacks,
        public array $runningOut,
    ) {
    }

    public static function of(Figure $figure, Area $area, ProposalShelf $shelf, Proposal $proposal): self
    {
        $drafts = array_map($shelf->draft(...), $proposal->layers);
        $pots = [];
        foreach ($proposal->layers as $layer) {
            foreach ($layer->drops as $place => $drops) {
                $pots[$place] = ($pots[$place] ?? 0) + $drops;
            }
        }
        $lacks = [];
        foreach ($proposal->lacks as $zone => $wanted) {
            $lacks[] = "{$zone}: ".(self::isTooDark($figure, $area, $zone) ? 'darker than '.FigureOptics::sheen($figure, $area)->value.' can be' : implode(', ', $wanted));
        }

        // The headline is that of the section below it.
        $section = SectionProps::predict($figure, $area, $drafts);
        [$total, $worst] = self::missed($area, $section);

        return new self(
            $proposal->kind,
            array_map(LayerProps::of(...), $drafts),
            array_map(static fn ($layer): bool => $layer->grown, $proposal->layers),
            section: $section,
            total: $total,
            worst: $worst,
            cups: $proposal->cups(),
            pots: array_values(array_map(static fn (int $place, int $drops): DropsProps => DropsProps::of($shelf->pots[$place], $drops), array_keys($pots), $pots)),
            minutes: $proposal->minutes(),
            lacks: $lacks,
            runningOut: self::runningOut($shelf, array_keys($pots)),
        );
    }

    private static function isTooDark(Figure $figure, Area $area, string $zone): bool
    {
        $sample = $area->samples->firstWhere('zone', Zone::from($zone));

        return $sample !== null && $sample->lightness < FigureOptics::sheen($figure, $area)->darkest();
    }

    /** @return array{float, float} CIEDE2000 on average over the zones that the area has, and the worst */
    private static function missed(Area $area, SectionProps $section): array
    {
        $sum = $of = $worst = 0.0;
        foreach ($section->matches as $match) {
            if (in_array($match->zone, $area->form->zones(), true)) {
                $sum += $match->zone->usualShare() * $match->difference;
                $of += $match->zone->usualShare();
                $worst = max($worst, $match->difference);
            }
        }

        return [$of > 0 ? $sum / $of : 0.0, $worst];
    }

    /**
     * @param  list<int>  $places
     * @return list<string> pots that are nearly empty, with what is left of them
     */
    private static function runningOut(ProposalShelf $shelf, array $places): array
    {
        $low = [];
        foreach ($places as $place) {
            $pot = $shelf->pots[$place];
            if ($pot->isNearlyEmpty()) {
                $low[] = $pot->leftWords();
            }
        }

        return $low;
    }
}
