<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\ImportShelfFile;
use App\Jobs\ReadMesh;
use App\Jobs\ReadSheetPhoto;
use App\Jobs\Turn;
use App\Models\Light\LightRecord;
use App\Models\Painter;
use App\Models\Shelf\SwatchSheet;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Hyalin\Formats\Meshes\StlWriter;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Inertia\Testing\AssertableInertia;
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
        $task = static fn (): Task => Task::query()->where('kind', TaskKind::Light)->latest('id')->firstOrFail();
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->kill($task());
        $this->work();
        self::assertSame([TaskState::Done, null], [$task()->state, $task()->problem]);
        self::assertSame(0, DB::table('jobs')->count());

        // Killed twice: the second time is the last.
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->kill($task(), 2);
        $this->work();
        self::assertSame(TaskState::Failed, $task()->state);
        self::assertStringContainsString('the server ended while it worked', (string) $task()->problem);

        // Asked again while the first one is lost: what becomes of that is nothing to it.
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $this->kill($task(), 2);
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        DB::table('jobs')->orderByDesc('id')->limit(1)->update(['available_at' => 0, 'id' => -1]);
        $this->work();
        self::assertSame(TaskState::Done, $task()->state);
        $this->work();
        self::assertSame([TaskState::Done, null], [$task()->state, $task()->problem]);
        self::assertSame($task()->id, LightRecord::ofFigure($figure)->task_id);
    }

    /** Found by 200 kills: in a moment the job was given up and nobody said so. */
    public function test_lighting_whose_job_is_gone_is_told(): void
    {
        $figure = $this->figure();
        config(['queue.default' => 'sync']);
        $this->printFile($figure, StlWriter::write(Shapes::box(10.0, 10.0, 10.0, 3)));
        config(['queue.default' => 'database']);
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        $lighting = fn (): mixed => $this->getJson("/figures/{$figure->id}/light/shown")->json('lighting.state');
        $this->travel(5)->minutes();
        self::assertSame('waiting', $lighting());
        $job = DB::table('jobs')->first();
        self::assertNotNull($job);
        DB::table('jobs')->delete();
        $this->getJson("/figures/{$figure->id}/light/shown")->assertJsonPath('lighting.state', 'failed')->assertJsonPath('lighting.problem', 'The light was not calculated: the server ended meanwhile. Try again.');
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        DB::table('jobs')->delete();
        self::assertSame('waiting', $lighting(), 'what was heard of just now is waited for');
        $this->travel(1)->minutes();
        self::assertSame('failed', $lighting());
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
        $photo = ReadSheetPhoto::ask(SwatchSheet::query()->sole());
        $upload = $figure->meshUploads()->create(['name' => 'box.stl', 'bytes' => 84, 'received' => 84, 'fingerprint' => 'x', 'path' => 'meshes/box', 'state' => 'reading']);
        ReadMesh::ask($upload, false);
        $import = ImportShelfFile::ask($this->painter, 'own.csv', '');
        $this->postJson("/figures/{$figure->id}/proposal-searches")->assertAccepted();
        $this->postJson("/figures/{$figure->id}/areas/{$area->id}/mixes/proof", ['layers' => [$this->layer($pot)], 'index' => 0, 'zone' => 'mid'])->assertAccepted();
        self::assertSame(5, Task::query()->count());
        $this->travel(10)->minutes();
        // A worker that has taken a job is at it.
        $taken = Queue::connection()->pop(Turn::SHORT);
        foreach (Task::query()->get() as $task) {
            $this->getJson("/tasks/{$task->id}")->assertJsonPath('state', 'waiting');
        }
        $taken?->delete();
        foreach ([Turn::SHORT, Turn::LONG, Turn::LATER] as $name) {
            while (($job = Queue::connection()->pop($name)) !== null) {
                $job->delete();
            }
        }
        foreach (Task::query()->get() as $task) {
            $this->getJson("/tasks/{$task->id}")->assertJsonPath('state', 'failed')->assertJsonPath('problem', $task->kind->failed().': the server ended meanwhile. Try again.');
        }
        // And so are the records that hang on them.
        $this->getJson("/figures/{$figure->id}/mesh-uploads/{$upload->id}")->assertJsonPath('state', 'failed')->assertJsonPath('problem', 'The print file was not read, and nothing was added: the server ended meanwhile. Try again.');
        $this->getJson("/shelf/imports/{$import->id}")->assertJsonPath('task.state', 'failed')->assertJsonPath('pots', 0);
        $this->get("/sheets/{$photo->sheet_id}")->assertInertia(fn (AssertableInertia $page) => $page->where('photos.0.task.state', 'failed')->where('photos.0.isRead', false));
    }

    /** @return list<array{string}> */
    public static function queues(): array
    {
        return getenv('CACHE_STORE') === 'redis' ? [['database'], ['redis']] : [['database']];
    }

    public function test_an_import_that_was_done_when_its_worker_died_is_not_called_failed(): void
    {
        ImportShelfFile::ask($this->painter, 'shelf.csv', "maker,name,kind,sheen,colour\nOsmerby,Fen,acrylic,matt,#43351b\n");
        Task::query()->update(['state' => TaskState::Done]);
        DB::table('jobs')->update(['attempts' => 2, 'reserved_at' => time() - 3600]);
        $this->work();
        self::assertSame(TaskState::Done, Task::query()->sole()->state);
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
        self::assertSame(3, Task::query()->where('kind', TaskKind::Finishes)->count());
    }

    /** As a worker leaves a job that is killed at it. */
    private function kill(Task $task, int $attempts = 1): void
    {
        DB::table('jobs')->update(['attempts' => $attempts, 'reserved_at' => time() - 3600]);
        $task->update(['state' => TaskState::Running, 'progress' => 0.4]);
    }

    private function work(): void
    {
        Artisan::call('queue:work', ['--queue' => 'short,long,later', '--once' => true, '--tries' => 1, '--sleep' => 0]);
    }
}
