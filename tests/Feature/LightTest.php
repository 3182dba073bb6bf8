<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\ComputeLight;
use App\Models\Area;
use App\Models\Figure;
use App\Models\LightRecord;
use Hyalin\Finish\Zone;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Mesh\TriangleMesh;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
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
        $this->get("/figures/{$figure->id}/light")->assertInertia(fn (AssertableInertia $page) => $page->component('light/index')->where('light.state', 'none')->where('light.dataUrl', null)->count('meshes', 0));
        $mesh = $this->send($figure, Shapes::box(20.0, 30.0, 40.0), $part->id);
        $mesh->assertCreated()->assertJsonPath('triangles', 12)->assertJsonPath('openEdges', 0)->assertJsonPath('unitMm', 1);
        self::assertEqualsWithDelta([20.0, 30.0, 40.0], $mesh->json('sizeMm'), 1e-4);
        self::assertEqualsWithDelta(52.0, $mesh->json('areaCm2'), 1e-4);
        // Two units high: hardly millimetres.
        $this->send($figure, Shapes::box(1.0, 1.0, 2.0))->assertCreated()->assertJsonPath('unitMm', 25.4);
        $id = $mesh->json('id');
        self::assertIsInt($id);
        $this->patchJson("/figures/{$figure->id}/meshes/{$id}", ['move' => [1, 2, 3], 'turn' => 90, 'mirror' => true, 'unitMm' => 10])->assertOk()->assertJsonPath('turn', 90)->assertJsonPath('areaCm2', fn (float $v): bool => abs($v - 5200.0) < 0.01);
        $this->patchJson("/figures/{$figure->id}/meshes/{$id}", ['unitMm' => 0])->assertUnprocessable();
        $this->post("/figures/{$figure->id}/meshes", ['mesh' => UploadedFile::fake()->createWithContent('x.stl', 'no mesh at all')], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('errors.mesh.0', fn (string $words): bool => str_ends_with($words, 'Nothing was added.'));
        $this->postJson("/figures/{$figure->id}/meshes")->assertUnprocessable();
        $files = count(Storage::disk('local')->allFiles('meshes'));
        $this->deleteJson("/figures/{$figure->id}/meshes/{$id}")->assertOk();
        self::assertSame([1, $files - 2], [$figure->meshes()->count(), count(Storage::disk('local')->allFiles('meshes'))]);
    }

    public function test_light_is_computed_weighed_anew_and_tells_order_and_quantities(): void
    {
        [$figure, $table, $ball] = $this->still();
        $this->postJson("/figures/{$this->figure()->id}/light")->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $page = fn (): AssertableInertia => AssertableInertia::fromTestResponse($this->get("/figures/{$figure->id}/light")->assertOk());
        $page()->where('light.state', 'done')->where('light.isStale', false)->where('light.problem', null);
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
        $this->putJson("/figures/{$figure->id}/light", ['spread' => 60])->assertOk()->assertJsonPath('spread', 60);
        Queue::assertNothingPushed();
        $wide = array_column($light->refresh()->result['areas'] ?? [], 'exposure', 'areaId');
        self::assertNotEqualsWithDelta($narrow, $wide[$table->id], 1e-6);
        $this->putJson("/figures/{$figure->id}/light", ['spread' => 80])->assertUnprocessable();
        $this->putJson("/figures/{$figure->id}/light", ['up' => 'y'])->assertOk()->assertJsonPath('isStale', true);
        $this->putJson("/figures/{$figure->id}/light", ['up' => 'w'])->assertUnprocessable();

        // Half of the ball becomes another area by brush: there is a border now, as long as a circle.
        $cap = $this->area($figure, 'Cap');
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0, 40], 'tool' => 'brush', 'size' => 14.2, 'areaId' => $cap->id])->assertOk();
        $borders = $light->refresh()->result['borders'] ?? [];
        self::assertCount(1, $borders);
        self::assertEqualsWithDelta(2 * M_PI * 10.0, $borders[0]['mm'], 4.0);
        self::assertTrue($borders[0]['isCurved']);
        $this->postJson("/figures/{$figure->id}/light/measures")->assertOk();
        self::assertEqualsWithDelta(6.3, $cap->refresh()->square_cm, 0.5);
        self::assertEqualsWithDelta(1.0, array_sum($cap->zone_shares ?? []), 1e-3);
        // Quantities reckon with them: a zone the cap hardly has takes hardly any paint.
        self::assertEqualsWithDelta($cap->zone_shares[0] ?? null, $cap->share(Zone::Recess), 1e-9);
        self::assertGreaterThan($cap->share(Zone::Recess), $cap->share(Zone::Light));
        self::assertEqualsWithDelta($borders[0]['mm'], $figure->boundaries()->sole()->mm, 0.1);
        // The ball shines: its own side is lit, the table below it is, what lies behind the table is not.
        $glow = array_values((array) unpack('C*', (string) gzdecode((string) $this->get("/figures/{$figure->id}/light/glow/{$ball->id}")->assertOk()->getContent())));
        self::assertGreaterThan(40, max([0, ...array_filter($glow, is_int(...))]));
        self::assertContains(0, $glow);
        $this->get("/figures/{$figure->id}/light/glow/{$this->area($figure, 'Nothing')->id}")->assertNotFound();
        // A whole piece, and nothing at all.
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0, 40], 'tool' => 'piece', 'size' => 1, 'areaId' => $ball->id])->assertOk()->assertJsonPath('borders', []);
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [8, 8, 0], 'tool' => 'crease', 'size' => 30, 'areaId' => null])->assertOk();
        self::assertLessThan(8.0, array_column($light->refresh()->result['areas'] ?? [], 'cm2', 'areaId')[$table->id]);
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0], 'tool' => 'piece', 'size' => 1])->assertUnprocessable();
        $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [0, 0, 0], 'tool' => 'piece', 'size' => 1, 'areaId' => 9999])->assertUnprocessable();
    }

    public function test_what_the_view_gets_is_whole(): void
    {
        [$figure] = $this->still();
        $this->get("/figures/{$figure->id}/light/data")->assertNotFound();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $bytes = (string) gzdecode((string) $this->get("/figures/{$figure->id}/light/data")->assertOk()->getContent());
        /** @var array{v: int, t: int} $head */
        $head = unpack('Vv/Vt', $bytes);
        self::assertSame(8 + 12 * $head['v'] + 12 * $head['t'] + 4 * $head['t'] + $head['v'] + $head['t'], strlen($bytes));
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
        $this->deleteJson("/figures/{$figure->id}/light")->assertOk();
        ComputeLight::dispatchSync($light, $figure->id);
        self::assertSame(['stopped', $before], [$light->refresh()->state, $light->path]);
        $this->getJson("/figures/{$figure->id}/light/progress")->assertOk()->assertJsonPath('state', 'stopped');
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
            $this->send($figure, $mesh, $part->id)->assertCreated();
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

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function send(Figure $figure, TriangleMesh $mesh, ?int $partId = null): \Illuminate\Testing\TestResponse
    {
        return $this->post("/figures/{$figure->id}/meshes", ['mesh' => UploadedFile::fake()->createWithContent('part.stl', StlWriter::write($mesh)), ...($partId === null ? [] : ['partId' => $partId])], ['Accept' => 'application/json']);
    }
}
