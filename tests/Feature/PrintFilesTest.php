<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Brief\DeleteFigure;
use App\Adapters\Light\MeshStore;
use App\Adapters\Light\StoredStudy;
use App\Adapters\Operations\Health;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\Pose;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Inertia\Testing\AssertableInertia;
use Symfony\Component\Process\Process;
use Tests\Support\MemoryFiles;
use Tests\Support\Shapes;

/**
 * Print files arrive in pieces: nothing is lost, nothing is added in part, whatever breaks off.
 */
final class PrintFilesTest extends TestCase
{
    public function test_a_file_cut_at_any_byte_is_gone_on_with_and_arrives_whole(): void
    {
        $figure = $this->figure();
        $bytes = StlWriter::write(Shapes::ball(10.0, 12));
        $upload = $this->begin($figure, 'ball.stl', $bytes);
        self::assertSame([0, 'sending'], [$upload['received'], $upload['state']]);
        mt_srand(4);
        $at = 0;
        while ($at < strlen($bytes)) {
            // The page is reloaded in between: the same file goes on where it was.
            self::assertSame([$upload['id'], $at], [$this->begin($figure, 'ball.stl', $bytes)['id'], $this->begin($figure, 'ball.stl', $bytes)['received']]);
            $length = mt_rand(1, 9000);
            $answer = $this->piece($figure, $upload['id'], $at, substr($bytes, $at, $length))->assertOk()->json();
            self::assertIsArray($answer);
            $received = $answer['received'];
            self::assertIsInt($received);
            // Its answer was lost and it is sent again; one that does not follow on is refused.
            $again = $this->piece($figure, $upload['id'], $at, substr($bytes, $at, $length))->assertOk()->json();
            self::assertSame($answer, $again);
            if ($answer['state'] === 'sending') {
                $this->piece($figure, $upload['id'], $received + 1, 'x')->assertUnprocessable()->assertJsonPath('errors.at.0', "Byte {$received} is next.");
            }
            $at = $received;
        }
        $this->getJson("/figures/{$figure->id}/mesh-uploads/{$upload['id']}")->assertOk()->assertJsonPath('state', 'done');
        $mesh = $figure->meshes()->sole();
        self::assertSame([hash('sha256', $bytes), 'ball', Shapes::ball(10.0, 12)->triangles()], [$mesh->sha256, $mesh->title, $mesh->triangles]);
        self::assertSame([], Storage::disk('local')->files('uploads'));

        // The same content under another name is known, and added only when that is meant.
        $twice = $this->begin($figure, 'copy of ball.stl', $bytes);
        $this->piece($figure, $twice['id'], 0, $bytes)->assertOk()->assertJsonPath('state', 'known')->assertJsonPath('knownAs', 'ball');
        self::assertSame(1, $figure->meshes()->count());
        $this->postJson("/figures/{$figure->id}/mesh-uploads/{$twice['id']}/again")->assertOk()->assertJsonPath('state', 'done');
        self::assertSame(2, $figure->meshes()->count());
    }

    public function test_files_may_be_kept_where_there_is_no_folder(): void
    {
        Storage::set('local', MemoryFiles::disk());
        $figure = $this->figure();
        $bytes = StlWriter::write(Shapes::ball(10.0, 12));
        $upload = $this->begin($figure, 'ball.stl', $bytes);
        // Begun by an earlier version, which wrote into one file, and perhaps more than it said.
        Storage::disk('local')->put(MeshUpload::query()->findOrFail($upload['id'])->path, substr($bytes, 0, 4000));
        MeshUpload::query()->update(['received' => 3000]);
        $this->piece($figure, $upload['id'], 3000, substr($bytes, 3000, 2000))->assertOk();
        $this->piece($figure, $upload['id'], 5000, substr($bytes, 5000))->assertOk()->assertJsonPath('state', 'done');
        self::assertSame(hash('sha256', $bytes), $figure->meshes()->sole()->sha256);
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $url = $this->getJson("/figures/{$figure->id}/light/shown")->json('dataUrl');
        self::assertIsString($url);
        $this->get($url)->assertOk();
        $picture = (string) file_get_contents(dirname(__DIR__, 2).'/docs/screenshots/shelf.png');
        $this->post("/figures/{$figure->id}/pictures", ['picture' => UploadedFile::fake()->createWithContent('a.png', $picture)], ['Accept' => 'application/json'])->assertCreated();
        // All of it leaves and comes in again, and is backed up.
        $bench = $this->get('/bench.zip')->assertOk()->streamedContent();
        $this->post('/bench', ['bench' => UploadedFile::fake()->createWithContent('bench.zip', $bench), 'both' => 1], ['Accept' => 'application/json'])->assertSuccessful();
        self::assertContains('Files are kept elsewhere, and can be written.', array_column(Health::all(), 'words'));
        self::assertSame(2, $this->painter->figures()->count());
        $this->painter->figures()->get()->each(app(DeleteFigure::class));
        self::assertSame(['health'], Storage::disk('local')->allFiles());
    }

    public function test_what_is_no_print_file_is_refused_with_its_first_piece(): void
    {
        $figure = $this->figure();
        $ball = StlWriter::write(Shapes::ball(10.0, 12));
        foreach (['letter.stl' => str_repeat('Dear painter, ', 90_000), 'cut.stl' => substr($ball, 0, -700), 'model.obj' => "\x00\x01\x02".str_repeat('v 1 2 3', 9000), 'picture.stl' => "\x89PNG\r\n\x1a\n".str_repeat("\x01\x02", 9000)] as $name => $bytes) {
            $upload = $this->begin($figure, $name, $bytes);
            $words = $this->piece($figure, $upload['id'], 0, substr($bytes, 0, 4096))->assertUnprocessable()->json('errors.mesh.0');
            self::assertIsString($words);
            self::assertStringStartsWith(ucfirst($name), $words);
            self::assertStringEndsWith('Nothing was added.', $words);
        }
        self::assertSame([0, 0], [MeshUpload::query()->count(), $figure->meshes()->count()]);
        $this->postJson("/figures/{$figure->id}/mesh-uploads", ['name' => 'huge.stl', 'bytes' => 200 * 1024 * 1024, 'fingerprint' => 'x'])->assertUnprocessable()->assertJsonPath('errors.mesh.0', 'Huge.stl has 200 MB, and a print file may have 120. Nothing was added.');
        // What turns out to be none when it is read leaves nothing either.
        $lie = str_replace('vertex 0', 'vertex zero', "solid x\n facet normal 0 0 1\n outer loop\n vertex 0 0 0\n vertex 1 0 0\n vertex 0 1 0\n endloop\n endfacet\nendsolid x\n");
        $upload = $this->begin($figure, 'lie.stl', $lie);
        $this->piece($figure, $upload['id'], 0, $lie)->assertOk()->assertJsonPath('state', 'failed');
        self::assertSame(0, $figure->meshes()->count());
    }

    public function test_a_cancelled_file_leaves_nothing_and_a_strangers_is_not_found(): void
    {
        $figure = $this->figure();
        $bytes = StlWriter::write(Shapes::ball(10.0, 12));
        $upload = $this->begin($figure, 'ball.stl', $bytes);
        $this->piece($figure, $upload['id'], 0, substr($bytes, 0, 5000))->assertOk();
        $this->get("/figures/{$figure->id}/light")->assertInertia(fn (AssertableInertia $page) => $page->where('uploads.0.received', 5000));
        $this->deleteJson("/figures/{$figure->id}/mesh-uploads/{$upload['id']}")->assertOk();
        self::assertSame([[], 0], [Storage::disk('local')->files('uploads'), MeshUpload::query()->count()]);
        // Never gone on with, it is thrown away after some days.
        $this->piece($figure, $this->begin($figure, 'ball.stl', $bytes)['id'], 0, substr($bytes, 0, 5000))->assertOk();
        $this->travel(4)->days();
        $fresh = $this->begin($figure, 'other.stl', $bytes);
        self::assertSame([$fresh['id']], MeshUpload::query()->where('state', UploadState::Sending)->pluck('id')->all());
        // Nobody reads it to the end: it is said, and not waited for for ever.
        config(['queue.default' => 'database']);
        MeshUpload::query()->whereKey($fresh['id'])->update(['state' => UploadState::Reading]);
        $this->getJson("/figures/{$figure->id}/mesh-uploads/{$fresh['id']}")->assertOk()->assertJsonPath('state', 'reading');
        $this->travel(13)->minutes();
        $this->getJson("/figures/{$figure->id}/mesh-uploads/{$fresh['id']}")->assertOk()->assertJsonPath('state', 'failed');
        $this->actingAs(\App\Models\Painter::factory()->create());
        $this->piece($figure, $fresh['id'], 0, $bytes)->assertNotFound();
    }

    /** Two bodies in one file: written by us as OBJ with names, and by assimp (Debian package assimp-utils) as 3MF with two objects. */
    public function test_the_objects_of_a_file_become_parts_that_stand_where_they_stood(): void
    {
        $obj = '';
        $first = 1;
        foreach (['Head' => Shapes::ball(5.0, 12, 0.0, 30.0), 'Body' => Shapes::box(10.0, 10.0, 20.0, 2), 'Base' => Shapes::box(30.0, 30.0, 2.0)] as $name => $mesh) {
            [$x, $y, $z] = $mesh->coordinates();
            $obj .= "o {$name}\n";
            foreach ($x as $v => $at) {
                $obj .= sprintf("v %.6f %.6f %.6f\n", $at, $y[$v], $z[$v]);
            }
            foreach (array_chunk($mesh->corners(), 3) as $corners) {
                $obj .= 'f '.implode(' ', array_map(static fn (int $c): int => $c + $first, $corners))."\n";
            }
            $first += count($x);
        }
        $figure = $this->figure();
        $head = $figure->parts()->create(['name' => 'Head', 'position' => 1]);
        $upload = $this->begin($figure, 'kit.obj', $obj);
        $this->piece($figure, $upload['id'], 0, $obj)->assertOk()->assertJsonPath('state', 'done');
        $meshes = $figure->meshes()->with('part')->get();
        self::assertSame(['Head', 'Body', 'Base'], $meshes->pluck('title')->all());
        self::assertSame(['Head', 'Body', 'Base'], $meshes->map(static fn (FigureMesh $m): ?string => $m->part?->name)->all());
        self::assertSame([$head->id, 3], [$meshes[0]?->part_id, $figure->parts()->count()], 'a part of that name is that part');
        self::assertEqualsWithDelta([600.0 + 400.0, 1800.0 + 240.0], [$meshes[1]?->measures['areaMm2'], $meshes[2]?->measures['areaMm2']], 1e-2);
        self::assertEqualsWithDelta([25.0, 35.0], [$meshes[0]?->measures['boundsMm'][0][2], $meshes[0]?->measures['boundsMm'][1][2]], 1e-3);

        [$from, $to] = [tempnam(sys_get_temp_dir(), 'kit').'.obj', tempnam(sys_get_temp_dir(), 'kit').'.3mf'];
        file_put_contents($from, $obj);
        (new Process(['assimp', 'export', $from, $to]))->mustRun();
        $package = (string) file_get_contents($to);
        $other = $this->figure();
        $this->piece($other, $this->begin($other, 'kit.3mf', $package)['id'], 0, $package)->assertOk()->assertJsonPath('state', 'done');
        self::assertSame([3, 3], [$other->meshes()->count(), $other->parts()->count()]);
        self::assertEqualsWithDelta($meshes->sum('measures.areaMm2'), $other->meshes()->get()->sum('measures.areaMm2'), 0.1);
        unlink($from);
        unlink($to);
        // More groups than a figure has parts are something else, and said to be.
        $many = '';
        foreach (range(1, 45) as $n) {
            $many .= "g patch{$n}\nv {$n} 0 0\nv {$n} 9 0\nv {$n} 0 9\nf ".(3 * $n - 2).' '.(3 * $n - 1).' '.(3 * $n)."\n";
        }
        $third = $this->figure();
        $this->piece($third, $this->begin($third, 'many.obj', $many)['id'], 0, $many)->assertOk()->assertJsonPath('state', 'done');
        self::assertContains('45 named objects in it: too many to be parts, so they stay together.', $third->meshes()->sole()->measures['remarks']);
    }

    /** @return array{id: int, received: int, state: string} */
    private function begin(Figure $figure, string $name, string $bytes): array
    {
        /** @var array{id: int, received: int, state: string} $upload */
        $upload = $this->postJson("/figures/{$figure->id}/mesh-uploads", ['name' => $name, 'bytes' => strlen($bytes), 'fingerprint' => "{$name} ".strlen($bytes)])->assertCreated()->json();

        return $upload;
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function piece(Figure $figure, int $id, int $at, string $bytes): TestResponse
    {
        return $this->call('POST', "/figures/{$figure->id}/mesh-uploads/{$id}/pieces?at={$at}", server: ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'], content: $bytes);
    }

    public function test_supports_are_left_out_and_put_back_and_a_plate_is_pulled_apart(): void
    {
        $figure = $this->figure();
        $file = Shapes::ball(10.0, 30, 0.0, 18.0);
        $own = $file->triangles();
        foreach (range(0, 5) as $n) {
            $column = Shapes::stacked([['round', 0.5, 0.5, 0.0], ['round', 0.5, 0.5, 9.0], ['round', 0.1, 0.1, 11.0]], 12);
            $file = Shapes::both($file, Pose::of([6 * cos($n), 6 * sin($n), 0.0])->applied($column));
        }
        $answer = $this->printFile($figure, StlWriter::write($file))->assertJsonPath('findings.0.words', fn (string $w): bool => str_starts_with($w, '6 pieces look like supports'));
        $mesh = $figure->meshes()->sole();
        self::assertSame($mesh->id, $answer->json('id'));
        // What was chosen on the file goes with its triangles, also when some of them are left out.
        StoredStudy::putChosen($mesh->path, array_map(static fn (int $t): array => [$t % 7], range(0, $file->triangles() - 1)));
        $mend = "/figures/{$figure->id}/meshes/{$mesh->id}/mend";
        $this->postJson($mend, ['kind' => 'supports', 'isMended' => true])->assertOk()->assertJsonPath('triangles', $own)->assertJsonPath('findings.0.words', 'Supports are left out.');
        $mesh->refresh();
        self::assertSame(array_map(static fn (int $t): array => [$t % 7], range(0, $own - 1)), StoredStudy::chosenOf($mesh->path));
        self::assertSame($own, MeshStore::mesh($mesh->path)->triangles());
        $this->postJson($mend, ['kind' => 'inner walls', 'isMended' => true])->assertUnprocessable();
        $this->postJson($mend, ['kind' => 'grown supports', 'isMended' => true])->assertUnprocessable();
        $this->postJson($mend, ['kind' => 'supports', 'isMended' => false])->assertOk()->assertJsonPath('triangles', $file->triangles())->assertJsonPath('findings.0.act', 'Leave out');
        self::assertSame([[3 % 7]], array_slice(StoredStudy::chosenOf($mesh->refresh()->path), 3, 1));
        self::assertNull($mesh->whole_path);
        $this->postJson("/figures/{$figure->id}/meshes/{$mesh->id}/apart")->assertUnprocessable();
        $this->deleteJson("/figures/{$figure->id}/meshes/{$mesh->id}")->assertOk();

        $plate = Shapes::both(Shapes::ball(5.0, 20, 0.0, 5.0), Shapes::box(4.0, 4.0, 9.0, 2));
        $plate = Shapes::both(Shapes::ball(5.0, 20, 30.0, 5.0), $plate);
        $id = $this->printFile($figure, StlWriter::write($plate), name: 'plate.stl')->assertJsonPath('findings.0.kind', 'side by side')->json('id');
        self::assertIsInt($id);
        $this->postJson("/figures/{$figure->id}/meshes/{$id}/apart")->assertOk()->assertJsonPath('message', '"plate" became 2 print files.');
        self::assertSame(['plate 1', 'plate 2'], $figure->meshes()->reorder('id')->pluck('title')->all());
        self::assertSame($plate->triangles(), (int) $figure->meshes()->sum('triangles'));
        // Each knows what it was pulled out of; what was chosen on it meanwhile is there when it is one file again.
        [$one, $two] = $figure->meshes()->reorder('id')->get()->all();
        StoredStudy::putChosen($one->path, array_fill(0, $one->triangles, [7]));
        StoredStudy::putChosen($two->path, array_fill(0, $two->triangles, [9]));
        $apart = "/figures/{$figure->id}/meshes/{$two->id}/apart";
        $this->postJson($apart, ['isApart' => false])->assertOk()->assertJsonPath('message', '"plate" is one print file again.');
        $whole = $figure->meshes()->sole();
        self::assertSame(['plate', $plate->triangles(), null], [$whole->title, $whole->triangles, $whole->apart_path]);
        self::assertEquals([7 => $one->triangles, 9 => $two->triangles], array_count_values(array_filter(array_merge(...StoredStudy::chosenOf($whole->path)), is_int(...))));
        self::assertFalse(MeshStore::has("{$one->path}.pos"));
        $this->postJson($apart, ['isApart' => false])->assertNotFound();
        $this->postJson("/figures/{$figure->id}/meshes/{$whole->id}/apart", ['isApart' => false])->assertUnprocessable();
        // Apart again, and the parts taken off one by one: the last takes the file that they came from along.
        $this->postJson("/figures/{$figure->id}/meshes/{$whole->id}/apart")->assertOk();
        foreach ($figure->meshes()->get() as $part) {
            self::assertTrue(MeshStore::has("{$whole->path}.pos"));
            $this->deleteJson("/figures/{$figure->id}/meshes/{$part->id}")->assertOk();
        }
        self::assertFalse(MeshStore::has("{$whole->path}.pos"));

        // Supports that lift one of two parts, left out first: pulled apart and one file again, they can be put back as ever, and nothing of all that stays on disk.
        $both = Shapes::both($file, Pose::of([40.0, 0.0, 0.0])->applied(Shapes::box(6.0, 6.0, 9.0, 3)));
        $id = $this->printFile($figure, StlWriter::write($both), name: 'kit.stl')->json('id');
        self::assertIsInt($id);
        $mend = fn (int $id, bool $is): TestResponse => $this->postJson("/figures/{$figure->id}/meshes/{$id}/mend", ['kind' => 'supports', 'isMended' => $is])->assertOk();
        $mend($id, true)->assertJsonPath('triangles', $own + 108);
        $this->postJson("/figures/{$figure->id}/meshes/{$id}/apart")->assertOk();
        $this->postJson("/figures/{$figure->id}/meshes/{$figure->meshes()->firstOrFail()->id}/apart", ['isApart' => false])->assertOk();
        $whole = $figure->meshes()->sole();
        $mend($whole->id, false)->assertJsonPath('triangles', $both->triangles());
        $mend($whole->id, true);
        $this->postJson("/figures/{$figure->id}/meshes/{$whole->id}/apart")->assertOk();
        foreach ($figure->meshes()->get() as $part) {
            $this->deleteJson("/figures/{$figure->id}/meshes/{$part->id}")->assertOk();
        }
        self::assertSame([], Storage::disk('local')->files('meshes'));
    }
}
