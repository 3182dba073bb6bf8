<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Devices\SheetScene;
use Closure;
use Hyalin\Bench\BenchScheduler;
use Hyalin\Bench\Quantity;
use Hyalin\Bench\ScheduleTask;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Cup\Cup;
use Hyalin\Cup\Steering;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Doubt\DoubtfulLayer;
use Hyalin\Finish\Doubt\FinishDoubt;
use Hyalin\Finish\Doubt\Ingredient;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Practice;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SettingSearch;
use Hyalin\Finish\Technique;
use Hyalin\Finish\UndercoatAdvice;
use Hyalin\Finish\Zone;
use Hyalin\Light\Glow;
use Hyalin\Light\LightStudy;
use Hyalin\Light\NozzleSpray;
use Hyalin\Light\Sky;
use Hyalin\Light\ZoneMap;
use Hyalin\Matching\Comparison\ComparedColours;
use Hyalin\Matching\Comparison\Consistency;
use Hyalin\Matching\Comparison\Departure;
use Hyalin\Matching\Comparison\TouchUp;
use Hyalin\Matching\Neutral\ChartFit;
use Hyalin\Matching\Neutral\ChartPatches;
use Hyalin\Matching\Neutral\GreyPatch;
use Hyalin\Matching\Proposals\FigureProposals;
use Hyalin\Matching\Proposals\PotRole;
use Hyalin\Matching\Proposals\ProposalKind;
use Hyalin\Matching\Proposals\ShelfPot;
use Hyalin\Matching\Sampling\ColourAreas;
use Hyalin\Matching\Sampling\Palette;
use Hyalin\Matching\Sampling\SampleStatistics;
use Hyalin\Measuring\Chip;
use Hyalin\Measuring\HandFit;
use Hyalin\Measuring\PotMeasurement;
use Hyalin\Measuring\ReadSpectrum;
use Hyalin\Measuring\SwatchReadings;
use Hyalin\Measuring\TintReading;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\Borders;
use Hyalin\Mesh\Curvature;
use Hyalin\Mesh\Division;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\PrintFindings;
use Hyalin\Mesh\Regions;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mixing\ExhaustiveMixSearch;
use Hyalin\Mixing\Quick\QuickMixSearch;
use Hyalin\Mixing\ShelfReach;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Mixing\ZonesMixSearch;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\OpticsSpread;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Order\Masking\MaskOrder;
use Hyalin\Order\Masking\MaskOrderTask;
use Hyalin\Order\OrderPlanner;
use Hyalin\Plan\AreaPlan;
use Hyalin\Plan\BoundaryPlan;
use Hyalin\Plan\FigurePlan;
use Hyalin\Plan\LayerPlan;
use Hyalin\Plan\PartPlan;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\Chemistry;
use Hyalin\Sheet\Place;
use Hyalin\Sheet\SheetLayout;
use Hyalin\Sheet\SheetReading;
use Hyalin\Sheet\SheetSearch;
use Hyalin\Training\MixGuess;
use Hyalin\Training\Shades;
use LogicException;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What the core is asked, by name: each question draws its input from a seed and answers a value. The same seed is the same question.
 */
final class Questions
{
    /** @var array<int, list<PaintOptics>> by seed */
    private static array $shelves = [];

    /** @var array<int, string> photos of sheets by seed */
    private static array $photos = [];

    /** @return array<string, Closure(int): mixed> */
    public static function all(): array
    {
        return [
            'order of a figure' => self::order(...),
            'order of areas' => self::areas(...),
            'schedule' => self::schedule(...),
            'quantities' => self::quantities(...),
            'mixes' => self::mixes(...),
            'one mix for zones' => self::zones(...),
            'reach of a shelf' => self::reach(...),
            'finish' => self::finish(...),
            'remedies' => self::remedies(...),
            'proposals' => self::proposals(...),
            'photo of the piece' => self::compared(...),
            'pot measured' => self::pot(...),
            'hand measured' => self::hand(...),
            'cup steered' => self::cup(...),
            'picture' => self::picture(...),
            'sheet' => self::sheet(...),
            'light' => self::light(...),
            'areas of a mesh' => self::mesh(...),
            'exercises' => self::training(...),
        ];
    }

    /** @return string of all bits of an answer */
    public static function bits(mixed $answer): string
    {
        return md5(serialize($answer));
    }

    /** Six parts, borders of all lengths, some of them curved tightly enough for masking fluid. */
    private static function order(int $seed): mixed
    {
        $random = new Randomizer(new Mt19937($seed));
        $parts = $areas = $boundaries = [];
        $count = $random->getInt(7, 11);
        for ($n = 0; $n < $count; $n++) {
            $parts[$n % 3] = new PartPlan('p'.$n % 3, 'Part', PrintProcess::Resin);
            $layers = [];
            foreach ([StepKind::Prime, StepKind::Spray, StepKind::Brush, StepKind::Wash, StepKind::Varnish] as $i => $kind) {
                $layers[] = new LayerPlan("l{$n}-{$i}", $kind, 'layer', Chemistry::Acrylic, 10, 30, 1440, 'water', sheen: $i === 4 ? 'matt' : null, isOverFluid: $i === 2 && $random->getInt(0, 4) === 0);
            }
            $areas[] = new AreaPlan("a{$n}", "Area {$n}", 'p'.$n % 3, $n % 3, $random->getInt(2, 400) / 10, $layers);
            for ($m = 0; $m < $n; $m += $random->getInt(1, 3)) {
                $boundaries[] = new BoundaryPlan("a{$n}", "a{$m}", $random->getInt(30, 1500) / 10, $random->getInt(0, 1) === 1);
            }
        }
        $figure = FigurePlan::of(array_values($parts), $areas, [], $boundaries);
        $plan = OrderPlanner::plan($figure);
        $ids = array_map(static fn ($step): string => (string) $step->id, $plan->steps);

        return [$plan, OrderPlanner::judge($figure, array_reverse($ids))];
    }

    private static function areas(int $seed): mixed
    {
        $random = new Randomizer(new Mt19937($seed));
        $areas = $boundaries = [];
        for ($i = 0; $i < 12; $i++) {
            $areas[] = ["a{$i}", $random->getInt(0, 2) > 0, $random->getInt(0, 50) / 10];
            for ($j = 0; $j < $i; $j++) {
                if ($random->getInt(0, 99) < 35) {
                    $boundaries[] = ["a{$i}", "a{$j}", (float) $random->getInt(5, 120), $random->getInt(1, 4) / 20];
                }
            }
        }

        return MaskOrder::find(MaskOrderTask::of($areas, $boundaries, [['a0', 'a7'], ['a3', 'a9']], [['a2', 'a1', 4.0]]));
    }

    private static function schedule(int $seed): mixed
    {
        $random = new Randomizer(new Mt19937($seed));
        $steps = $lags = [];
        for ($n = 0; $n < 16; $n++) {
            $steps[] = ["s{$n}", (float) $random->getInt(5, 45), $random->getInt(0, 9) === 0];
            if ($n > 0) {
                $lags[] = ['s'.$random->getInt(max(0, $n - 6), $n - 1), "s{$n}", (float) $random->getInt(0, 90), null];
            }
        }

        return BenchScheduler::lay(ScheduleTask::of($steps, $lags, array_map(static fn (int $day): array => [1440.0 * $day, 150.0], range(0, 29))));
    }

    private static function quantities(int $seed): mixed
    {
        $random = new Randomizer(new Mt19937($seed));
        $need = Quantity::of($random->getInt(1, 900) / 10, 40.0, 0.35, $random->getInt(1, 4), $random->getInt(1, 20), 2.0, $random->getInt(0, 30) / 10, $random->getInt(5, 20) / 10);

        return [$need, $need->drops([4, 1, 1]), $need->drops([7]), $need->paintMillilitres()];
    }

    private static function mixes(int $seed): mixed
    {
        $paints = self::paints($seed);
        $task = MixTask::of(self::lab($seed), $seed % 2 === 0 ? Placement::masstone() : InventedShelf::filmOverGrey());

        return [QuickMixSearch::find($paints, $task), ExhaustiveMixSearch::find(array_slice($paints, 0, 5), $task)];
    }

    private static function zones(int $seed): mixed
    {
        $tasks = [];
        foreach ([0.2, 0.35, 0.6] as $n => $beneath) {
            $tasks[] = [MixTask::of(self::lab($seed), Placement::over(Reflectance::flat($beneath), FilmThickness::coats(1.0))), 1.0 + $n];
        }

        return ZonesMixSearch::find(self::paints($seed), $tasks);
    }

    private static function reach(int $seed): mixed
    {
        $reach = ShelfReach::of(self::paints($seed), InventedShelf::filmOverGrey());

        return [$reach, $reach->nearest(self::lab($seed)), ShelfReach::doubles(self::paints($seed), [Placement::masstone()], 9.0)];
    }

    private static function finish(int $seed): mixed
    {
        [$prediction, $layers] = self::layered($seed);
        $start = $prediction->start(Reflectance::flat(0.3));
        $stack = array_map(static fn (Layer $layer, int $n): DoubtfulLayer => new DoubtfulLayer($layer, [new Ingredient("pot {$n}", $layer->mix, 1.0, OpticsSpread::usual(OpticsQuality::Estimated))]), $layers, array_keys($layers));

        return [$prediction->onTop($start, $layers), FinishDoubt::of($prediction, $start, $stack)];
    }

    private static function remedies(int $seed): mixed
    {
        [$prediction, $layers] = self::layered($seed);

        return [
            UndercoatAdvice::compare($prediction, ['black' => Reflectance::flat(0.04), 'white' => Reflectance::flat(0.9)], array_slice($layers, 0, 3), Zone::Mid, self::lab($seed)),
            SettingSearch::find($prediction, $prediction->start(Reflectance::flat(0.3)), $layers, 1, Zone::Light, self::lab($seed)),
        ];
    }

    private static function proposals(int $seed): mixed
    {
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Satin));
        $start = $prediction->start(Reflectance::flat(0.25));
        $ramp = [];
        foreach (Zone::cases() as $zone) {
            $ramp[$zone->value] = Lab::of(25 + 14 * $zone->index(), ($seed * 7) % 40 - 20, ($seed * 13) % 60 - 20);
        }

        return FigureProposals::find($prediction, array_slice(self::pots($seed), 0, 12), ['a' => [$start, $ramp, new Practice, AreaForm::Shaped]], array_slice(ProposalKind::cases(), $seed % 2, 2), null);
    }

    private static function compared(int $seed): mixed
    {
        [$prediction, $layers] = self::layered($seed);
        $row = $prediction->onTop($prediction->start(Reflectance::flat(0.3)), $layers)->top();
        $random = new Randomizer(new Mt19937($seed));
        $pieces = array_map(static fn (): Lab => Lab::of($random->getInt(400, 600) / 10, $random->getInt(-100, 100) / 10, $random->getInt(-100, 100) / 10), range(1, 7));

        return [
            ComparedColours::of($pieces[0], $pieces[1]),
            Consistency::of($pieces),
            Departure::of($layers, $row, Zone::Mid, $pieces[0]),
            TouchUp::find($prediction, $row, self::pots($seed), ['mid' => $pieces[0], 'light' => $pieces[1]], 3.0),
        ];
    }

    private static function pot(int $seed): mixed
    {
        $random = new Randomizer(new Mt19937($seed));
        [$paint, $white] = [self::paints($seed)[0], self::paints($seed)[3]];
        $noisy = static fn (Reflectance $r): ReadSpectrum => ReadSpectrum::of(Reflectance::of(array_map(static fn (float $v): float => min(1.0, max(0.0, $v + $random->getInt(-20, 20) / 10_000)), $r->values)), 0.002);
        $black = Reflectance::flat(0.05);
        $card = Reflectance::flat(0.85);
        $film = static fn (Reflectance $under): Reflectance => $paint->filmOver($under, FilmThickness::coats(1.1));
        $tint = PaintOptics::mixed([[$paint, 1.0], [$white, 4.0]]);

        return PotMeasurement::solve(SwatchReadings::of($noisy($film($black)), $noisy($film($card)), $black, $card, null, [new TintReading($noisy($tint->masstone()), $white)], 0.15));
    }

    private static function hand(int $seed): mixed
    {
        $random = new Randomizer(new Mt19937($seed));
        $chips = [];
        foreach (array_slice(self::paints($seed), 0, 4) as $i => $paint) {
            $card = Reflectance::flat($i % 2 === 0 ? 0.88 : 0.035);
            $read = $paint->scaled(0.5)->filmOver($card, FilmThickness::coats($random->getInt(60, 150) / 100));
            $chips[] = new Chip($paint->scaled(0.5), $card, 1, $read, "pot {$i}", OpticsSpread::usual(OpticsQuality::Measured));
        }

        return HandFit::of($chips, false);
    }

    private static function cup(int $seed): mixed
    {
        $shelf = array_combine(array_map(static fn (int $n): string => "pot {$n}", range(0, 11)), array_slice(self::paints($seed), 0, 12));
        $cup = Cup::empty()->adding('pot 1', 0.15)->adding('pot 4', 0.05 * (1 + $seed % 4))->using(0.07);
        $steering = new Steering($shelf, self::lab($seed), Surface::of(Sheen::Matt));

        return [$steering->of($cup), $steering->withRoom($cup), $cup->nearestRecipe()];
    }

    private static function picture(int $seed): mixed
    {
        $random = new Randomizer(new Mt19937($seed));
        $pixels = [];
        for ($i = 0; $i < 60 * 60; $i++) {
            $base = [0x806030, 0x304880, 0x509040, 0x707070][intdiv($i, 60) < 30 ? ($i % 60 < 30 ? 0 : 1) : ($i % 60 < 30 ? 2 : 3)];
            $pixels[] = min(255, ($base >> 16) + $random->getInt(0, 30)) << 16 | min(255, (($base >> 8) & 255) + $random->getInt(0, 30)) << 8 | min(255, ($base & 255) + $random->getInt(0, 30));
        }
        $grey = GreyPatch::of(SampleStatistics::of([0x707070, 0x717170, 0x70706F]), 0.18);
        $chart = ChartFit::of(array_map(static fn (Lab $lab): array => array_map(static fn (float $v): float => $v * $random->getInt(97, 103) / 100, $lab->toXyz()->toSrgb()->linear()), ChartPatches::underD65()));

        return [Palette::of($pixels, 6, $grey), SampleStatistics::of($pixels, $chart), ColourAreas::of(60, $pixels, $grey)];
    }

    private static function sheet(int $seed): mixed
    {
        $scene = new SheetScene(1000, 750, share: 0.9, tilt: 0.05, card: $seed % 2 === 0 ? 'chart' : 'grey', seed: $seed);
        self::$photos[$seed] ??= SheetPhotos::jpeg(1 + $seed % 50, $scene, SheetPhotos::painted());
        [$photo, $small] = SheetPhotos::photos(self::$photos[$seed]);
        $found = SheetSearch::in($photo, $small);

        return [$found, SheetReading::of($photo, $found, SheetLayout::of(12), [7 => Place::cases()], 0.18, static fn () => null)];
    }

    private static function light(int $seed): mixed
    {
        $mesh = Shapes::both(Shapes::ball(10.0 + $seed % 7, 8, atZ: 24.0), Shapes::ball(5.0, 5, atZ: 42.0));
        $measures = MeshMeasures::of($mesh);
        $sky = Sky::around([0.0, 0.0, 1.0]);
        $study = LightStudy::of($mesh, $measures, $sky->directions, coarser: 9.0);

        return [$measures, $study, ZoneMap::studied($study, $sky, $mesh->size()), Glow::ofVertices($mesh, [[30.0, 0.0, 20.0, 1.0]], 4.0), NozzleSpray::ofVertices($mesh, [60.0, 0.0, 40.0], [0.0, 0.0, 24.0], 20.0)];
    }

    private static function mesh(int $seed): mixed
    {
        $mesh = Shapes::both(Shapes::ball(10.0 + $seed % 7, 20, atZ: 20.0), Shapes::box(8.0 + $seed % 5, 6.0, 4.0, 4));
        $edges = Adjacency::of($mesh);
        $regions = Regions::proposed($mesh, $edges, 30.0, 2.0);
        $surface = SurfaceGraph::of($mesh);
        $division = Division::of($surface, Curvature::ofVertices($mesh, null, $mesh), ZoneMap::tip($mesh->size()));
        $count = $mesh->vertices();

        return [$regions, Borders::of($mesh, $edges, $regions), $division->proposed(), $division->seeded([0 => 0, intdiv($count, 3) => 1, intdiv($count, 2) => 2]), PrintFindings::of($mesh, MeshMeasures::of($mesh), 1.0)];
    }

    private static function training(int $seed): mixed
    {
        $paints = self::paints($seed);
        $random = new Randomizer(new Mt19937($seed));
        $mix = new MixGuess(['a' => $paints[0], 'b' => $paints[1], 'c' => $paints[3]], Surface::of(Sheen::Matt));
        $colours = array_map(static fn (PaintOptics $p): Lab => SheetPhotos::lab(Surface::of(Sheen::Matt)->seen($p->masstone())), array_slice($paints, 0, 9));

        return [$mix->drawn(6, $random), $mix->trail(['a', 'b', 'b', 'c'], self::lab($seed)), Shades::pair($colours, 4.0, $random)];
    }

    /** @return array{SectionPrediction, non-empty-list<Layer>} */
    private static function layered(int $seed): array
    {
        $layers = [];
        foreach (array_slice(self::paints($seed), 0, 5) as $i => $paint) {
            $technique = Technique::cases()[($seed + $i) % 9];
            $layers[] = Layer::of($technique, $paint, 0.5, 1 + $i % 2, $technique->spec()->usualZones);
        }

        return [SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Satin)), $layers ?: throw new LogicException('an invented shelf has paints')];
    }

    /** @return list<ShelfPot> */
    private static function pots(int $seed): array
    {
        $pots = [];
        foreach (self::paints($seed) as $i => $paint) {
            $pots[] = new ShelfPot($paint, match (true) {
                $i % 10 === 3 => PotRole::Primer,
                $i % 5 === 0 => PotRole::Translucent,
                default => PotRole::Covering,
            });
        }

        return $pots;
    }

    /** @return list<PaintOptics> */
    private static function paints(int $seed): array
    {
        return self::$shelves[$seed] ??= (new InventedShelf($seed))->paints(24);
    }

    private static function lab(int $seed): Lab
    {
        $random = new Randomizer(new Mt19937(1000 + $seed));

        return Lab::of($random->getInt(200, 850) / 10, $random->getInt(-300, 400) / 10, $random->getInt(-300, 500) / 10);
    }
}
