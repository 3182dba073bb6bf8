<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\ImportShelfFile;
use App\Jobs\ProposeFigure;
use App\Jobs\ProveMix;
use App\Jobs\ReadMesh;
use App\Jobs\ReadSheetPhoto;
use App\Jobs\Turn;
use App\Models\Finish\MixSearchRecord;
use App\Models\Finish\ProposalSearchRecord;
use App\Models\Light\LightRecord;
use App\Models\Painter;
use App\Models\Shelf\ShelfImport;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Formats\Meshes\StlWriter;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\Shapes;

/**
 * What happens to work in the queue when its worker is killed, when it is asked for twice, and when others wait.
 */
final class JobsTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        config(['queue.default' => 'database']);
    }

    public function test_a_job_whose_worker_was_killed_is_resumed_once_and_then_told_as_it_is(): void
    {
        $figure = $this->figure();
        config(['queue.default' => 'sync']);
        $this->printFile($figure, StlWriter::write(Shapes::box(10.0, 10.0, 10.0, 3)));
        config(['queue.default' => 'database']);
        $light = fn (): LightRecord => LightRecord::ofFigure($figure);
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->kill($light());
        $this->work();
        self::assertSame(['done', null], [$light()->state, $light()->problem]);
        self::assertSame(0, DB::table('jobs')->count());

        // Killed twice: the second time is the last.
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->kill($light(), 2);
        $this->work();
        self::assertSame('failed', $light()->state);
        self::assertStringContainsString('the server ended while it worked', (string) $light()->problem);

        // Asked again while the first one is lost: what becomes of that is nothing to it.
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->kill($light(), 2);
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        DB::table('jobs')->orderByDesc('id')->limit(1)->update(['available_at' => 0, 'id' => -1]);
        $this->work();
        self::assertSame('done', $light()->state);
        $this->work();
        self::assertSame(['done', null], [$light()->state, $light()->problem]);
    }

    /** Found by 200 kills: in a moment the job was given up and nobody said so. */
    public function test_lighting_whose_job_is_gone_is_told(): void
    {
        $figure = $this->figure();
        config(['queue.default' => 'sync']);
        $this->printFile($figure, StlWriter::write(Shapes::box(10.0, 10.0, 10.0, 3)));
        config(['queue.default' => 'database']);
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $state = fn (): mixed => $this->getJson("/figures/{$figure->id}/light/progress")->json('state');
        $this->travel(5)->minutes();
        self::assertSame('waiting', $state());
        $job = DB::table('jobs')->first();
        self::assertNotNull($job);
        DB::table('jobs')->delete();
        $this->getJson("/figures/{$figure->id}/light/shown")->assertJsonPath('state', 'failed')->assertJsonPath('problem', 'The server ended while it calculated the lighting. Try again.');
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        DB::table('jobs')->delete();
        self::assertSame('waiting', $state(), 'what was heard of just now is waited for');
        $this->travel(1)->minutes();
        self::assertSame('failed', $state());
    }

    /**
     * @param  'database'|'redis'  $queue
     */
    #[DataProvider('queues')]
    public function test_whatever_is_waited_for_is_told_when_its_job_is_gone(string $queue): void
    {
        config(['queue.default' => $queue]);
        $figure = $this->figure();
        $area = $this->area($figure);
        $this->sample($area, 'mid', '#5c7434');
        $pot = $this->pot('Reed Green', '#5c7434');
        $this->postJson('/sheets', ['paper' => 'a4', 'fields' => [['paintId' => $pot->id]]])->assertCreated();
        $photo = SwatchSheet::query()->sole()->photos()->create(['path' => null]);
        $upload = $figure->meshUploads()->create(['name' => 'box.stl', 'bytes' => 84, 'received' => 84, 'fingerprint' => 'x', 'path' => 'meshes/box', 'state' => 'reading']);
        $own = ['painter_id' => $this->painter->id];
        $search = ProposalSearchRecord::forceCreate(['figure_id' => $figure->id, 'request' => [], ...$own]);
        $proof = MixSearchRecord::forceCreate(['area_id' => $area->id, 'request' => [], ...$own]);
        $import = ShelfImport::forceCreate(['file_name' => 'own.csv', 'text' => '', ...$own]);
        $jobs = [new ReadSheetPhoto($photo), new ReadMesh($upload, false), new ProposeFigure($search), new ProveMix($proof), new ImportShelfFile($import)];
        array_walk($jobs, static fn (ShouldQueue $job) => dispatch($job)->onQueue(Turn::LONG));
        $asked = [
            "/sheets/{$photo->sheet_id}/photos/{$photo->id}" => 'read the photo', "/figures/{$figure->id}/mesh-uploads/{$upload->id}" => 'box.stl was not read',
            "/proposal-searches/{$search->id}" => null, "/mix-searches/{$proof->id}" => null, "/shelf/imports/{$import->id}" => 'Nothing was added to the shelf',
        ];
        $this->travel(10)->minutes();
        // A worker that has taken a job is at it.
        $taken = Queue::connection()->pop(Turn::LONG);
        foreach (array_keys($asked) as $path) {
            self::assertContains($this->getJson($path)->assertSuccessful()->json('state'), ['waiting', 'reading'], $path);
        }
        $taken?->delete();
        while (($job = Queue::connection()->pop(Turn::LONG)) !== null) {
            $job->delete();
        }
        foreach ($asked as $path => $said) {
            $answer = $this->getJson($path)->assertJsonPath('state', 'failed');
            if ($said !== null) {
                self::assertStringContainsString($said, (string) json_encode($answer->json()));
            }
        }
    }

    /** @return list<array{string}> */
    public static function queues(): array
    {
        return getenv('CACHE_STORE') === 'redis' ? [['database'], ['redis']] : [['database']];
    }

    public function test_an_import_that_was_done_when_its_worker_died_is_not_called_failed(): void
    {
        $import = new ShelfImport(['file_name' => 'shelf.csv', 'text' => "maker,name,kind,sheen,colour\nOsmerby,Fen,acrylic,matt,#43351b\n"]);
        $import->painter_id = $this->painter->id;
        $import->save();
        ImportShelfFile::dispatch($import)->onQueue(Turn::SHORT);
        $import->update(['state' => 'done']);
        DB::table('jobs')->update(['attempts' => 2, 'reserved_at' => time() - 3600]);
        $this->work();
        self::assertSame('done', $import->refresh()->state);
    }

    public function test_a_painters_second_long_job_waits_for_the_first_of_others(): void
    {
        $figure = $this->figure();
        $this->sample($this->area($figure), 'mid', '#5c7434');
        $this->pot('Reed Green', '#5c7434');
        foreach ([1, 2] as $_) {
            $this->postJson("/figures/{$figure->id}/proposal-searches")->assertSuccessful();
        }
        $other = Painter::factory()->create()->refresh();
        $theirs = $this->figure($other);
        $this->sample($this->area($theirs), 'mid', '#5c7434');
        $this->actingAs($other);
        $this->pot('Chalk White', '#f4f3ee', owner: $other);
        $this->postJson("/figures/{$theirs->id}/proposal-searches")->assertSuccessful();
        self::assertSame([Turn::LONG, Turn::LATER, Turn::LONG], DB::table('jobs')->orderBy('id')->pluck('queue')->all());
        self::assertSame(3, ProposalSearchRecord::query()->count());
    }

    /** As a worker leaves a job that is killed at it. */
    private function kill(LightRecord $light, int $attempts = 1): void
    {
        DB::table('jobs')->update(['attempts' => $attempts, 'reserved_at' => time() - 3600]);
        $light->update(['state' => 'running', 'progress' => 0.4]);
    }

    private function work(): void
    {
        Artisan::call('queue:work', ['--queue' => 'short,long,later', '--once' => true, '--tries' => 1, '--sleep' => 0]);
    }
}
