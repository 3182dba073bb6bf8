<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Brief\StageProps;
use App\Models\Brief\Figure;
use App\Models\References\Picture;
use App\Models\References\Sample;
use Hyalin\Finish\Zone;
use Illuminate\Http\UploadedFile;
use Inertia\Testing\AssertableInertia;
use Tests\Support\PaintedFigure;

/**
 * From a picture to the first session.
 */
final class GuideTest extends TestCase
{
    public function test_the_areas_of_a_picture_are_proposed_and_kept_with_their_colours(): void
    {
        [$figure, $picture] = $this->pictured();
        $found = $this->getJson("/figures/{$figure->id}/pictures/{$picture->id}/areas")->assertOk()->json();
        self::assertIsArray($found);
        self::assertGreaterThan(3, count($found));
        self::assertSame(count($found), collect($found)->unique('name')->count());
        $at = "/figures/{$figure->id}/pictures/{$picture->id}/areas";
        // Nothing is kept of what is not understood.
        $this->postJson($at, ['areas' => [['name' => 'Coat', 'places' => [0]], ['name' => 'coat', 'places' => [1]]]])->assertUnprocessable();
        $this->postJson($at, ['areas' => [['name' => 'Coat', 'places' => [0]], ['name' => ['x' => 1], 'places' => [1]]]])->assertUnprocessable()->assertJsonValidationErrorFor('areas.1.name');
        $this->postJson($at, ['areas' => [['name' => 'Coat', 'places' => [23]]]])->assertUnprocessable()->assertJsonPath('errors.areas.0', 'The picture has changed meanwhile: propose again.');
        self::assertSame(0, $figure->areas()->count());
        $this->postJson($at, ['areas' => [['name' => 'Coat', 'places' => [0, 1]], ['name' => ' Cloak ', 'places' => [2]]]])->assertCreated()->assertJson(['new' => 2]);
        self::assertSame(['Coat', 'Cloak'], $figure->areas()->pluck('name')->all());
        foreach ($figure->areas()->with('samples')->get() as $area) {
            $lightness = $area->samples->sortBy(static fn (Sample $s): int => array_search($s->zone, Zone::cases(), true) ?: 0)->map(static fn (Sample $s): float => $s->lightness)->values()->all();
            foreach (array_slice($lightness, 1) as $n => $l) {
                // Each a spot of the picture: two light tones may lie near each other.
                self::assertGreaterThan($lightness[$n] - 3, $l, $area->name);
            }
            self::assertSame([$picture->id], $area->samples->pluck('picture_id')->unique()->values()->all());
        }
        // One that is there gets what it lacks, and keeps what it has.
        $cloak = $figure->areas()->where('name', 'Cloak')->firstOrFail();
        $kept = $cloak->samples()->where('zone', Zone::Mid)->sole();
        $cloak->samples()->where('zone', Zone::Edge)->delete();
        $this->postJson($at, ['areas' => [['name' => 'cloak', 'places' => [1]]]])->assertCreated()->assertJson(['new' => 0]);
        self::assertSame(5, $cloak->samples()->count());
        self::assertEquals($kept->lightness, $cloak->samples()->where('zone', Zone::Mid)->sole()->lightness);
    }

    public function test_the_guide_names_the_next_act_wherever_one_is_and_can_be_left(): void
    {
        $this->post('/figures', ['name' => 'Lamp keeper', 'isGuided' => true])->assertRedirect();
        $figure = Figure::query()->latest('id')->firstOrFail();
        self::assertSame([1, 'Add a picture'], $this->next($figure));
        $this->upload($figure);
        self::assertSame([2, 'Propose areas'], $this->next($figure));
        $area = $this->area($figure);
        self::assertSame([3, 'Choose colours'], $this->next($figure));
        $this->sample($area, 'mid', '#a03020');
        self::assertSame([4, 'Fill the shelf'], $this->next($figure));
        $pot = $this->pot('Brick', '#a03020');
        $this->get('/shelf')->assertInertia(fn (AssertableInertia $page) => $page->where('guided.guide.acts.0.label', 'Propose finishes'));
        self::assertSame([4, 'Propose finishes'], $this->next($figure));
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['version' => 1, 'layers' => [$this->layer($pot)]])->assertOk();
        self::assertSame([5, 'Start to paint'], $this->next($figure));
        $this->putJson("/figures/{$figure->id}/guide", ['on' => false])->assertOk();
        $this->get("/figures/{$figure->id}/order")->assertInertia(fn (AssertableInertia $page) => $page->where('figure.guide', null));
        $this->putJson("/figures/{$figure->id}/guide", ['on' => true])->assertOk();
        $this->post("/figures/{$figure->id}/runs")->assertRedirect();
        $this->get("/figures/{$figure->id}/order")->assertInertia(fn (AssertableInertia $page) => $page->where('figure.guide', null)->where('figure.isGuided', true));
        $this->get('/shelf')->assertInertia(fn (AssertableInertia $page) => $page->where('guided', null));
    }

    public function test_a_stage_says_what_is_missing_there(): void
    {
        $figure = $this->figure();
        $states = static fn (): array => array_map(static fn (StageProps $s): string => $s->state, FigureProps::of($figure, 'Brief')->stages);
        self::assertSame(['no areas yet', '0 pictures', 'no areas yet', 'no print file', 'nothing to order'], array_slice($states(), 0, 5));
        $this->sample($this->area($figure), 'mid', '#a03020');
        $this->area($figure, 'Hat');
        self::assertSame(['1 area without a colour', '2 areas without a finish'], array_slice($states(), 1, 2));
    }

    /** @return array{int, string} step and usual act */
    private function next(Figure $figure): array
    {
        $guide = FigureProps::of($figure->refresh(), 'Brief')->guide ?? self::fail('no guide');
        if (! $guide->acts[0]->isPost) {
            $this->get($guide->acts[0]->url)->assertOk();
        }

        return [$guide->step, $guide->acts[0]->label];
    }

    /** @return array{Figure, Picture} */
    private function pictured(): array
    {
        $figure = $this->figure();
        $this->upload($figure);

        return [$figure, $figure->pictures()->sole()];
    }

    private function upload(Figure $figure): void
    {
        $painted = PaintedFigure::of(103);
        $image = imagecreatetruecolor(PaintedFigure::WIDTH, PaintedFigure::HEIGHT);
        foreach ($painted->packed as $p => $code) {
            imagesetpixel($image, $p % PaintedFigure::WIDTH, intdiv($p, PaintedFigure::WIDTH), $code);
        }
        ob_start();
        imagepng($image);
        $this->post("/figures/{$figure->id}/pictures", ['picture' => UploadedFile::fake()->createWithContent('figure.png', (string) ob_get_clean())])->assertCreated();
    }
}
