<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\BenchFile\BenchWriter;
use App\Jobs\ImportBenchFile;
use App\Models\Painter;
use App\Models\Task;
use App\Models\TaskState;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/**
 * Files that take long to decode are read in the queue: no web worker is held up by one, and all or nothing of it comes in.
 */
final class IncomingTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        config(['queue.default' => 'database']);
    }

    public function test_a_large_picture_is_read_by_a_worker_and_then_used_wherever_a_picture_is(): void
    {
        $figure = $this->figure();
        $small = UploadedFile::fake()->createWithContent('small.jpg', self::picture(60, 40, imagejpeg(...)));
        $this->post('/incoming/pictures', ['picture' => $small], self::JSON)->assertAccepted()->assertJsonPath('state', 'done');
        $bytes = self::picture(2400, 1400, imagejpeg(...));
        $this->post("/figures/{$figure->id}/pictures", ['picture' => UploadedFile::fake()->createWithContent('large.jpg', $bytes)], self::JSON)->assertUnprocessable()->assertJsonValidationErrors('picture');
        $id = $this->send($bytes)->assertAccepted()->assertJsonPath('state', 'waiting')->json('id');
        $use = fn (mixed $incoming): TestResponse => $this->postJson("/figures/{$figure->id}/pictures", ['incoming' => $incoming, 'title' => 'The hood.final.jpg']);
        $use($id)->assertUnprocessable()->assertJsonPath('errors.picture.0', 'This picture is no longer here. Send it again.');
        $this->work();
        $this->getJson('/tasks/'.self::last()->id)->assertJsonPath('state', 'done');
        $use($id)->assertCreated()->assertJsonPath('title', 'The hood.final')->assertJsonPath('width', 1600);
        // It may be measured more than once; another painter has nothing of it.
        $this->post('/shelf/list/caps', ['incoming' => $id, 'spots' => [[0.5, 0.5, 0.01]]], self::JSON)->assertOk()->assertJsonCount(1, 'hexes');
        $this->actingAs(Painter::factory()->create());
        $this->post('/shelf/list/caps', ['incoming' => $id, 'spots' => [[0.5, 0.5, 0.01]]], self::JSON)->assertUnprocessable();
        $this->actingAs($this->painter);
        // A damaged one is told by the worker; what is an hour old is thrown away, with its file.
        $png = self::picture(2400, 1400, imagepng(...));
        $this->send(substr_replace($png, 'XXXX', intdiv(strlen($png), 2), 4))->assertAccepted();
        $this->work();
        self::assertSame(TaskState::Failed, self::last()->state);
        self::assertStringContainsString('damaged', (string) self::last()->problem);
        $this->travel(2)->hours();
        $last = $this->send($bytes)->json('id');
        self::assertSame([$last], Task::query()->pluck('id')->all());
        self::assertCount(1, Storage::disk('local')->files('incoming'));
    }

    public function test_a_bench_file_is_taken_in_by_a_worker_asks_and_can_be_cancelled(): void
    {
        $this->figure();
        $path = (string) tempnam(sys_get_temp_dir(), 'bench');
        BenchWriter::write($path, $this->painter);
        $bytes = (string) file_get_contents($path);
        $this->bench('no zip')->assertUnprocessable()->assertJsonValidationErrors('bench');
        $first = $this->bench($bytes)->assertAccepted()->assertJsonPath('state', 'waiting')->json('id');
        $this->work();
        $this->getJson('/bench/import')->assertJsonPath('task.id', $first)->assertJsonPath('task.state', 'asks');
        self::assertSame(1, $this->painter->figures()->count());
        // Pressed twice, it comes in once.
        $both = fn (): TestResponse => $this->postJson('/tasks/'.self::last()->id.'/both');
        $both()->assertAccepted();
        $both()->assertOk();
        self::assertSame(1, DB::table('jobs')->count());
        // Its worker is killed at it, before the last word and after.
        DB::table('jobs')->update(['attempts' => 1, 'reserved_at' => time() - 3600]);
        Task::query()->update(['state' => TaskState::Running]);
        $this->work();
        $this->getJson('/bench/import')->assertJsonPath('task', null);
        $file = Task::query()->firstOrFail();
        self::assertSame([TaskState::Done, 2], [$file->state, $this->painter->figures()->count()]);
        self::assertStringContainsString('Imported: 1 figure', json_encode($file->result) ?: '');
        ImportBenchFile::dispatchSync($file);
        self::assertSame([2, []], [$this->painter->figures()->count(), Storage::disk('local')->files('incoming')]);
        // Killed twice it is told; cancelled, nothing comes.
        $this->bench($bytes, ['both' => 1])->assertAccepted();
        DB::table('jobs')->update(['attempts' => 2, 'reserved_at' => time() - 3600]);
        $this->work();
        self::assertStringContainsString('nothing was added', (string) self::last()->problem);
        $this->bench($bytes, ['both' => 1])->assertAccepted();
        $this->deleteJson('/tasks/'.self::last()->id)->assertOk();
        $this->getJson('/tasks/'.self::last()->id)->assertJsonPath('state', 'stopped');
        $this->work();
        self::assertSame([2, []], [$this->painter->figures()->count(), Storage::disk('local')->files('incoming')]);
    }

    private const JSON = ['Accept' => 'application/json'];

    /** @return TestResponse<Response> */
    private function send(string $bytes): TestResponse
    {
        return $this->post('/incoming/pictures', ['picture' => UploadedFile::fake()->createWithContent('x.jpg', $bytes)], self::JSON);
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<Response>
     */
    private function bench(string $bytes, array $with = []): TestResponse
    {
        return $this->post('/bench', ['bench' => UploadedFile::fake()->createWithContent('bench.zip', $bytes), ...$with], self::JSON);
    }

    private static function last(): Task
    {
        return Task::query()->latest('id')->firstOrFail();
    }

    private function work(): void
    {
        Artisan::call('queue:work', ['--queue' => 'short,long,later', '--once' => true, '--tries' => 1, '--sleep' => 0]);
    }

    /**
     * @param  int<1, max>  $width
     * @param  int<1, max>  $height
     * @param  callable(\GdImage): bool  $write
     */
    private static function picture(int $width, int $height, callable $write): string
    {
        $image = imagecreatetruecolor($width, $height);
        imagefilledrectangle($image, 0, 0, $width, intdiv($height, 2), 0xA07840);
        ob_start();
        $write($image);

        return (string) ob_get_clean();
    }
}
