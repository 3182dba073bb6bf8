<?php

declare(strict_types=1);

namespace Tests\Bench;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Practice;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Neutral\ChartFit;
use Hyalin\Matching\Neutral\ChartPatches;
use Hyalin\Matching\Proposals\FigureProposals;
use Hyalin\Matching\Proposals\PotRole;
use Hyalin\Matching\Proposals\ProposalKind;
use Hyalin\Matching\Proposals\ProposalSearch;
use Hyalin\Matching\Proposals\ShelfPot;
use Hyalin\Matching\Sampling\Palette;
use Hyalin\Mixing\Quick\QuickMixSearch;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\InventedShelf;

/**
 * Proposals, as ratios to one mix search on the same shelf; pictures by the million pixels.
 */
final class MatchBench
{
    private const POTS = 90;

    private const AREAS = 12;

    public function run(): void
    {
        $shelf = self::shelf();
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Satin));
        $start = $prediction->start(Reflectance::flat(0.25));
        $ramps = self::ramps();
        $mix = new Sample;
        $area = new Sample;
        $areas = [];
        $optics = array_map(static fn (ShelfPot $p): PaintOptics => $p->optics, $shelf);
        foreach ($ramps as $n => $ramp) {
            $mix->time(static fn () => QuickMixSearch::find($optics, MixTask::of($ramp['mid'] ?? Lab::of(50, 0, 0), Placement::masstone())));
            $area->time(static fn () => (new ProposalSearch($prediction, $start, $shelf, $ramp))->find(ProposalKind::cases()));
            $areas["a{$n}"] = [$start, $ramp, new Practice, AreaForm::Shaped];
        }
        printf(
            "proposals of five kinds for one area, %d pots, seed 2027, %d ramps: median %.0f ms, %.1f times one mix search (%.0f ms)\n",
            self::POTS,
            self::AREAS,
            $area->median(),
            $area->median() / $mix->median(),
            $mix->median(),
        );
        $figure = new Sample;
        $found = $figure->time(static fn () => FigureProposals::find($prediction, $shelf, $areas, ProposalKind::cases(), null));
        $pots = [];
        foreach ($found as $proposal) {
            $pots += array_flip($proposal->pots());
        }
        printf(
            "proposals for a figure of %d areas that share pots: %.1f s, %.1f times its areas alone; %d pots in all, peak %d MB\n",
            self::AREAS,
            $figure->median() / 1000,
            $figure->median() / ($area->median() * self::AREAS),
            count($pots),
            (int) (memory_get_peak_usage() / 1e6),
        );
        self::pictures();
    }

    private static function pictures(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $pixels = [];
        for ($i = 0; $i < 500_000; $i++) {
            $pixels[] = $random->getInt(0, 255) << 16 | $random->getInt(0, 255) << 8 | $random->getInt(0, 255);
        }
        $palette = new Sample;
        $palette->time(static fn () => Palette::of($pixels, 8));
        $fit = ChartFit::of(array_map(static fn (Lab $lab): array => $lab->toXyz()->toSrgb()->linear(), ChartPatches::underD65()));
        $corrected = new Sample;
        $corrected->time(static function () use ($fit, $pixels): float {
            $sum = 0.0;
            foreach (array_slice($pixels, 0, 100_000) as $p) {
                $sum += $fit->corrected([($p >> 16) / 255, (($p >> 8) & 255) / 255, ($p & 255) / 255])[0];
            }

            return $sum;
        });
        printf("palette of 500,000 pixels of noise, the hardest case: %.0f ms; chart correction of 100,000 colours: %.0f ms\n", $palette->median(), $corrected->median());
    }

    /** @return list<ShelfPot> */
    private static function shelf(): array
    {
        $pots = [];
        foreach (['#1f1f1f', '#f0f0ee'] as $hex) {
            $pots[] = new ShelfPot(PaintEstimate::fromColour(Srgb::hex($hex), Opacity::OneCoat, TintingStrength::Usual), PotRole::Primer);
        }
        foreach ((new InventedShelf(2027))->paints(self::POTS - 2) as $i => $paint) {
            $pots[] = new ShelfPot($paint, $i % 5 === 0 ? PotRole::Translucent : PotRole::Covering);
        }

        return $pots;
    }

    /** @return list<non-empty-array<string, Lab>> ramps of any hue, from dark to light */
    private static function ramps(): array
    {
        $random = new Randomizer(new Mt19937(2027));
        $ramps = [];
        for ($n = 0; $n < self::AREAS; $n++) {
            $hue = deg2rad($random->getInt(0, 359));
            $chroma = $random->getInt(5, 45);
            $ramp = [];
            foreach (Zone::cases() as $zone) {
                $lightness = 25 + 14 * $zone->index();
                $ramp[$zone->value] = Lab::of($lightness, $chroma * cos($hue), $chroma * sin($hue));
            }
            $ramps[] = $ramp;
        }

        return $ramps;
    }
}
