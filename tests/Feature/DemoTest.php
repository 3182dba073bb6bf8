<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Bench\ImportBench;
use App\Adapters\BenchFile\BenchReader;
use App\Adapters\BenchFile\BenchWriter;
use App\Adapters\BenchFile\Catalogue;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Http\Controllers\SignInController;
use App\Http\Props\Finish\SectionProps;
use App\Jobs\ProposeFigure;
use App\Jobs\ReadSheetPhoto;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Compare\LessonRecord;
use App\Models\Painter;
use App\Models\References\Sample;
use App\Models\Shelf\SwatchSheet;
use App\Models\Shelf\TechniqueHand;
use Database\Seeders\MidLifeSeeder;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Finish\Zone;
use Hyalin\Optics\OpticsQuality;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\Group;

/**
 * The demo keeps what it promises, as computed from its inputs.
 */
final class DemoTest extends TestCase
{
    public function test_the_demo_is_complete_seeded_once_and_comes_back_out_of_its_bench_file(): void
    {
        $this->openDemo();
        $this->seed();
        $this->assertComplete();
        $this->assertRoundTrip();
    }

    private function assertComplete(): void
    {
        $ines = Painter::query()->where('email', SignInController::DEMO_EMAIL)->sole();
        self::assertSame(100, $ines->paints()->count());
        self::assertGreaterThan(25, $ines->paints()->where('quality', OpticsQuality::Measured)->count());
        self::assertSame(4, $ines->figures()->count());
        $maude = $ines->figures()->firstOrFail();
        $areas = $maude->areas()->with(['layers.paints.paint', 'samples'])->get()->keyBy('name');
        self::assertCount(12, $areas);
        self::assertSame(7, $maude->parts()->count());
        $better = $zones = $shown = $layers = 0;
        foreach ($areas as $area) {
            $drafts = LayerDraft::stackOf($area);
            $section = SectionProps::predict($maude, $area, $drafts);
            // Painting brought the figure nearer to its reference than the primed figure was.
            $primed = SectionProps::predict($maude, $area, array_slice($drafts, 0, 2));
            foreach ($section->matches as $i => $match) {
                $zones++;
                $better += $match->difference < $primed->matches[$i]->difference ? 1 : 0;
            }
            foreach (array_slice($section->rows, 1) as $row) {
                $layers++;
                $shown += $row->shows ? 1 : 0;
            }
        }
        self::assertGreaterThan(0.9 * $zones, $better);
        self::assertGreaterThan(0.75 * $layers, $shown);
        // The heron's two whites stand apart, and the coat is the most chromatic of the figure.
        $mid = fn (string $name): \Hyalin\Colour\Lab => $this->top($maude, $areas->get($name) ?? self::fail("no {$name}"), Zone::Mid);
        self::assertGreaterThan(5, DifferenceFormula::Ciede2000->between($mid('Heron breast'), $mid('Heron wings')));
        foreach (['Jersey', 'Boots', 'Face and hands', 'Hair', 'Heron breast', 'Heron wings', 'Rock'] as $quiet) {
            self::assertGreaterThan($mid($quiet)->toLch()->chroma + 5, $mid('Oilskin')->toLch()->chroma);
        }
        // Samples come from the picture: evenly painted spots, told apart by their zones.
        foreach (Sample::query()->get() as $sample) {
            self::assertLessThan(8, $sample->spread, "{$sample->area_id} {$sample->zone->value}");
        }
    }

    /** The whole demo bench, out and in again for another painter: alike in every field. */
    private function assertRoundTrip(): void
    {
        $out = static function (Painter $painter): array {
            $path = (string) tempnam(sys_get_temp_dir(), 'demo');
            BenchWriter::write($path, $painter->refresh());

            return [$path, BenchReader::open($path)];
        };
        [$path, $file] = $out(Painter::query()->where('email', SignInController::DEMO_EMAIL)->sole());
        $other = Painter::factory()->create()->refresh();
        $counts = (new ImportBench)($other, $file);
        self::assertSame([4, 100], [$counts['figures'], $counts['paints']]);
        self::assertGreaterThan(60, $counts['run_steps']);
        [$second, $again] = $out($other);
        foreach (Catalogue::all() as $type) {
            $name = Str::camel($type->table);
            self::assertEquals($file->records($name), $again->records($name), $name);
        }
        unlink($path);
        unlink($second);
    }

    private function top(Figure $figure, Area $area, Zone $zone): \Hyalin\Colour\Lab
    {
        return FigureOptics::of($figure)->section(LayerDraft::stackOf($area))->top()->cell($zone)->seen;
    }

    #[Group('sculpted')]
    public function test_the_demo_opens_in_the_middle_of_its_life(): void
    {
        Queue::fake();
        config(['queue.default' => 'database']);
        $this->openDemo();
        $painter = Painter::query()->where('email', SignInController::DEMO_EMAIL)->firstOrFail();
        // Another suite may have seeded it a while ago; only a demo that was just made is brought into its middle.
        $painter->created_at = now();
        $painter->save();
        $this->seed(MidLifeSeeder::class);
        $this->actingAs($painter);
        // Computed, not typed: the hand is that behind the simulated reader, the cup holds what the layer is mixed of.
        $hand = TechniqueHand::query()->where('technique', 'base coat')->sole();
        self::assertEqualsWithDelta(1.25, $hand->thickness, 3 * $hand->thickness_deviation + 0.05);
        $this->get('/cups')->assertInertia(fn (AssertableInertia $page) => $page->count('cups', 2));
        $this->get('/schedule')->assertInertia(fn (AssertableInertia $page) => $page->where('schedule.missed', fn (mixed $n): bool => is_int($n) && $n > 0)->has('schedule.sessions.0'));
        self::assertSame(2, $painter->timers()->where('ends_at', '>', now())->count());
        Queue::assertPushed(ReadSheetPhoto::class, 1);
        Queue::assertPushed(ProposeFigure::class, 1);
        self::assertSame(24, SwatchSheet::query()->withCount('fields')->sole()->getAttribute('fields_count'));
        // Once: not again at the next start, nor for a painter who has begun.
        $this->seed(MidLifeSeeder::class);
        self::assertSame(2, $painter->cups()->count());
        $figures = $painter->figures()->get()->keyBy('name')->all();
        $sentries = $figures['Six reed sentries'];
        $this->assertHistory($sentries);
        self::assertTrue($figures['The Tide Bell']->is_stopped);
        foreach ($figures as $figure) {
            // Sculpted soundly: without holes, every part turned the right way round.
            foreach ($figure->meshes()->get() as $mesh) {
                self::assertSame([0, 0], [$mesh->measures['openEdges'], $mesh->measures['inconsistentEdges']], "{$figure->name}, {$mesh->title}");
                self::assertGreaterThan(0.0, $mesh->measures['volumeMm3']);
            }
        }
        // A figure without a colour is told so at once.
        $bare = $this->figure($painter);
        $this->area($bare);
        $this->postJson("/figures/{$bare->id}/proposal-searches")->assertUnprocessable()->assertJsonPath('errors.figure.0', fn (string $words): bool => str_contains($words, 'take some from a reference'));
    }

    /** A finished run as its painter left it: photos on the way, what was really mixed, a figure that stands out, a lesson, a version. */
    private function assertHistory(Figure $sentries): void
    {
        $run = $sentries->runs()->orderBy('number')->firstOrFail();
        $photos = $sentries->pictures()->whereNotNull('run_step_id')->get();
        self::assertCount(3, $photos);
        $last = $photos->last() ?? self::fail('no photo');
        self::assertGreaterThan(6, $last->findings()->count());
        self::assertSame(1, $run->steps()->whereNotNull('used_mix')->count());
        self::assertSame($run->id, $sentries->versions()->sole()->run_id);
        self::assertSame(1, LessonRecord::query()->where('picture_id', $last->id)->count());
        $this->get("/runs/{$run->id}/pieces")->assertInertia(fn (AssertableInertia $page) => $page->where('areas', static fn (Collection $areas): bool => collect($areas->all())->where('area', 'Cloak')->pluck('outlier')->all() === [4]));
    }
}
