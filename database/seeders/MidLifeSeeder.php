<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Bench\PlanSessions;
use App\Actions\Bench\StartRun;
use App\Actions\Cups\FillCup;
use App\Actions\Shelf\FitHand;
use App\Adapters\LostTask;
use App\Adapters\Order\Hindrances;
use App\Devices\ColourReader;
use App\Http\Controllers\SignInController;
use App\Jobs\ProposeFigure;
use App\Jobs\ReadSheetPhoto;
use App\Jobs\Turn;
use App\Models\Bench\RunStepState;
use App\Models\Brief\Figure;
use App\Models\Cups\CupAct;
use App\Models\Cups\CupRecord;
use App\Models\Finish\LayerRecord;
use App\Models\Painter;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\Paint;
use App\Models\Shelf\SwatchSheet;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Database\Demo\FigurePlans;
use Database\Demo\SculptFigure;
use Database\Demo\SentriesHistory;
use Hyalin\Finish\Technique;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Sheet\SheetLayout;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * The demo in the middle of its life, times relative to its first start: a hand that is calibrated, cups open, a mask and glue waiting,
 * sessions planned of which one was missed, a swatch sheet that was photographed, and finishes proposed for the figure that has none.
 * What takes long is left to the queue worker. Only bin/demo asks for it; a painter who has begun is left alone.
 */
final class MidLifeSeeder extends Seeder
{
    private const JUST_MADE_MINUTES = 15;

    private const MISSED_DAYS = 4;

    /** Technique, pot, card, coats of the chips that the hand is learnt from. */
    private const CHIPS = [
        [Technique::BaseCoat, 'Kelp Brown', 0.035, 1], [Technique::BaseCoat, 'Kelp Brown', 0.88, 1], [Technique::BaseCoat, 'Lamp Ochre', 0.035, 1], [Technique::BaseCoat, 'Lamp Ochre', 0.88, 2],
        [Technique::Wash, 'Wet Slate', 0.88, 1], [Technique::Wash, 'Wet Slate', 0.035, 1],
    ];

    /** Area of Keeper Maude whose mix stands in a cup, batches of it, and mL used. */
    private const CUPS = [['Oilskin', 3, 0.25], ['Jersey', 2, 0.1]];

    public function run(): void
    {
        $painter = Painter::query()->where('email', SignInController::DEMO_EMAIL)->first();
        if ($painter !== null) {
            $this->sculptAgain($painter);
        }
        if ($painter === null || $painter->created_at < now()->subMinutes(self::JUST_MADE_MINUTES) || $painter->cups()->exists() || $painter->schedule()->exists()) {
            return;
        }
        DB::transaction(function () use ($painter): void {
            $this->calibrate($painter);
            $this->fillCups($painter);
            $this->wait($painter);
            $this->plan($painter);
            app(SentriesHistory::class)($this->figure($painter, 'Six reed sentries'));
            $this->sand($this->figure($painter, 'The Tide Bell'));
            $this->print($painter);
        });
        // Without a worker there is nobody to do it later.
        if (config('queue.default') !== 'sync') {
            $this->photographSheet($painter);
            $this->propose($painter);
        }
    }

    private function calibrate(Painter $painter): void
    {
        $techniques = [];
        foreach (self::CHIPS as [$technique, $name, $card, $coats]) {
            $pot = $painter->paints()->where('name', $name)->firstOrFail();
            $chip = new ChipRecord([
                'technique' => $technique, 'paint_id' => $pot->id, 'thinner' => 0.0, 'coats' => $coats, 'card' => $card,
                'read' => app(ColourReader::class)->readChip($pot, $technique, 0.0, $coats, $card)->values,
            ]);
            $chip->painter_id = $painter->id;
            $chip->save();
            $techniques[$technique->value] = $technique;
        }
        foreach ($techniques as $technique) {
            app(FitHand::class)($painter, $technique);
        }
    }

    private function fillCups(Painter $painter): void
    {
        $figure = $this->figure($painter, 'Keeper Maude of Skerrow Ness');
        foreach (self::CUPS as [$name, $batches, $used]) {
            $area = $figure->areas()->where('name', $name)->with('layers.paints.paint')->firstOrFail();
            $layer = $area->layers->sortByDesc(static fn (LayerRecord $l): int => $l->paints->count())->first();
            $cup = new CupRecord(['name' => "{$name}, {$layer?->technique->value}", 'area_id' => $area->id]);
            $cup->painter_id = $painter->id;
            $cup->save();
            foreach ($layer->paints ?? [] as $drops) {
                app(FillCup::class)($cup, Str::ulid()->toBase32(), CupAct::Add, $drops->paint, FillCup::drops($batches * $drops->drops, $drops->paint));
            }
            app(FillCup::class)($cup, Str::ulid()->toBase32(), CupAct::Use, null, $used);
        }
    }

    private function wait(Painter $painter): void
    {
        foreach (['mask of the lantern may come off' => 25, 'glue of the heron has set' => 140] as $what => $minutes) {
            $painter->timers()->create(['key' => Str::ulid()->toBase32(), 'what' => $what, 'ends_at' => now()->addMinutes($minutes)]);
        }
    }

    /** Planned some days ago: the session since then was missed. */
    private function plan(Painter $painter): void
    {
        $painter->bench_exceptions = [now()->addDays(9)->toDateString() => null];
        $painter->save();
        app(PlanSessions::class)($painter, $painter->figures()->get(), now()->subDays(self::MISSED_DAYS)->toImmutable());
    }

    /** The bell is in its sanding rounds, with a plan that cannot be painted yet. */
    private function sand(Figure $figure): void
    {
        $run = app(StartRun::class)($figure) ?? throw new RuntimeException("{$figure->name} has no steps");
        $rounds = $run->steps()->where('words', 'like', '%sand%')->limit(2)->get();
        foreach ($rounds as $n => $step) {
            $step->update(['state' => RunStepState::Done, 'done_at' => now()->subHours(50 - 26 * $n), 'used_minutes' => $step->minutes + 20 - 5 * $n, 'note' => $n === 0 ? 'Four rounds of filler primer until no line showed against the lamp.' : null]);
        }
        Hindrances::of($figure);
    }

    /** What was to be sculpted and was not, as the demo was ended meanwhile. */
    private function sculptAgain(Painter $painter): void
    {
        foreach (FigurePlans::all() as $plan) {
            $figure = $painter->figures()->where('name', $plan['name'])->whereDoesntHave('meshes')->first();
            $task = $figure === null ? null : Task::query()->where('figure_id', $figure->id)->where('kind', TaskKind::Sculpt)->latest('id')->first();
            if ($figure !== null && $task !== null) {
                LostTask::tell($task);
                if ($task->state === TaskState::Failed) {
                    (new SculptFigure($figure, $plan['sculpt'], true))->begin($figure);
                }
            }
        }
    }

    private function print(Painter $painter): void
    {
        if (config('queue.default') !== 'sync') {
            $this->command->getOutput()->writeln('The figures are sculpted and lit while the demo is served: about three minutes.', OutputInterface::VERBOSITY_QUIET);
        }
        foreach (FigurePlans::all() as $plan) {
            $figure = $this->figure($painter, $plan['name']);
            if (! $figure->meshes()->exists() && Task::ofFigure($figure) === null) {
                (new SculptFigure($figure, $plan['sculpt'], false))->begin($figure);
            }
        }
    }

    private function photographSheet(Painter $painter): void
    {
        $white = $painter->paints()->where('name', 'Chalk White')->firstOrFail();
        $pots = $painter->paints()->where('quality', OpticsQuality::Estimated)->get()->filter(static fn (Paint $p): bool => $p->pot()->isMixed())->take(SheetLayout::mostFields() - 1);
        $sheet = new SwatchSheet(['white_id' => $white->id]);
        $sheet->painter_id = $painter->id;
        $sheet->save();
        $sheet->fields()->createMany(array_map(static fn (int $position, Paint $pot): array => ['position' => $position, 'paint_id' => $pot->id], range(0, $pots->count()), [$white, ...$pots->values()->all()]));
        ReadSheetPhoto::ask($sheet);
    }

    private function propose(Painter $painter): void
    {
        $task = Task::ask(TaskKind::Finishes, $painter->id, $this->figure($painter, 'The Moth Regent')->id, ['brushOnly' => false, 'mostPots' => null, 'only' => null]);
        ProposeFigure::dispatch($task)->onQueue(Turn::LONG);
    }

    private function figure(Painter $painter, string $name): Figure
    {
        return $painter->figures()->where('name', $name)->firstOrFail();
    }
}
