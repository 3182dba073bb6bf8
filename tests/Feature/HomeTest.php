<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Console\TypeScriptProps;
use App\Http\Controllers\SignInController;
use App\Models\Bench\Run;
use App\Models\Bench\Timer;
use App\Models\Brief\Figure;
use App\Models\Compare\Correction;
use App\Models\Compare\LessonRecord;
use App\Models\Cups\CupRecord;
use App\Models\Painter;
use App\Models\Practice\PracticeRound;
use App\Models\SetAsideEdit;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\ShelfImport;
use App\Models\Shelf\SwatchSheet;
use App\Models\Task;
use App\Models\TaskKind;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;

/**
 * Who gets in, and to what.
 */
final class HomeTest extends TestCase
{
    public function test_signing_in_needs_the_right_password_and_is_slowed_after_five_tries(): void
    {
        Auth::logout();
        $this->get('/')->assertRedirect('/sign-in');
        for ($try = 0; $try < 5; $try++) {
            $this->post('/sign-in', ['email' => $this->painter->email, 'password' => 'wrong'])->assertSessionHasErrors('email');
        }
        $this->post('/sign-in', ['email' => $this->painter->email, 'password' => 'wrong'])->assertTooManyRequests();
        $this->post('/sign-in', ['email' => [$this->painter->email], 'password' => 'wrong'])->assertSessionHasErrors('email');
        $this->travel(2)->minutes();
        if (config('cache.default') === 'redis') {
            // Redis has a clock of its own, and forgets by that.
            Cache::flush();
        }
        $this->post('/sign-in', ['email' => $this->painter->email, 'password' => 'a long enough password'])->assertRedirect('/');
        $this->assertAuthenticatedAs($this->painter);
    }

    public function test_the_one_press_entry_exists_in_the_demo_only(): void
    {
        Auth::logout();
        $ines = Painter::factory()->create(['email' => SignInController::DEMO_EMAIL]);
        $this->post('/sign-in/demo')->assertRedirect('/');
        $this->assertAuthenticatedAs($ines);
        Auth::logout();
        config(['hyalin.demo' => false]);
        $this->post('/sign-in/demo')->assertNotFound();
        $this->get('/sign-in')->assertOk()->assertDontSee(SignInController::DEMO_PASSWORD);
        // Nor does its published password open anything then; one of her own does.
        $ines->update(['password' => SignInController::DEMO_PASSWORD]);
        $this->post('/sign-in', ['email' => strtoupper(SignInController::DEMO_EMAIL), 'password' => SignInController::DEMO_PASSWORD])->assertSessionHasErrors('email');
        $this->assertGuest();
        $ines->update(['password' => 'a lamp of her own']);
        $this->post('/sign-in', ['email' => SignInController::DEMO_EMAIL, 'password' => 'a lamp of her own'])->assertRedirect('/');
    }

    public function test_accounts_are_made_listed_and_deleted_from_the_command_line(): void
    {
        Auth::logout();
        $run = static function (array $arguments): array {
            $code = Artisan::call('hyalin:painter', $arguments);

            return [$code, trim(Artisan::output())];
        };
        [$code, $words] = $run(['action' => 'create', 'email' => 'Oda@Example.com', '--name' => 'Oda']);
        self::assertSame(0, $code);
        $password = trim(substr($words, (int) strpos($words, 'Password:') + 9));
        $this->post('/sign-in', ['email' => 'oda@example.com', 'password' => $password])->assertRedirect('/');
        $oda = Painter::query()->where('email', 'oda@example.com')->sole();
        $this->assertAuthenticatedAs($oda);
        $this->get('/')->assertOk();
        $figure = $this->figure($oda);
        self::assertStringContainsString('oda@example.com  Oda  1 figures', $run(['action' => 'list'])[1]);
        self::assertSame([0, 'oda@example.com has another password, and was signed out everywhere.'], $run(['action' => 'password', 'email' => 'oda@example.com', '--password' => 'quite another one']));
        // Signed in before, it is asked again.
        Auth::forgetGuards();
        $this->get('/')->assertRedirect('/sign-in');
        $this->post('/sign-in', ['email' => 'oda@example.com', 'password' => $password])->assertSessionHasErrors('email');
        $this->post('/sign-in', ['email' => 'oda@example.com', 'password' => 'quite another one'])->assertRedirect('/');
        foreach ([
            ['action' => 'create', 'email' => 'oda@example.com'], ['action' => 'create', 'email' => 'nobody'], ['action' => 'create', 'email' => 'b@example.com', '--password' => 'short'],
            ['action' => 'password', 'email' => 'b@example.com'], ['action' => 'rename', 'email' => 'oda@example.com'],
        ] as $wrong) {
            self::assertSame(1, $run($wrong)[0]);
        }
        self::assertSame(0, $run(['action' => 'delete', 'email' => 'oda@example.com', '--force' => true])[0]);
        self::assertSame([0, 0], [Painter::query()->whereKey($oda->id)->count(), Figure::query()->whereKey($figure->id)->count()]);
    }

    /** Every route with a record in it is asked for another painter's record: it is not there. */
    public function test_another_painters_records_are_not_found(): void
    {
        $other = Painter::factory()->create();
        $theirs = $this->figure($other);
        $area = $this->area($theirs);
        $part = $theirs->parts()->create(['name' => 'Body']);
        $picture = $theirs->pictures()->create(['title' => 'x', 'path' => 'x.png', 'width' => 1, 'height' => 1]);
        $run = new Run(['figure_id' => $theirs->id, 'number' => 1]);
        $run->painter_id = $other->id;
        $run->save();
        foreach ([$cup = new CupRecord(['name' => 'x']), $import = new ShelfImport(['file_name' => 'x', 'text' => 'x'])] as $record) {
            $record->painter_id = $other->id;
            $record->save();
        }
        $timer = new Timer(['key' => str_repeat('A', 26), 'what' => 'epoxy', 'ends_at' => now()]);
        $timer->painter_id = $other->id;
        $timer->save();
        $correction = new Correction(['technique' => 'wash', 'paint_id' => $this->pot('Fen', '#43351b', owner: $other)->id, 'factors' => array_fill(0, 36, 1.0), 'seen' => 1, 'difference' => 1]);
        $correction->painter_id = $other->id;
        $correction->save();
        $head = $theirs->parts()->create(['name' => 'Head']);
        $joint = $theirs->joints()->create(['part_id' => $part->id, 'other_id' => $head->id]);
        $boundary = $theirs->boundaries()->create(['area_id' => $area->id, 'other_id' => $this->area($theirs, 'Hood')->id, 'mm' => 5]);
        $rule = $theirs->ownRules()->create(['before' => 'a', 'after' => 'b', 'reason' => 'x']);
        $balance = $theirs->balances()->create(['kind' => 'focal point', 'area_id' => $area->id, 'limit' => 0]);
        $chip = new ChipRecord(['technique' => 'wash', 'paint_id' => $this->pot('Bog', '#43351b', owner: $other)->id, 'thinner' => 0, 'coats' => 1, 'card' => 0.5, 'read' => array_fill(0, 36, 0.5)]);
        $chip->painter_id = $other->id;
        $chip->save();
        $lesson = new LessonRecord(['figure_id' => $theirs->id, 'picture_id' => $picture->id, 'before' => ['pots' => [], 'hands' => []], 'words' => []]);
        $lesson->painter_id = $other->id;
        $lesson->save();
        $setAside = SetAsideEdit::query()->create(['painter_id' => $other->id, 'subject' => 'Area', 'subject_id' => 1, 'based_on' => 0, 'values' => []]);
        $practice = new PracticeRound(['exercise' => 'lighter', 'subject' => 'x', 'level' => 1.0, 'task' => []]);
        $practice->painter_id = $other->id;
        $practice->save();
        $task = Task::ask(TaskKind::Zones, $other->id, $theirs->id);
        $sheet = new SwatchSheet;
        $sheet->painter_id = $other->id;
        $sheet->save();
        $records = [
            'practiceRound' => $practice->id, 'sheet' => $sheet->id, 'photo' => $sheet->photos()->create()->id,
            'setAside' => $setAside->id,
            'lesson' => $lesson->id, 'timer' => $timer->id, 'mesh' => $theirs->meshes()->create([
                'title' => 'x',
                'path' => 'meshes/x',
                'triangles' => 1,
                'measures' => [],
            ])->id, 'version' => $theirs->versions()->create(['number' => 1, 'why' => 'x', 'finishes' => []])->id,
            'meshUpload' => $theirs->meshUploads()->create(['name' => 'x.stl', 'bytes' => 1, 'fingerprint' => 'x', 'path' => 'uploads/x'])->id,
            'cup' => $cup->id, 'shelfImport' => $import->id, 'balance' => $balance->id, 'chip' => $chip->id,
            'task' => $task->id, 'swatch' => 'thick', 'key' => str_repeat('A', 26),
            'figure' => $theirs->id, 'area' => $area->id, 'part' => $part->id, 'picture' => $picture->id, 'run' => $run->id,
            'step' => 1, 'paint' => $this->pot('Peat', '#33251b', owner: $other)->id, 'correction' => $correction->id, 'joint' => $joint->id, 'boundary' => $boundary->id, 'ownRule' => $rule->id, 'ownStep' => $theirs->ownSteps()->create(['key' => 'x', 'words' => 'x', 'minutes' => 1])->id, 'zone' => 'mid',
        ];
        $asked = 0;
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            // A format is not a record: the shelf goes out in each.
            if (in_array($route->parameterNames(), [[], ['format']], true) || ! in_array('auth', $route->gatherMiddleware(), true)) {
                continue;
            }
            $path = (string) preg_replace_callback('/{(\w+)\??}/', static fn (array $m): string => (string) $records[$m[1]], $route->uri());
            $this->json($route->methods()[0], $path)->assertNotFound();
            $asked++;
        }
        self::assertGreaterThan(45, $asked);

        // An area of another figure of one's own is not found under this one either.
        $mine = $this->figure();
        $elsewhere = $this->area($this->figure());
        $this->postJson("/figures/{$mine->id}/areas/{$elsewhere->id}/section", ['layers' => []])->assertNotFound();
        self::assertSame(3, Figure::query()->count());
    }

    /** A guest is asked to sign in at every door; what belongs to another figure is not under this one. */
    public function test_every_door_is_closed_to_guests_and_to_what_is_elsewhere(): void
    {
        $mine = $this->figure();
        $theirs = $this->figure(Painter::factory()->create());
        $part = $theirs->parts()->create(['name' => 'Body']);
        $records = ['area' => $this->area($theirs)->id, 'part' => $part->id, 'figure' => $mine->id, 'mesh' => $theirs->meshes()->create(['title' => 'x', 'path' => 'meshes/x', 'triangles' => 1, 'measures' => []])->id];
        $paths = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if (in_array('auth', $route->gatherMiddleware(), true)) {
                $paths[] = [$route->methods()[0], $route->uri(), array_values(array_filter($route->parameterNames(), static fn (mixed $name): bool => $name !== 'figure'))];
            }
        }
        self::assertGreaterThan(120, count($paths));
        $mismatched = 0;
        foreach ($paths as [$method, $uri, $others]) {
            if ($others !== [] && array_filter($others, static fn (mixed $name): bool => ! is_string($name) || ! isset($records[$name])) === [] && str_contains($uri, '{figure}')) {
                $this->json($method, self::filled($uri, $records))->assertNotFound();
                $mismatched++;
            }
        }
        self::assertGreaterThan(15, $mismatched);
        Auth::logout();
        foreach ($paths as [$method, $uri]) {
            $this->json($method, self::filled($uri, $records))->assertUnauthorized();
        }
        self::assertSame([1, 1], [$mine->newQuery()->whereKey($mine->id)->count(), $theirs->parts()->count()]);
    }

    /** @param  array<string, int>  $records */
    private static function filled(string $uri, array $records): string
    {
        return (string) preg_replace_callback('/{(\w+)\??}/', static fn (array $m): string => (string) ($records[$m[1]] ?? ['format' => 'csv', 'zone' => 'mid', 'swatch' => 'thick'][$m[1]] ?? 1), $uri);
    }

    public function test_every_answer_carries_the_security_headers_and_no_inline_script(): void
    {
        foreach (['/', '/shelf', '/no-such-page'] as $path) {
            $response = $this->get($path);
            $policy = (string) $response->headers->get('Content-Security-Policy');
            self::assertStringContainsString("script-src 'self';", $policy);
            self::assertSame('nosniff', $response->headers->get('X-Content-Type-Options'));
            self::assertDoesNotMatchRegularExpression('/<script(?![^>]*(src=|type="application\/json"))/', (string) $response->getContent());
        }
    }

    public function test_the_database_waits_for_its_turn_and_guards_its_keys(): void
    {
        if (DB::connection()->getDriverName() === 'sqlite') {
            self::assertEquals(1, DB::scalar('PRAGMA foreign_keys'));
            self::assertEquals(15000, DB::scalar('PRAGMA busy_timeout'));
        }
        $this->expectException(QueryException::class);
        DB::table('figures')->insert(['painter_id' => 999_999, 'name' => 'Nobody\'s']);
    }

    public function test_the_types_of_the_browser_are_those_of_the_props(): void
    {
        self::assertSame(
            (new TypeScriptProps)->generate(),
            file_get_contents(resource_path('js/types/generated.d.ts')),
            'Run php artisan hyalin:types and look at what changed.',
        );
    }
}
