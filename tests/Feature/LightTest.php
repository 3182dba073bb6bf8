<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Light\AssembledFigure;
use App\Adapters\Light\MeshStore;
use App\Adapters\Light\SharedShadows;
use App\Jobs\ComputeLight;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use App\Models\References\PictureKind;
use App\Models\TaskState;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\Pose;
use Hyalin\Light\Sky;
use Hyalin\Light\Visibility;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\Shapes;

/**
 * Print files of a figure, the light on them, and what order and quantities get from it.
 */
final class LightTest extends TestCase
{
    public function test_print_files_are_measured_posed_and_taken_off(): void
    {
        $figure = $this->figure();
        $part = $figure->parts()->create(['name' => 'Body', 'position' => 1]);
        $this->get("/figures/{$figure->id}/light")->assertInertia(fn (AssertableInertia $page) => $page->component('light/index')->where('light.lighting', null)->where('light.dataUrl', null)->count('meshes', 0));
        $mesh = $this->printFile($figure, StlWriter::write(Shapes::box(20.0, 30.0, 40.0)), $part->id);
        $mesh->assertJsonPath('triangles', 12)->assertJsonPath('openEdges', 0)->assertJsonPath('unitMm', 1);
        self::assertEqualsWithDelta([20.0, 30.0, 40.0], $mesh->json('sizeMm'), 1e-4);
        self::assertEqualsWithDelta(52.0, $mesh->json('areaCm2'), 1e-4);
        // Two units high: hardly millimetres.
        $this->printFile($figure, StlWriter::write(Shapes::box(1.0, 1.0, 2.0)))->assertJsonPath('unitMm', 25.4);
        $id = $mesh->json('id');
        self::assertIsInt($id);
        $this->patchJson(
            "/figures/{$figure->id}/meshes/{$id}",
            ['move' => [1, 2, 3], 'mirror' => true, 'unitMm' => 10],
        )->assertOk()->assertJsonPath('mirror', true)->assertJsonPath('areaCm2', fn (float $v): bool => abs($v - 5200.0) < 0.01);
        $this->patchJson("/figures/{$figure->id}/meshes/{$id}", ['unitMm' => 0])->assertUnprocessable();
        $files = count(Storage::disk('local')->allFiles('meshes'));
        $this->deleteJson("/figures/{$figure->id}/meshes/{$id}")->assertOk();
        self::assertSame([1, $files - 3], [$figure->meshes()->count(), count(Storage::disk('local')->allFiles('meshes'))]);
    }

    public function test_the_files_of_a_deleted_figure_are_deleted_with_it(): void
    {
        $files = static fn (): array => array_values(array_filter(Storage::disk('local')->allFiles(), is_string(...)));
        $before = $files();
        [$figure] = $this->still();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $image = imagecreatetruecolor(40, 30);
        imagefilledrectangle($image, 0, 0, 39, 29, 0x808080);
        ob_start();
        imagepng($image);
        $png = (string) ob_get_clean();
        $picture = $this->post("/figures/{$figure->id}/pictures", ['picture' => UploadedFile::fake()->createWithContent('a.png', $png)], ['Accept' => 'application/json'])->assertCreated()->json('id');
        self::assertIsInt($picture);
        // Neutralised, its drawing is kept beside it.
        $this->putJson("/figures/{$figure->id}/pictures/{$picture}/neutral", ['method' => 'grey', 'points' => [[0.2, 0.2], [0.8, 0.2], [0.8, 0.8], [0.2, 0.8]], 'reflectance' => 0.18])->assertOk();
        $this->get("/figures/{$figure->id}/pictures/{$picture}/image?neutral=1")->assertOk();
        // Another figure's files stay.
        $other = $this->printFile($this->figure(), StlWriter::write(Shapes::box(5.0, 5.0, 5.0)))->json('id');
        self::assertIsInt($other);
        $kept = FigureMesh::query()->findOrFail($other)->path;
        self::assertGreaterThan(6, count(array_diff($files(), $before)));
        $this->delete("/figures/{$figure->id}")->assertRedirect('/');
        $left = array_diff($files(), $before);
        self::assertNotSame([], $left);
        foreach ($left as $path) {
            self::assertSame($kept, substr($path, 0, strlen($kept)));
        }
    }

    public function test_light_is_computed_weighed_anew_and_tells_order_and_quantities(): void
    {
        [$figure, $table, $ball] = $this->still();
        $this->postJson("/figures/{$this->figure()->id}/light")->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $page = fn (): AssertableInertia => AssertableInertia::fromTestResponse($this->get("/figures/{$figure->id}/light")->assertOk());
        $page()->where('light.lighting.state', 'done')->where('light.isStale', false)->where('light.lighting.problem', null);
        $light = LightRecord::query()->sole();
        $lit = [];
        foreach ($light->result['areas'] ?? [] as $area) {
            $lit[$area['areaId']] = $area;
            self::assertEqualsWithDelta(1.0, array_sum($area['shares']), 1e-9);
        }
        // A part with one area is that area; a ball of 10 mm has 12.57 cm2 and gets a quarter of narrow spray.
        self::assertEqualsWithDelta(12.57, $lit[$ball->id]['cm2'], 0.1);
        self::assertEqualsWithDelta(0.25, $lit[$ball->id]['exposure'], 0.03);
        self::assertEqualsWithDelta(2 * 4.0 + 4 * 20.0 * 2.0 / 100, $lit[$table->id]['cm2'], 0.1);

        // A wider cone, within what was computed: no queue.
        Queue::fake();
        $narrow = $lit[$table->id]['exposure'];
        $this->putJson("/figures/{$figure->id}/light", ['spray' => 'zenithal spray', 'spread' => 60])->assertOk()->assertJsonPath('sprays.0.spread', 60);
        Queue::assertNothingPushed();
        $wide = array_column($light->refresh()->result['areas'] ?? [], 'exposure', 'areaId');
        self::assertNotEqualsWithDelta($narrow, $wide[$table->id], 1e-6);
        // A ball of 10 mm bends by 0.1 per mm: no edge for the usual strength, and all of its open side with four times that.
        $edge = static fn (): float => array_column($light->refresh()->result['areas'] ?? [], 'shares', 'areaId')[$ball->id][4] ?? 0.0;
        self::assertSame(0.0, $edge());
        $this->putJson("/figures/{$figure->id}/light", ['edges' => 4])->assertOk()->assertJsonPath('edges', 4);
        Queue::assertNothingPushed();
        self::assertGreaterThan(0.5, $edge());
        $this->putJson("/figures/{$figure->id}/light", ['edges' => 1, 'grooves' => 2])->assertOk()->assertJsonPath('grooves', 2);
        self::assertSame(0.0, $edge());
        $this->putJson("/figures/{$figure->id}/light", ['edges' => 9])->assertUnprocessable();
        $this->putJson("/figures/{$figure->id}/light", ['spray' => 'zenithal spray', 'spread' => 91])->assertUnprocessable();
        $this->putJson("/figures/{$figure->id}/light", ['spray' => 'base coat', 'spread' => 10])->assertUnprocessable();
        $this->putJson("/figures/{$figure->id}/light", ['up' => 'y'])->assertOk()->assertJsonPath('isStale', true);
        $this->putJson("/figures/{$figure->id}/light", ['up' => 'w'])->assertUnprocessable();

        // Half of the ball becomes another area by brush: there is a border now, as long as a circle.
        $cap = $this->area($figure, 'Cap');
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0, 40], 'tool' => 'brush', 'size' => 14.2, 'areaId' => $cap->id])->assertOk()->assertJsonPath('isMeasured', false)->assertJsonMissingPath('borders');
        // The brush does not measure: the next page that reads the numbers does.
        $this->getJson("/figures/{$figure->id}/light/shown")->assertOk()->assertJsonPath('isMeasured', true)->assertJsonCount(1, 'borders');
        $borders = $light->refresh()->result['borders'] ?? [];
        self::assertCount(1, $borders);
        self::assertEqualsWithDelta(2 * M_PI * 10.0, $borders[0]['mm'], 4.0);
        self::assertTrue($borders[0]['isCurved']);
        $this->postJson("/figures/{$figure->id}/light/measures")->assertOk();
        self::assertEqualsWithDelta(6.3, $cap->refresh()->square_cm, 0.5);
        self::assertEqualsWithDelta(1.0, array_sum($cap->zone_shares ?? []), 1e-3);
        // Quantities calculates with them: a zone the cap hardly has takes hardly any paint.
        self::assertEqualsWithDelta($cap->zone_shares[0] ?? null, $cap->share(Zone::Recess), 1e-9);
        self::assertGreaterThan($cap->share(Zone::Recess), $cap->share(Zone::Light));
        self::assertEqualsWithDelta($borders[0]['mm'], $figure->boundaries()->sole()->mm, 0.1);
        // The ball shines: its own side is lit, the table below it is, what lies behind the table is not.
        $glow = array_values((array) unpack('C*', (string) gzdecode((string) $this->get("/figures/{$figure->id}/light/glow/{$ball->id}")->assertOk()->getContent())));
        self::assertGreaterThan(40, max([0, ...array_filter($glow, is_int(...))]));
        self::assertContains(0, $glow);
        $this->get("/figures/{$figure->id}/light/glow/{$this->area($figure, 'Nothing')->id}")->assertNotFound();
        // A whole piece, and nothing at all.
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0, 40], 'tool' => 'piece', 'size' => 1, 'areaId' => $ball->id])->assertOk();
        self::assertSame([], $this->measured($figure)->result['borders'] ?? null);
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [8, 8, 0], 'tool' => 'crease', 'size' => 8, 'areaId' => null])->assertOk();
        self::assertLessThan(8.0, array_column($this->measured($figure)->result['areas'] ?? [], 'cm2', 'areaId')[$table->id]);
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0], 'tool' => 'piece', 'size' => 1])->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0, 0], 'tool' => 'piece', 'size' => 1, 'areaId' => 9999])->assertUnprocessable();
    }

    public function test_a_part_is_set_on_another_by_its_faces_and_turned_there(): void
    {
        $figure = $this->figure();
        foreach (['Body' => Shapes::box(10.0, 10.0, 20.0, 3), 'Head' => Pose::of([60.0, 5.0, 3.0], [0.7, 0.1, 0.0, 1.0])->applied(Shapes::box(4.0, 6.0, 5.0, 3))] as $name => $mesh) {
            $this->printFile($figure, StlWriter::write($mesh), $figure->parts()->create(['name' => $name, 'position' => 1])->id);
        }
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        [$body, $head] = $figure->meshes()->reorder('id')->get()->all();
        // The middle of the head's own top: where its file has it.
        $top = Pose::of([60.0, 5.0, 3.0], [0.7, 0.1, 0.0, 1.0])->place([2.0, 3.0, 5.0]);
        $join = "/figures/{$figure->id}/meshes/join";
        $this->postJson($join, ['part' => $body->id, 'at' => [5, 5, 20], 'onto' => $body->id, 'ontoAt' => [5, 5, 0]])->assertUnprocessable()->assertJsonPath(
            'errors.onto.0',
            fn (string $words): bool => str_contains($words, 'glued to'),
        );
        $this->postJson($join, ['part' => $head->id, 'at' => $top, 'onto' => $body->id, 'ontoAt' => [5, 5, 20]])->assertOk()->assertJsonPath('mesh.isJoined', true)->assertJsonPath('mesh.ontoId', $body->id);
        $light = LightRecord::query()->sole();
        self::assertTrue(AssembledFigure::isStale($figure, $light));
        $bounds = static fn (): array => MeshMeasures::of(AssembledFigure::of($figure, $light)->mesh ?? Shapes::box(1.0, 1.0, 1.0))->boundsMm;
        self::assertEqualsWithDelta([[0.0, 0.0, 0.0], [10.0, 10.0, 25.0]], $bounds(), 1e-3);
        $this->postJson("/figures/{$figure->id}/meshes/{$head->id}/turn", ['degrees' => 45])->assertOk();
        self::assertEqualsWithDelta([[0.0, 0.0, 0.0], [10.0, 10.0, 25.0]], $bounds(), 1e-3);
        $this->postJson("/figures/{$figure->id}/meshes/{$head->id}/turn", ['degrees' => 200])->assertUnprocessable();
        // A part that stands by itself has no joint to be turned at, nor one that was taken off.
        $this->postJson("/figures/{$figure->id}/meshes/{$body->id}/turn", ['degrees' => 45])->assertUnprocessable()->assertJsonPath(
            'errors.degrees.0',
            fn (string $words): bool => str_contains($words, 'face to face'),
        );
        // What stands on a part goes with it; every act is taken back, and done again.
        $this->patchJson("/figures/{$figure->id}/meshes/{$body->id}", ['turnBy' => ['axis' => 'x', 'degrees' => 90]])->assertOk();
        self::assertEqualsWithDelta([[0.0, -10.0, 5.0], [10.0, 15.0, 15.0]], $bounds(), 1e-3);
        $this->patchJson("/figures/{$figure->id}/meshes/{$head->id}", ['detach' => true])->assertOk()->assertJsonPath('isJoined', false);
        $this->postJson("/figures/{$figure->id}/meshes/{$head->id}/turn", ['degrees' => 45])->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/meshes/undo")->assertOk();
        $this->postJson("/figures/{$figure->id}/meshes/undo")->assertOk();
        self::assertEqualsWithDelta([[0.0, 0.0, 0.0], [10.0, 10.0, 25.0]], $bounds(), 1e-3);
        $this->postJson("/figures/{$figure->id}/meshes/redo")->assertOk();
        self::assertEqualsWithDelta(15.0, $bounds()[1][2], 1e-3);
        $this->postJson("/figures/{$figure->id}/meshes/undo")->assertOk();
        self::assertSame($body->id, $head->refresh()->onto_id);
        // Neither has a peg.
        $this->postJson("/figures/{$figure->id}/meshes/fit")->assertUnprocessable()->assertJsonPath('errors.parts.0', fn (string $words): bool => str_contains($words, 'No peg'));
        // It looks down in its file: sprayed apart as it is there, its light sits on the wrong side. That is said.
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $apart = $this->getJson("/figures/{$figure->id}/light/shown")->json('apart');
        self::assertIsArray($apart);
        self::assertCount(1, $apart);
        self::assertStringContainsString('of its light on the wrong side', is_string($apart[0]) ? $apart[0] : '');
    }

    /** Laws of a border that moves: grown by r a disc has pi r2 more and the ring, shrunk again it is itself. */
    #[Group('sculpted')]
    public function test_areas_are_grown_shrunk_mirrored_and_drawn_around(): void
    {
        config(['hyalin.light_coarser' => 2.0]);
        $figure = $this->figure();
        $this->printFile($figure, StlWriter::write(Shapes::box(40.0, 40.0, 4.0, 40)));
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $spot = $this->area($figure, 'Spot');
        $url = "/figures/{$figure->id}/light/areas";
        $this->postJson($url, ['at' => [10, 20, 4], 'tool' => 'brush', 'size' => 5, 'areaId' => $spot->id])->assertOk();
        $cm2 = fn (?Area $of = null): float => array_column($this->measured($figure)->result['areas'] ?? [], 'cm2', 'areaId')[($of ?? $spot)->id] ?? 0.0;
        // A brush wider than the plate is thick touches one side of it.
        self::assertEqualsWithDelta(M_PI * 25 / 100, $first = $cm2(), 0.1);
        $this->postJson("{$url}/grow", ['areaId' => $spot->id, 'mm' => 3])->assertOk();
        // Ways along edges are a little longer than as the crow flies.
        self::assertEqualsWithDelta(M_PI * 64 / 100, $cm2(), 0.35);
        self::assertGreaterThan($first + 0.6, $cm2());
        $this->postJson("{$url}/grow", ['areaId' => $spot->id, 'mm' => -3])->assertOk();
        self::assertEqualsWithDelta($first, $cm2(), 0.25);
        $first = $cm2();
        $this->postJson("{$url}/mirror", ['areaId' => $spot->id])->assertOk();
        self::assertEqualsWithDelta(2 * $first, $cm2(), 0.15);
        $other = $this->area($figure, 'Other');
        $this->postJson("{$url}/lasso", ['points' => [[18, 4, 4], [30, 4, 4], [30, 12, 4], [18, 12, 4]], 'areaId' => $other->id])->assertOk();
        self::assertEqualsWithDelta(0.96, $cm2($other), 0.25);
        // The other side of the strip between them is bare, and nothing is across from a side face but a side face.
        $bare = $this->area($figure, 'Bare');
        foreach ([['grow', ['areaId' => $bare->id, 'mm' => 1]], ['mirror', ['areaId' => $bare->id]], ['lasso', ['points' => [[1, 1, 4], [2, 1, 4]], 'areaId' => $other->id]], ['lasso', ['points' => [[1, 1, 4], [1, 1, 4], [1, 1, 4]], 'areaId' => $other->id]], ['grow', ['areaId' => $other->id, 'mm' => 0]], ['mirror', ['areaId' => 9999]]] as [$what, $body]) {
            $this->postJson("{$url}/{$what}", $body)->assertUnprocessable();
        }
        // What was chosen is not divided among others; refused, it is no act: what was taken back before can be done again.
        $lasso = $cm2();
        $this->postJson($url, ['at' => [18, 8, 4], 'tool' => 'piece', 'size' => 1, 'areaId' => $spot->id])->assertOk();
        $whole = $cm2();
        $this->postJson($url, ['at' => [4, 4, 4], 'tool' => 'brush', 'size' => 2, 'areaId' => $other->id])->assertOk();
        $this->postJson("{$url}/undo")->assertOk();
        $this->postJson("{$url}/divide", ['seeds' => [['at' => [4, 4, 4], 'areaId' => $other->id], ['at' => [36, 36, 4], 'areaId' => $bare->id]]])
            ->assertUnprocessable()->assertJsonPath('errors.seeds.0', fn (string $words): bool => str_contains($words, 'chosen for other areas'));
        self::assertSame($whole, $cm2());
        $this->postJson("{$url}/redo")->assertOk();
        $this->postJson("{$url}/undo")->assertOk();
        $this->postJson("{$url}/undo")->assertOk();
        self::assertSame($lasso, $cm2());
    }

    public function test_an_area_is_a_gradient_and_a_spray_comes_from_near_by(): void
    {
        $figure = $this->figure();
        $part = $figure->parts()->create(['name' => 'Arm', 'position' => 1]);
        $this->printFile($figure, StlWriter::write(Shapes::box(10.0, 10.0, 40.0, 16)), $part->id);
        $arm = $this->area($figure, 'Arm');
        $arm->update(['part_id' => $part->id]);
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $shares = static fn (): array => array_column(LightRecord::query()->sole()->result['areas'] ?? [], 'shares', 'areaId')[$arm->id];
        $depths = $shares();
        $url = "/figures/{$figure->id}/light/areas/{$arm->id}/gradient";
        // A box of 10 x 10 x 40 has 400 mm2 of wall a fifth, and its ends more: root, middle and tip are sure by hand.
        $this->putJson($url, ['isGradient' => true])->assertOk()->assertJsonPath('areas.0.gradient.to.2', fn (float|int $z): bool => abs($z - 40) < 0.1);
        self::assertEqualsWithDelta([420 / 1800, 320 / 1800, 320 / 1800, 320 / 1800, 420 / 1800], $shares(), 0.02);
        self::assertSame(AreaForm::Gradient, $arm->refresh()->form);
        $this->putJson($url, ['isGradient' => true, 'along' => 'side'])->assertOk();
        self::assertEqualsWithDelta(0.0, $arm->refresh()->gradient['from'][2] ?? 1.0, 1e-6);
        // Between two points: beyond the tip all is tip.
        $this->putJson($url, ['isGradient' => true, 'from' => [5, 5, 0], 'to' => [5, 5, 20]])->assertOk();
        self::assertEqualsWithDelta((100 + 24 * 40) / 1800, $shares()[4], 0.03);
        foreach ([['isGradient' => true, 'from' => [1, 2, 3], 'to' => [1, 2, 3]], ['isGradient' => true, 'from' => [1, 2, 3]], ['from' => [1, 2, 3], 'to' => [1, 2, 4]]] as $wrong) {
            $this->putJson($url, $wrong)->assertUnprocessable();
        }
        $this->putJson($url, ['isGradient' => false])->assertOk()->assertJsonPath('areas.0.gradient', null);
        self::assertEqualsWithDelta($depths, $shares(), 1e-9);

        $exposure = static fn (): float => array_column(LightRecord::query()->sole()->result['areas'] ?? [], 'exposure', 'areaId')[$arm->id];
        $settings = "/figures/{$figure->id}/light";
        $this->putJson($settings, ['spray' => 'zenithal spray', 'spread' => 90])->assertOk();
        $everywhere = $exposure();
        // The top alone is seen from straight above near by, and it alone gets paint: 100 of 1800 mm2.
        $this->putJson($settings, ['spray' => 'zenithal spray', 'distance' => 80, 'aim' => [5, 5, 40]])->assertOk()->assertJsonPath('sprays.0.distance', 80)->assertJsonPath('sprays.0.aim.2', 40);
        self::assertEqualsWithDelta(100 / 1800, $exposure(), 0.02);
        $this->putJson($settings, ['spray' => 'zenithal spray', 'distance' => 5])->assertUnprocessable();
        $this->putJson($settings, ['spray' => 'zenithal spray', 'distance' => null, 'aim' => null])->assertOk()->assertJsonPath('sprays.0.distance', null)->assertJsonPath('sprays.0.aim', null);
        self::assertEqualsWithDelta($everywhere, $exposure(), 1e-9);
        // Its top lies level: no gradient upwards. What the mesh does not show yet may become one, from its foot up.
        $top = $this->area($figure, 'Top');
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [5, 5, 40], 'tool' => 'crease', 'size' => 2, 'areaId' => $top->id])->assertOk();
        $url = "/figures/{$figure->id}/light/areas/{$top->id}/gradient";
        $this->putJson($url, ['isGradient' => true])->assertUnprocessable()->assertJsonPath('errors.along.0', fn (string $words): bool => str_contains($words, 'no extent'));
        self::assertSame(AreaForm::Shaped, $top->refresh()->form);
        $this->putJson($url, ['isGradient' => true, 'along' => 'front'])->assertOk()->assertJsonPath('areas.1.isGradient', true);
        $later = $this->area($figure, 'Later');
        $this->putJson("/figures/{$figure->id}/light/areas/{$later->id}/gradient", ['isGradient' => true, 'along' => 'side'])->assertUnprocessable();
        $this->putJson("/figures/{$figure->id}/light/areas/{$later->id}/gradient", ['isGradient' => true])->assertOk();
    }

    /** Two processes measure at once: the slower one began before the area became a gradient. */
    public function test_a_gradient_that_is_set_while_areas_are_measured_is_not_lost(): void
    {
        $figure = $this->figure();
        $this->printFile($figure, StlWriter::write(Shapes::box(10.0, 10.0, 20.0, 4)));
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $area = $this->area($figure, 'Blade');
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [5, 5, 20], 'tool' => 'piece', 'size' => 1, 'areaId' => $area->id])->assertOk();
        LightRecord::updating(static function (LightRecord $light) use ($area): void {
            if ($light->isDirty('result') && $area->form !== AreaForm::Gradient) {
                $area->update(['form' => AreaForm::Gradient]);
            }
        });
        try {
            self::assertArrayHasKey('gradient', $this->measured($figure)->result['areas'][0] ?? []);
        } finally {
            LightRecord::flushEventListeners();
        }
        self::assertSame(AreaForm::Gradient, $area->form);
        // Whatever else sets a form, its numbers are not called those of now.
        $area->update(['form' => AreaForm::Shaped]);
        self::assertArrayNotHasKey('gradient', $this->measured($figure)->result['areas'][0] ?? ['gradient' => 'nothing measured']);
    }

    /** A helper brings what this process would have found itself, bit by bit; together they know what one alone knows. */
    public function test_shadows_are_shared_out(): void
    {
        $mesh = Shapes::both(Shapes::ball(8.0, 20), Shapes::ball(4.0, 16, 9.0, 8.0));
        $directions = Sky::around([0.0, 0.0, 1.0])->directions;
        $whole = Visibility::of($mesh, $directions, isClosed: true);
        MeshStore::putMesh('light/shared.work', $mesh);
        MeshStore::put('light/shared.directions', json_encode($directions, JSON_THROW_ON_ERROR));
        self::assertSame(0, Artisan::call('hyalin:shadows', ['path' => 'light/shared', 'from' => 100, 'before' => 192, '--closed' => true]));
        $bits = array_map(static fn (int $word): array => MeshStore::longs("light/shared.bits100 {$word}"), [0, 1, 2]);
        self::assertSame($whole->bits, Visibility::of($mesh, $directions, isClosed: true, before: 100)->with($bits)->bits);
        // All faces or those that look to the light: of closed bodies the shadows are the same.
        $drawn = Visibility::of($mesh, $directions)->bits;
        $other = 0;
        foreach ($drawn as $word => $own) {
            foreach ($own as $v => $bit) {
                $other += substr_count(decbin($bit ^ $whole->bits[$word][$v]), '1');
            }
        }
        self::assertLessThan(0.002 * 192 * $mesh->vertices(), $other);
        // A large mesh is shared out by itself, and where no helper comes the work is done all the same.
        $large = Shapes::ball(8.0, 90);
        $some = array_slice($directions, 60, 80);
        self::assertSame(Visibility::of($large, $some, isClosed: true)->bits, (new SharedShadows)->seen($large, $some, true, null)->bits);
    }

    public function test_the_glow_of_a_lamp_is_told_in_numbers_and_becomes_a_layer(): void
    {
        $figure = $this->figure();
        $parts = [];
        // A lamp of radius 2 before a wall whose near face is 3 mm away; another wall in its shadow.
        $meshes = ['Lamp' => Shapes::ball(2.0, 16), 'Wall' => Pose::of([5.0, -6.0, -6.0])->applied(Shapes::box(1.0, 12.0, 12.0, 4)), 'Behind' => Pose::of([9.0, -6.0, -6.0])->applied(Shapes::box(1.0, 8.0, 8.0, 3))];
        foreach ($meshes as $name => $mesh) {
            $part = $figure->parts()->create(['name' => $name, 'position' => 1]);
            $this->printFile($figure, StlWriter::write($mesh), $part->id);
            $parts[$name] = $this->area($figure, $name);
            $parts[$name]->update(['part_id' => $part->id]);
        }
        $lamp = $parts['Lamp'];
        $url = "/figures/{$figure->id}/light/glow/{$lamp->id}";
        $this->getJson("{$url}/shares")->assertNotFound();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        // By hand: fully lit within two radii, half at the root of two times that.
        $this->getJson("{$url}/shares")->assertOk()->assertJsonCount(1, 'areas')->assertJsonPath('areas.0.name', 'Wall')
            ->assertJsonPath('fullMm', fn (float|int $mm): bool => abs($mm - 4.0) < 0.05)->assertJsonPath('halfMm', fn (float|int $mm): bool => abs($mm - 5.66) < 0.1);
        $this->postJson($url)->assertUnprocessable();
        $red = $this->pot('Ember', '#c03018');
        $this->pot('Moss', '#385020');
        $white = $this->pot('Chalk', '#f0f0f0');
        foreach ([[$lamp, $white], [$parts['Wall'], $red]] as [$area, $pot]) {
            $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['version' => $area->refresh()->version, 'layers' => [$this->layer($pot)]])->assertOk();
        }
        $this->postJson($url)->assertOk()->assertJsonPath('message', 'A layer of glow is on top of: Wall.');
        $layer = $parts['Wall']->layers()->where('technique', Technique::Glow)->sole();
        // White light is painted with the pot nearest to white.
        self::assertSame([$white->id], $layer->paints()->pluck('paint_id')->all());
        self::assertSame(0, $parts['Behind']->layers()->count());
        $kept = $parts['Wall']->refresh()->zone_exposures[Technique::Glow->value] ?? [];
        self::assertGreaterThan(0.05, max([0.0, ...array_filter($kept, is_numeric(...))]));
        // Once more it follows the lamp and keeps what the painter mixed; measurements taken over keep it, too.
        $layer->paints()->update(['paint_id' => $red->id]);
        $this->postJson($url)->assertOk();
        $this->postJson("/figures/{$figure->id}/light/measures")->assertOk();
        self::assertSame([1, $red->id], [$parts['Wall']->layers()->where('technique', Technique::Glow)->count(), $layer->paints()->sole()->paint_id]);
        self::assertSame($kept, $parts['Wall']->refresh()->zone_exposures[Technique::Glow->value] ?? []);
    }

    public function test_a_kit_is_put_together_by_its_pegs(): void
    {
        $figure = $this->figure();
        $torso = [['square', 2.0, 3.0, -4.0], ['square', 2.0, 3.0, 0.0], ['round', 7.0, 7.0, 0.0], ['round', 5.0, 5.0, 20.0], ['round', 2.0, 2.0, 20.0], ['round', 2.0, 2.0, 16.5]];
        $base = [['round', 14.0, 14.0, -9.0], ['round', 14.0, 14.0, 0.0], ['square', 2.1, 3.1, 0.0], ['square', 2.1, 3.1, -4.2]];
        $parts = ['Base' => Shapes::stacked($base), 'Torso' => Pose::of([40.0, 9.0, 2.0], [0.5, 0.3, 0.0, 1.0])->applied(Shapes::stacked($torso)), 'Ball' => Shapes::ball(3.0, 12)];
        foreach ($parts as $name => $mesh) {
            $this->printFile($figure, StlWriter::write($mesh), $figure->parts()->create(['name' => $name, 'position' => 1])->id, $name.'.stl');
        }
        $this->postJson("/figures/{$figure->id}/meshes/fit")->assertOk()->assertJsonPath('message', '1 of 3 parts were set by their pegs. No peg fits for "Ball": attach face to face.');
        $torsoMesh = $figure->meshes()->where('title', 'Torso')->sole();
        $bounds = MeshMeasures::of($torsoMesh->stands([0.0, 0.0, 1.0])->applied(MeshStore::mesh($torsoMesh->path)))->boundsMm;
        self::assertEqualsWithDelta([-4.0, 20.0], [$bounds[0][2], $bounds[1][2]], 0.01);
        $this->postJson("/figures/{$figure->id}/meshes/fit")->assertOk()->assertJsonPath('message', fn (string $words): bool => str_starts_with($words, 'Every peg sits'));
        // Its picture is there before any light: counts, positions, corners.
        $bare = (string) gzdecode((string) $this->get("/figures/{$figure->id}/meshes/{$torsoMesh->id}/bare")->assertOk()->getContent());
        $mesh = MeshStore::mesh($torsoMesh->path);
        self::assertSame(pack('V2', $mesh->vertices(), $mesh->triangles()).$mesh->positions.$mesh->indices, $bare);
        // Its own numbers are asked in mm and degrees, within reason.
        foreach ([['at' => [64, 6], 'ontoAt' => [0, 0, 0]], ['at' => [64, 6, 'x'], 'ontoAt' => [0, 0, 0]], ['at' => [64, 6, 0]]] as $wrong) {
            $this->postJson("/figures/{$figure->id}/meshes/join", ['part' => $torsoMesh->id, 'onto' => $torsoMesh->id, ...$wrong])->assertUnprocessable();
        }
        $this->patchJson("/figures/{$figure->id}/meshes/{$torsoMesh->id}", ['rotation' => [0, 0, 0, 0]])->assertUnprocessable();
    }

    public function test_the_mesh_is_cut_by_a_proposal_and_by_seeds_and_a_new_computing_keeps_it(): void
    {
        $figure = $this->figure();
        $part = $figure->parts()->create(['name' => 'Block', 'position' => 1]);
        $this->printFile($figure, StlWriter::write(Shapes::box(10.0, 10.0, 20.0, 6)), $part->id);
        $this->postJson("/figures/{$figure->id}/light/areas/propose")->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->getJson("/figures/{$figure->id}/light/shown")->assertJsonPath('noAreaCm2', fn (float|int $v): bool => abs($v - 10.0) < 1e-3);
        // Six sides, each an area of the part; taken back, the brief is as it was. What it names by then is used, not doubled.
        $this->postJson("/figures/{$figure->id}/light/areas/propose")->assertOk()->assertJsonCount(6, 'areas');
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk()->assertJsonCount(0, 'areas')->assertJsonPath('canRedo', true);
        self::assertSame(0, $figure->areas()->count());
        $this->postJson("/figures/{$figure->id}/light/areas/redo")->assertOk()->assertJsonCount(6, 'areas')->assertJsonPath('canRedo', false);
        self::assertSame(6, $figure->areas()->count());
        // What the painter has renamed, or planned for, stays; the others go, and all come again.
        [$renamed, $wished] = [$figure->areas()->firstOrFail(), $figure->areas()->skip(1)->firstOrFail()];
        $renamed->update(['name' => 'Lid']);
        $this->sample($wished, 'mid', '#804020');
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk();
        self::assertSame(['Lid', $wished->name], $figure->areas()->orderBy('id')->pluck('name')->all());
        $this->postJson("/figures/{$figure->id}/light/areas/redo")->assertOk()->assertJsonCount(6, 'areas');
        self::assertSame('Lid', $renamed->refresh()->name);
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk();
        $figure->areas()->delete();
        [$hat] = [$this->area($figure, 'Hat'), $this->area($figure, 'Base')];
        $this->postJson("/figures/{$figure->id}/light/areas/propose")->assertOk()->assertJsonCount(6, 'areas');
        self::assertEqualsCanonicalizing(['Hat', 'Base', 'Block 1', 'Block 2', 'Block 3', 'Block 4'], $figure->areas()->pluck('name')->all());
        self::assertEqualsWithDelta(1.0, array_column(LightRecord::query()->sole()->result['areas'] ?? [], 'cm2', 'areaId')[$hat->id], 1e-3);
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk();
        self::assertSame(2, $figure->areas()->count());
        $figure->areas()->delete();
        $this->postJson("/figures/{$figure->id}/light/areas/propose")->assertOk()->assertJsonCount(6, 'areas')->assertJsonCount(12, 'borders')->assertJsonPath('noAreaCm2', 0);
        self::assertEqualsCanonicalizing(['Block 1', 'Block 2', 'Block 3', 'Block 4', 'Block 5', 'Block 6'], $figure->areas()->pluck('name')->all());
        self::assertSame([$part->id], $figure->areas()->pluck('part_id')->unique()->all());
        $this->postJson("/figures/{$figure->id}/light/areas/propose")->assertUnprocessable();
        // Two seeds share the whole block: half and half, as they lie at its ends.
        [$low, $high] = [$this->area($figure, 'Low'), $this->area($figure, 'High')];
        $seeds = [['at' => [5, 5, 0], 'areaId' => $low->id], ['at' => [5, 5, 20], 'areaId' => $high->id]];
        $this->postJson("/figures/{$figure->id}/light/areas/divide", ['seeds' => array_slice($seeds, 0, 1)])->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/light/areas/divide", ['seeds' => [$seeds[0], ['at' => [5, 5, 20], 'areaId' => 9999]]])->assertUnprocessable();
        // What was given to other areas stays theirs until it is taken from them.
        $this->postJson("/figures/{$figure->id}/light/areas/divide", ['seeds' => $seeds])->assertUnprocessable();
        self::assertCount(12, $this->measured($figure)->result['borders'] ?? []);
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [5, 5, 20], 'tool' => 'piece', 'size' => 1, 'areaId' => null])->assertOk();
        $this->postJson("/figures/{$figure->id}/light/areas/divide", ['seeds' => $seeds])->assertOk();
        self::assertCount(1, $this->measured($figure)->result['borders'] ?? []);
        $sizes = fn (): array => array_column($this->measured($figure)->result['areas'] ?? [], 'cm2', 'areaId');
        $before = $sizes();
        // Every act can be taken back and done again, until another one is done.
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk()->assertJsonPath('canRedo', true);
        self::assertEqualsWithDelta(10.0, $this->measured($figure)->result['noAreaCm2'] ?? null, 1e-3);
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk();
        self::assertCount(12, $this->measured($figure)->result['borders'] ?? []);
        $this->postJson("/figures/{$figure->id}/light/areas/redo")->assertOk();
        $this->postJson("/figures/{$figure->id}/light/areas/redo")->assertOk()->assertJsonPath('canRedo', false);
        self::assertEqualsWithDelta($before, $sizes(), 1e-6);
        $this->postJson("/figures/{$figure->id}/light/areas/redo")->assertUnprocessable();
        // Twenty can be taken back; what is older is not kept on disk either.
        for ($n = 0; $n < 22; $n++) {
            $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [5, 5, 20], 'tool' => 'brush', 'size' => 1, 'areaId' => $n % 2 === 0 ? null : $high->id])->assertOk();
        }
        self::assertCount(20, array_filter(Storage::disk('local')->files('light'), static fn (mixed $file): bool => is_string($file) && preg_match('/\.act\d/', $file) === 1));
        self::assertEqualsCanonicalizing([$low->id, $high->id], array_keys($before));
        self::assertEqualsWithDelta(5.0, $before[$low->id], 0.6);
        // Turned and computed anew, the painter's areas are where they were.
        $mesh = $figure->meshes()->sole();
        $this->patchJson("/figures/{$figure->id}/meshes/{$mesh->id}", ['turnBy' => ['axis' => 'z', 'degrees' => 30], 'move' => [5, 0, 1]])->assertOk();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        self::assertEqualsWithDelta($before, $sizes(), 1e-3);
        // An area that is used of the brief is no area of the mesh either, once it is computed anew.
        $gone = $this->area($figure, 'Gone');
        $fill = fn (int $size, mixed $instead = null) => $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [10, 5, 21], 'tool' => 'crease', 'size' => $size, 'areaId' => $gone->id, 'instead' => $instead]);
        $first = $fill(8)->assertOk()->json('lastAct');
        self::assertArrayHasKey($gone->id, $sizes());
        $lost = $sizes()[$gone->id];
        // Its threshold is moved up and back again: one act, in the place of what it was; nothing else is put in the place of another act.
        $second = $fill(40, $first)->assertOk()->json('lastAct');
        self::assertEqualsWithDelta(10.0, $sizes()[$gone->id], 1e-3);
        $fill(40, $first)->assertUnprocessable()->assertJsonValidationErrorFor('instead');
        $fill(8, $second)->assertOk();
        self::assertEqualsWithDelta($lost, $sizes()[$gone->id], 1e-6);
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk();
        self::assertArrayNotHasKey($gone->id, $sizes());
        $this->postJson("/figures/{$figure->id}/light/areas/redo")->assertOk();
        self::assertEqualsWithDelta($lost, $sizes()[$gone->id], 1e-6);
        $gone->delete();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->getJson("/figures/{$figure->id}/light/shown")->assertJsonPath('noAreaCm2', fn (float|int $v): bool => abs($v - $lost) < 1e-3);
        $before = $sizes();
        // Another file besides changes how finely the block is split; what was chosen stays but for seam.
        $this->printFile($figure, StlWriter::write(Pose::of([40.0, 0.0, 0.0])->applied(Shapes::box(10.0, 10.0, 60.0, 2))));
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        self::assertEqualsWithDelta($before, array_intersect_key($sizes(), $before), 0.6);
    }

    #[Group('sculpted')]
    public function test_the_inside_of_a_hollow_print_with_a_drain_hole_is_left_out(): void
    {
        $figure = $this->figure();
        // A drum of one skin: up its outer wall, through a hole of 1 mm in its lid, and down the inner one.
        $drum = Shapes::stacked([['round', 10.0, 10.0, 0.0], ['round', 10.0, 10.0, 20.0], ['round', 1.0, 1.0, 20.0], ['round', 1.0, 1.0, 19.0], ['round', 9.0, 9.0, 19.0], ['round', 9.0, 9.0, 1.0]], 24);
        [$inner, $outer] = [2 * M_PI * 9 * 18 + 2 * M_PI * 81 - M_PI, 2 * M_PI * 10 * 20 + 2 * M_PI * 100 - M_PI];
        $this->printFile($figure, StlWriter::write($drum));
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $light = $this->getJson("/figures/{$figure->id}/light/shown");
        self::assertEqualsWithDelta([$inner / 100, $outer / 100], [$light->json('insideCm2'), $light->json('noAreaCm2')], 0.03 * $inner / 100);
        $sizes = fn (): array => array_column($this->measured($figure)->result['areas'] ?? [], 'cm2', 'areaId');
        [$one, $two] = [$this->area($figure, 'Lid'), $this->area($figure, 'Rest')];
        foreach ([['light/areas', ['at' => [10, 0, 10], 'tool' => 'piece', 'size' => 1, 'areaId' => $one->id]],
            ['light/areas/divide', ['seeds' => [['at' => [5, 0, 20], 'areaId' => $one->id], ['at' => [5, 0, 0], 'areaId' => $two->id]]]]] as [$act, $what]) {
            $this->postJson("/figures/{$figure->id}/{$act}", $what)->assertOk();
            self::assertEqualsWithDelta($outer / 100, array_sum($sizes()), 0.03 * $outer / 100);
        }
        // A brush takes in what it touches, wherever that is.
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0, 1], 'tool' => 'brush', 'size' => 3, 'areaId' => $two->id])->assertOk();
        self::assertEqualsWithDelta($outer / 100 + M_PI * 9 / 100, array_sum($sizes()), 0.05 * $outer / 100);
        self::assertLessThan($inner / 100, $this->getJson("/figures/{$figure->id}/light/shown")->json('insideCm2'));
    }

    public function test_sprays_from_the_side_and_below_are_weighed_and_finishes_reckon_with_the_mesh(): void
    {
        [$figure, $table, $ball] = $this->still();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        Queue::fake();
        $light = LightRecord::query()->sole();
        $means = static function (string $spray) use ($light): array {
            $of = [];
            foreach ($light->refresh()->result['areas'] ?? [] as $area) {
                $zones = array_filter($area['byZone'][$spray], static fn (float|int|null $e): bool => $e !== null);
                $of[$area['areaId']] = array_sum($zones) / max(1, count($zones));
            }

            return $of;
        };
        // From below the table takes it all and shades the ball.
        $below = $means('spray from below');
        self::assertGreaterThan($below[$ball->id], $below[$table->id]);
        // From the front and from behind: the ball is round, the mean stays; from below it is reached as the table is not there.
        $this->putJson(
            "/figures/{$figure->id}/light",
            ['spray' => 'spray from 45 degrees', 'passes' => 1, 'side' => 180],
        )->assertOk()->assertJsonPath('sprays.1.passes', 1)->assertJsonPath('sprays.1.side', 180);
        $back = $means('spray from 45 degrees');
        $this->putJson("/figures/{$figure->id}/light", ['spray' => 'spray from 45 degrees', 'side' => 0])->assertOk()->assertJsonPath('sprays.1.passes', 1);
        self::assertEqualsWithDelta($back[$ball->id], $means('spray from 45 degrees')[$ball->id], 0.05);
        // Straight from the front, the ball gets more on its front; the front must lie across from up.
        $this->putJson("/figures/{$figure->id}/light", ['front' => 'x'])->assertOk()->assertJsonPath('front', 'x');
        $this->putJson("/figures/{$figure->id}/light", ['front' => '-z'])->assertUnprocessable();
        $this->putJson("/figures/{$figure->id}/light", ['spray' => 'zenithal spray', 'passes' => 10])->assertUnprocessable();
        Queue::assertNothingPushed();

        // A zenithal prime under a glaze: predicted as usual before, as the mesh has it once measures are taken over.
        $white = $this->pot('White', '#f4f4f0');
        $black = $this->pot('Black', '#202020');
        foreach ([[Technique::BaseCoat, $black], [Technique::ZenithalSpray, $white]] as $n => [$technique, $pot]) {
            $layer = $table->layers()->create(['key' => "layer{$n}", 'position' => $n, 'technique' => $technique, 'zones' => Zone::cases(), 'thinner' => 0, 'coats' => 2]);
            $layer->paints()->create(['paint_id' => $pot->id, 'drops' => 1, 'position' => 0]);
        }
        $lightness = static fn (): array => array_map(
            static fn (Zone $z): float => FigureOptics::of($figure, $table->refresh()->load('layers.paints.paint'))->section(LayerDraft::stackOf($table))->top()->cell($z)->seen->lightness,
            Zone::cases(),
        );
        $usual = $lightness();
        $this->postJson("/figures/{$figure->id}/light/measures")->assertOk();
        $exposures = $table->refresh()->zone_exposures['zenithal spray'] ?? [];
        self::assertCount(5, $exposures);
        $measured = $lightness();
        foreach (Zone::cases() as $zone) {
            $i = $zone->index();
            $usually = Technique::ZenithalSpray->spec()->direction->exposure[$i] ?? 0.0;
            // More spray is lighter, less is darker; a zone the table has not is predicted as usual.
            self::assertSame(($exposures[$i] ?? $usually) <=> $usually, round($measured[$i], 6) <=> round($usual[$i], 6));
        }
        // Other programs get it too: the figure put together, and its finished colours, light on top and black beneath.
        $stl = (string) $this->get("/figures/{$figure->id}/light/figure.stl")->assertOk()->getContent();
        self::assertSame(84 + 50 * array_sum($figure->meshes()->pluck('triangles')->all()), strlen($stl));
        $ply = (string) $this->get("/figures/{$figure->id}/light/figure.ply")->assertOk()->getContent();
        self::assertStringContainsString("property uchar red\nproperty uchar green\nproperty uchar blue\n", $ply);
        $body = substr($ply, (int) strpos($ply, "end_header\n") + 11);
        $seen = [];
        for ($v = 0, $n = (int) (preg_match('/element vertex (\d+)/', $ply, $m) === 1 ? $m[1] : 0); $v < $n; $v++) {
            /** @var array{x: float, y: float, z: float, e: float, r: int} $p */
            $p = unpack('gx/gy/gz/ge/Cr', substr($body, 19 * $v, 19));
            if (abs($p['x']) < 8 && abs($p['y']) < 8 && $p['z'] < 0.01) {
                $seen[$p['z'] > -0.01 ? 'top' : 'bottom'][] = $p['r'];
            }
        }
        self::assertGreaterThan(max([0, ...$seen['bottom'] ?? []]), min([255, ...$seen['top'] ?? []]));
        // Its edges look sideways for the most part: the plan wants them light, the spray leaves them dark.
        $advice = $this->getJson("/figures/{$figure->id}/light/shown")->json('areas.0.advice');
        self::assertStringContainsString('where the plan wants', implode(' ', is_array($advice) ? array_filter($advice, is_string(...)) : []));
    }

    public function test_the_look_is_kept_with_its_picture_for_card_and_photos(): void
    {
        [$figure] = $this->still();
        $camera = ['from' => [10, -80, 20], 'to' => [0, 0, 10], 'size' => 40];
        $this->get("/figures/{$figure->id}/light/still")->assertNotFound();
        $png = static function (int $grey, int $width = 40): string {
            $image = imagecreatetruecolor(max(1, $width), max(1, intdiv(3 * $width, 4))) ?: throw new \RuntimeException('no picture');
            imagefill($image, 0, 0, ($grey << 16) | ($grey << 8) | $grey);
            ob_start();
            imagepng($image);

            return (string) ob_get_clean();
        };
        $keep = fn (string $still, array $camera): \Illuminate\Testing\TestResponse => $this->post(
            "/figures/{$figure->id}/light/look",
            ['camera' => $camera, 'still' => UploadedFile::fake()->createWithContent('still.png', $still)],
            ['Accept' => 'application/json'],
        );
        $keep($png(200), $camera)->assertOk();
        $first = LightRecord::query()->sole()->still;
        self::assertEquals($camera, LightRecord::query()->sole()->camera);
        $size = getimagesizefromstring((string) $this->get("/figures/{$figure->id}/light/still")->assertOk()->getContent());
        self::assertSame([40, 30, 'image/png'], $size === false ? [] : [$size[0], $size[1], $size['mime']]);
        // What is no picture is refused, and the look that was kept stays.
        $keep('no picture', [...$camera, 'size' => 50])->assertUnprocessable();
        $keep($png(90, 2100), [...$camera, 'size' => 50])->assertUnprocessable()->assertJsonValidationErrorFor('still');
        $keep($png(90), ['from' => [0, 0], 'to' => [0, 0, 0], 'size' => 0])->assertUnprocessable();
        self::assertSame([$first, 40], [LightRecord::query()->sole()->still, (int) (LightRecord::query()->sole()->camera['size'] ?? 0)]);
        // Another look takes the place of the picture.
        $keep($png(90), $camera)->assertOk();
        self::assertFalse(Storage::disk('local')->exists((string) $first));
        $this->get("/figures/{$figure->id}/card")->assertInertia(fn (AssertableInertia $page) => $page->where('stillUrl', fn (string $url): bool => str_contains($url, '/light/still')));
        $this->get("/figures/{$figure->id}/card.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        Storage::disk('local')->put('pictures/photo.png', $png(120));
        $photo = $figure->pictures()->create(['title' => 'Photo', 'path' => 'pictures/photo.png', 'width' => 40, 'height' => 30, 'kind' => PictureKind::OwnPiece]);
        $this->patchJson("/figures/{$figure->id}/pictures/{$photo->id}", ['camera' => $camera])->assertOk()->assertJsonPath('camera.from.1', -80);
        $this->patchJson("/figures/{$figure->id}/pictures/{$photo->id}", ['camera' => ['from' => 'there']])->assertUnprocessable();
    }

    public function test_what_the_view_gets_is_whole(): void
    {
        [$figure] = $this->still();
        $this->get("/figures/{$figure->id}/light/data")->assertNotFound();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $bytes = (string) gzdecode((string) $this->get("/figures/{$figure->id}/light/data")->assertOk()->getContent());
        /** @var array{v: int, t: int} $head */
        $head = unpack('Vv/Vt', $bytes);
        self::assertSame(8 + 12 * $head['v'] + 12 * $head['t'] + 4 * $head['t'] + 3 * $head['v'] + $head['t'], strlen($bytes));
        /** @var array<int, int> $corners */
        $corners = unpack('V*', substr($bytes, 8 + 12 * $head['v'], 12 * $head['t']));
        self::assertLessThan($head['v'], max([0, ...$corners]));
    }

    public function test_light_can_be_stopped_and_what_was_stands(): void
    {
        [$figure] = $this->still();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $light = LightRecord::query()->sole();
        $before = $light->path;
        // Asked to stop while it is worked at.
        $task = $light->task()->sole();
        $task->update(['state' => TaskState::Running, 'stop_asked' => true]);
        ComputeLight::dispatchSync($task);
        self::assertSame([TaskState::Stopped, $before], [$task->refresh()->state, $light->refresh()->path]);
        $this->getJson("/figures/{$figure->id}/light/shown")->assertOk()->assertJsonPath('lighting.state', 'stopped');
    }

    /** @return array{Figure, Area, Area} a ball over a table */
    private function still(): array
    {
        $figure = $this->figure();
        $areas = [];
        foreach (['Table' => self::lowered(Shapes::box(20.0, 20.0, 2.0, 4)), 'Ball' => Shapes::ball(10.0, 24, atZ: 30.0)] as $name => $mesh) {
            $part = $figure->parts()->create(['name' => $name, 'position' => 1]);
            $area = $this->area($figure, $name);
            $area->update(['part_id' => $part->id]);
            $this->printFile($figure, StlWriter::write($mesh), $part->id);
            $areas[] = $area;
        }

        return [$figure, $areas[0], $areas[1]];
    }

    private static function lowered(TriangleMesh $mesh): TriangleMesh
    {
        [$x, $y, $z] = $mesh->coordinates();
        $out = '';
        foreach ($x as $v => $_) {
            $out .= pack('g3', $x[$v] - 10, $y[$v] - 10, $z[$v] - 2);
        }

        return TriangleMesh::of($out, $mesh->indices);
    }

    /** Read as the page reads it, so that what was brushed is measured. */
    private function measured(Figure $figure): LightRecord
    {
        $this->getJson("/figures/{$figure->id}/light/shown")->assertOk()->assertJsonPath('isMeasured', true);

        return LightRecord::ofFigure($figure);
    }
}
