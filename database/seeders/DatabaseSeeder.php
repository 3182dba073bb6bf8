<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Bench\StartRun;
use App\Actions\Finish\SaveFinish;
use App\Actions\References\AddPicture;
use App\Actions\Shelf\EstimatePaint;
use App\Adapters\Bench\RunFinish;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Finish\MixRequest;
use App\Adapters\References\PictureColours;
use App\Adapters\References\PictureIntake;
use App\Devices\ColourReader;
use App\Http\Controllers\SignInController;
use App\Models\Bench\RunStepState;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\References\Picture;
use App\Models\References\PictureKind;
use App\Models\Shelf\Paint;
use Database\Demo\FigurePlans;
use Database\Demo\Photograph;
use Database\Demo\Sculpt\KeeperMaude;
use Database\Demo\SculptFigure;
use Hyalin\Colour\Bands;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\SpectralSum;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Mixing\MixSearch;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;
use Hyalin\Plan\PrintProcess;
use Hyalin\Pot\PotKind;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;

/**
 * The demo: The Lamp at Skerrow Ness, an invented world. Every number shown is computed from what stands in
 * database/demo; the mixes are found by the mix finder, the samples are taken from the pictures.
 *
 * @phpstan-import-type Plan from FigurePlans
 * @phpstan-import-type PlannedLayer from FigurePlans
 */
final class DatabaseSeeder extends Seeder
{
    /** Areas that are to be true metal. */
    private const METAL = ['Brass', 'Steel rim', 'Clapper'];

    public function run(EstimatePaint $estimate, SaveFinish $saveFinish, StartRun $startRun, Photograph $photograph): void
    {
        if (Painter::query()->where('email', SignInController::DEMO_EMAIL)->exists()) {
            return;
        }
        DB::transaction(function () use ($estimate, $saveFinish, $startRun, $photograph): void {
            $painter = Painter::query()->create([
                'name' => 'Ines Marrow',
                'email' => SignInController::DEMO_EMAIL,
                'password' => SignInController::DEMO_PASSWORD,
            ]);
            $pots = $this->stockShelf($painter, $estimate);
            foreach (FigurePlans::all() as $plan) {
                $figure = $this->begin($painter, $plan, $pots, $saveFinish);
                if ($plan['run'] > 0) {
                    $this->paint($figure, $plan['run'], $startRun);
                    $photograph($figure, 'Painted, LED lamp and grey card');
                }
                if ($plan['sculpt'] === KeeperMaude::class) {
                    (new SculptFigure($figure, KeeperMaude::class, true))->begin($figure);
                }
                if ($plan['copies'] > 1) {
                    $this->paintBatches($figure, $startRun);
                }
            }
        });
    }

    /** @return array<string, Paint> by name */
    private function stockShelf(Painter $painter, EstimatePaint $estimate): array
    {
        $pots = [];
        foreach ($this->rows(database_path('demo/shelf.csv')) as $position => $row) {
            $paint = new Paint([
                'position' => $position,
                'maker' => $row['maker'],
                'name' => $row['name'],
                'kind' => PotKind::from($row['kind']),
                'sheen' => Sheen::from($row['sheen']),
                'level_percent' => (int) $row['level'],
                'thick_hex' => $row['colour'],
                'opacity' => Opacity::from($row['opacity']),
                'strength' => TintingStrength::from($row['strength']),
                'flop_hex' => $row['name'] === 'Herring Shift' ? '#6a4f8c' : null,
                'note' => $row['note'] === '' ? null : $row['note'],
            ]);
            $optics = $row['measured'] === 'yes' ? $this->asIfMeasured($estimate($paint), $position) : $estimate($paint);
            $paint->fill(['absorption' => $optics->k, 'scattering' => $optics->s, 'quality' => $optics->quality]);
            $paint->painter_id = $painter->id;
            $paint->save();
            $pots[$paint->name] = $paint;
        }

        return $pots;
    }

    /**
     * Invented readings: no pot scatters quite as is estimated of its colour; with K/S as it was, so that the thick colour
     * stays.
     */
    private function asIfMeasured(PaintOptics $optics, int $position): PaintOptics
    {
        $power = 0.06 * ($position % 5);
        $k = $s = [];
        foreach ($optics->s as $band => $scattering) {
            $factor = (Bands::nanometres($band) / 550) ** -$power;
            $k[] = $optics->k[$band] * $factor;
            $s[] = $scattering * $factor;
        }

        return PaintOptics::of($k, $s, OpticsQuality::Measured);
    }

    /**
     * @param  Plan  $plan
     * @param  array<string, Paint>  $pots
     */
    private function begin(Painter $painter, array $plan, array $pots, SaveFinish $saveFinish): Figure
    {
        $figure = new Figure([
            'name' => $plan['name'],
            'sculptor' => 'Ondine Varga-Holt, Tallow Lane Figures',
            'height_mm' => $plan['heightMm'],
            'copies' => $plan['copies'],
            'about' => $plan['about'],
            'bare_hex' => $plan['bare'],
            'sheen' => Sheen::Satin,
        ]);
        $figure->painter_id = $painter->id;
        $figure->save();
        $picture = $this->hang($figure, $plan['picture']);
        $partIds = [];
        foreach ($plan['areas'] as $position => $planned) {
            $partIds[$planned['part']] ??= $figure->parts()->create([
                'name' => $planned['part'],
                'position' => count($partIds) + 1,
            ])->id;
            $area = new Area([
                'name' => $planned['name'],
                'wish' => $planned['wish'],
                'form' => in_array($planned['name'], self::METAL, true) ? AreaForm::Metal : AreaForm::Shaped,
                'part_id' => $partIds[$planned['part']],
                'position' => $position + 1,
                'depth' => $planned['depth'] ?? 0,
                'square_cm' => $planned['cm2'] ?? null,
                'lies_on_id' => isset($planned['liesOn']) ? $figure->areas()->where('name', $planned['liesOn'])->firstOrFail()->id : null,
            ]);
            $figure->areas()->save($area);
            $this->sample($area, $picture, $plan['picture']);
            if ($planned['layers'] !== []) {
                $saveFinish($area, $this->drafts($figure, $area, $planned['layers'], $pots));
            }
        }

        $this->build($figure, $plan, $partIds);

        return $figure;
    }

    /**
     * Parts as printed, joints, and where areas meet.
     *
     * @param  Plan  $plan
     * @param  array<string, int>  $partIds
     */
    private function build(Figure $figure, array $plan, array $partIds): void
    {
        foreach ($figure->parts()->get() as $part) {
            $part->update(['process' => PrintProcess::from($plan['process'] ?? 'resin'), 'is_base' => $part->name === ($plan['base'] ?? '')]);
        }
        $areaIds = $figure->areas()->pluck('id', 'name');
        foreach ($plan['joints'] ?? [] as [$a, $b, $hides]) {
            $figure->joints()->create(['part_id' => $partIds[$a], 'other_id' => $partIds[$b]])->hiddenAreas()->sync(array_map(static fn (string $name): mixed => $areaIds[$name], $hides));
        }
        foreach ($plan['boundaries'] ?? [] as [$a, $b, $mm, $curved]) {
            $figure->boundaries()->create(['area_id' => $areaIds[$a], 'other_id' => $areaIds[$b], 'mm' => $mm, 'is_curved' => $curved]);
        }
    }

    private function hang(Figure $figure, string $name): Picture
    {
        return (new AddPicture)(
            $figure,
            PictureIntake::of((string) file_get_contents(database_path("demo/pictures/{$name}.webp"))),
            "{$figure->name}, painted by the sculptor",
            PictureKind::OtherPiece,
        );
    }

    private function sample(Area $area, Picture $picture, string $name): void
    {
        /** @var array<string, array<string, array{float, float, float}>> $spots written by database/demo/render.php */
        $spots = json_decode((string) file_get_contents(database_path("demo/pictures/{$name}.spots.json")), true);
        $colours = PictureColours::of($picture);
        foreach ($spots[$area->name] ?? [] as $zone => [$x, $y, $radius]) {
            $area->samples()->create($colours->taken('spot', [[$x, $y], [$radius, 0.0]], Zone::from($zone)));
        }
    }

    /**
     * @param  list<PlannedLayer>  $layers
     * @param  array<string, Paint>  $pots
     * @return list<LayerDraft>
     */
    private function drafts(Figure $figure, Area $area, array $layers, array $pots): array
    {
        $drafts = [];
        foreach ($layers as $layer) {
            $mix = [];
            foreach ($layer['mix'] as $name => $drops) {
                $mix[] = [$pots[$name] ?? throw new RuntimeException("no pot {$name}"), $drops];
            }
            $drafts[] = new LayerDraft(
                Str::ulid()->toBase32(),
                $layer['technique'],
                $layer['zones'] ?? $layer['technique']->spec()->usualZones,
                $layer['thinner'] ?? $layer['technique']->spec()->usualThinner,
                $layer['coats'] ?? 1,
                // Until its mix is found a layer stands as a coat of the first pot.
                $mix ?: [[$pots['Chalk White'], 1]],
                $layer['note'] ?? null,
            );
        }
        // Twice: the second time each mix is found under the layers that will follow it.
        $found = [];
        foreach ([1, 2] as $_) {
            foreach ($layers as $i => $layer) {
                if (isset($layer['find'])) {
                    $known = array_filter($drafts, static fn (int $j): bool => $j <= $i || ! isset($layers[$j]['find']) || isset($found[$j]), ARRAY_FILTER_USE_KEY);
                    $drafts[$i] = $this->withMixFound($figure, $area, array_values($known), $drafts[$i], $layer['find'], $pots);
                    $found[$i] = true;
                }
            }
        }

        return array_values($drafts);
    }

    /**
     * @param  list<LayerDraft>  $drafts  the finish around the layer
     * @param  array<string, Paint>  $pots
     */
    private function withMixFound(Figure $figure, Area $area, array $drafts, LayerDraft $draft, Zone $zone, array $pots): LayerDraft
    {
        $mixable = MixRequest::potsFor($draft->technique, $pots);
        $sample = $area->samples()->where('zone', $zone)->first()
            ?? throw new RuntimeException("{$area->name} has no sample of the {$zone->value}");
        $index = (int) array_search($draft, $drafts, true);
        $request = MixRequest::of(FigureOptics::of($figure, $area), $drafts, $index, $zone, $sample->lab(), $mixable, 3)
            ?? throw new RuntimeException("layer {$index} of {$area->name} does not touch the {$zone->value}");
        $drops = [];
        foreach (MixSearch::provingUpTo(0)->find($request->optics, $request->task)->best()->drops as $place => $count) {
            $drops[] = [$mixable[$place], $count];
        }

        return new LayerDraft(
            $draft->key, $draft->technique, $draft->zones, $draft->thinner, $draft->coats, $drops, $draft->note,
        );
    }

    /** Two batches a season apart: the first finished and read, the second left in the middle two months ago. */
    private function paintBatches(Figure $figure, StartRun $startRun): void
    {
        $first = $startRun($figure) ?? throw new RuntimeException("{$figure->name} has no steps");
        $begun = now()->subDays(170);
        foreach ($first->steps()->get() as $n => $step) {
            $step->state = RunStepState::Done;
            $step->done_at = $begun->copy()->addHours(20 * intdiv($n, 4))->addMinutes(25 * $n);
            $step->used_minutes = $step->minutes + 3 * ($n % 5);
            $step->note = $step->technique === Technique::Wash ? 'Drew off the pools after a minute; they dry shiny.' : null;
            $step->save();
        }
        $first->update(['finished_at' => $begun->copy()->addDays(6)]);
        $first->load(['steps.areas', 'steps.parts']);
        foreach ($figure->areas()->with('layers.paints.paint')->get() as $area) {
            $drafts = RunFinish::of($area, $first);
            foreach ($drafts === [] ? [] : range(1, $first->copies) as $copy) {
                $seen = app(ColourReader::class)->readPiece($drafts, FigureOptics::of($figure, $area, Illuminant::D65), Zone::Mid, "{$first->id} {$area->id} {$copy}");
                $lab = SpectralSum::under(Illuminant::D65)->xyz($seen)->toLab();
                $first->readings()->create(['area_id' => $area->id, 'copy' => $copy, 'lightness' => $lab->lightness, 'a' => $lab->a, 'b' => $lab->b, 'method' => 'reader']);
            }
        }
        $second = $startRun($figure, $first) ?? throw new RuntimeException('a run with steps can be repeated');
        foreach ($second->steps()->limit(5)->get() as $n => $step) {
            $step->update(['state' => RunStepState::Done, 'done_at' => now()->subDays(64)->addMinutes(40 * $n), 'note' => $n === 4 ? 'Cup of green was thinner this time: two coats more.' : null]);
        }
    }

    /** A run of which some steps are done, the last of them a few minutes ago. */
    private function paint(Figure $figure, int $done, StartRun $startRun): void
    {
        $run = $startRun($figure) ?? throw new RuntimeException("{$figure->name} has no steps");
        foreach ($run->steps()->limit($done)->get() as $n => $step) {
            $step->state = RunStepState::Done;
            $step->done_at = now()->subMinutes(4 + 55 * ($done - 1 - $n));
            if ($step->technique === Technique::ZenithalSpray) {
                $step->note = 'From straight above, two short passes. Under the brim stays black.';
            }
            $step->save();
        }
    }

    /** @return list<array<string, string>> */
    private function rows(string $file): array
    {
        $handle = fopen($file, 'r') ?: throw new RuntimeException("{$file} cannot be read");
        $header = array_map(strval(...), fgetcsv($handle, escape: '') ?: []);
        $rows = [];
        while (is_array($row = fgetcsv($handle, escape: ''))) {
            $rows[] = array_combine($header, array_map(strval(...), $row));
        }
        fclose($handle);

        return $rows;
    }
}
