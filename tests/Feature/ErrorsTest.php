<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\StoredFile;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use PDO;
use PDOException;
use RuntimeException;

final class ErrorsTest extends TestCase
{
    public function test_what_is_not_there_is_said_on_a_page_of_ours(): void
    {
        foreach (['/no-such-page', '/figures/999/brief', '/figures/none/brief'] as $path) {
            $this->get($path)->assertNotFound()->assertInertia(fn (AssertableInertia $page) => $page->component('error/index')->where('status', 404));
        }
        $this->getJson('/figures/999/brief')->assertNotFound()->assertJsonStructure(['message']);
        $this->put('/shelf')->assertStatus(405);
    }

    public function test_nothing_of_the_house_is_told_and_downloads_have_their_names(): void
    {
        $words = $this->getJson('/figures/999/brief')->assertNotFound()->json('message');
        self::assertSame('It is not there, or not yours.', $words);
        $figure = $this->figure();
        $figure->update(['name' => '騎士 / No. 1']);
        $answer = $this->get("/figures/{$figure->id}/figure.zip")->assertOk();
        self::assertStringContainsString('private', (string) $answer->headers->get('Cache-Control'));
        self::assertStringNotContainsString('public', (string) $answer->headers->get('Cache-Control'));
        foreach (['figure.zip' => 'attachment', 'quantities.csv' => 'attachment', 'card.pdf' => 'inline'] as $file => $how) {
            $named = (string) $this->get("/figures/{$figure->id}/{$file}")->headers->get('Content-Disposition');
            self::assertStringStartsWith("{$how}; filename=", $named);
            self::assertStringContainsString("filename*=utf-8''".rawurlencode('騎士'), $named);
        }
        // A file that the disk has lost is no fault of the page.
        $figure->pictures()->create(['title' => 'x', 'path' => 'pictures/lost.png', 'width' => 1, 'height' => 1]);
        $this->getJson("/figures/{$figure->id}/figure.zip")->assertNotFound()->assertJsonPath('message', fn (string $w): bool => str_contains($w, 'missing on the disk'));
        $this->get("/figures/{$figure->id}/references")->assertOk();
    }

    /** In the database's own words, made by a database of its own: a full one ends every transaction about it. */
    public function test_a_full_disk_and_one_that_cannot_be_written_to_are_said(): void
    {
        config(['app.debug' => false]);
        foreach (['PRAGMA max_page_count = 2' => 'There is no room left', 'PRAGMA query_only = 1' => 'cannot be written to. Nothing was changed'] as $pragma => $words) {
            Route::post('/full', static function () use ($pragma): void {
                $database = new PDO('sqlite::memory:');
                $database->exec('create table x (y text)');
                $database->exec($pragma);
                try {
                    $database->exec("insert into x values ('".str_repeat('y', 20_000)."')");
                } catch (PDOException $e) {
                    throw new QueryException('sqlite', 'insert', [], $e);
                }
            })->middleware('web');
            $this->postJson('/full')->assertStatus(503)->assertHeaderMissing('Retry-After')->assertJsonPath('message', fn (string $w): bool => str_contains($w, $words));
        }
        // A device of Linux that is always full: files meet it as they would a disk. What was begun beside is gone.
        $disk = Storage::disk('local');
        $disk->put('stills/kept', 'x');
        symlink('/dev/full', $disk->path('stills/1.png.part'));
        Route::post('/full', static fn () => StoredFile::put('stills/1.png', str_repeat('y', 20_000)))->middleware('web');
        $this->postJson('/full')->assertStatus(503)->assertJsonPath('message', fn (string $w): bool => str_contains($w, 'could not be written on the server'));
        self::assertSame(['stills/kept'], $disk->allFiles());
        Route::post('/busy', static fn () => throw new QueryException('sqlite', 'insert', [], new PDOException('SQLSTATE[HY000]: General error: 5 database is locked')))->middleware('web');
        $this->postJson('/busy')->assertStatus(503)->assertHeader('Retry-After', '1');
    }

    /** Tries with a painter's name from elsewhere do not shut that painter out. */
    public function test_wrong_tries_count_where_they_come_from(): void
    {
        Auth::logout();
        $try = fn (string $from, string $password): int => $this->withServerVariables(['REMOTE_ADDR' => $from])->post('/sign-in', ['email' => $this->painter->email, 'password' => $password])->status();
        for ($n = 0; $n < 5; $n++) {
            self::assertSame(302, $try('192.0.2.1', 'wrong'));
        }
        self::assertSame(429, $try('192.0.2.1', 'wrong'));
        self::assertSame(302, $try('192.0.2.2', 'a long enough password'));
        $this->assertAuthenticatedAs($this->painter);
        Auth::logout();
        // Guessed from ever other places the name is closed at last, for a minute.
        $codes = [];
        for ($n = 0; $n < 100; $n++) {
            $codes[] = $try('198.51.100.'.$n, 'wrong');
        }
        self::assertContains(429, $codes);
    }

    public function test_a_fault_shows_no_trace_unless_a_developer_looks(): void
    {
        Route::get('/fault', static fn () => throw new RuntimeException('secret of the house'))->middleware('web');
        config(['app.debug' => false]);
        $this->get('/fault')->assertStatus(500)->assertDontSee('secret of the house');
        $this->getJson('/fault')->assertStatus(500)->assertDontSee('secret of the house');
    }

    /** Whatever a request holds, the answer is a refusal and not a fault. */
    public function test_malformed_requests_are_refused(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $pot = $this->pot('Peat', '#33251b');
        $url = "/figures/{$figure->id}/areas/{$area->id}";
        $deep = ['a' => ['b' => ['c' => 1]]];
        foreach ([null, 'text', 7, [], [null], ['x' => 1], $deep, array_fill(0, 60, [])] as $nonsense) {
            foreach ([
                ['PUT', "{$url}/finish", ['layers' => [$nonsense], 'version' => 1]],
                ['PUT', "{$url}/finish", ['layers' => [[...$this->layer($pot), 'mix' => [$nonsense]]], 'version' => 1]],
                ['PUT', "{$url}/finish", ['layers' => [[...$this->layer($pot), 'zones' => [$nonsense]]], 'version' => 1]],
                ['POST', "{$url}/mixes", ['layers' => [$this->layer($pot)], 'index' => $nonsense, 'zone' => 'mid']],
                ['POST', "{$url}/mixes", ['layers' => [$this->layer($pot)], 'index' => 0, 'zone' => $nonsense]],
                ['POST', "{$url}/samples", ['pictureId' => $nonsense, 'zone' => 'mid', 'method' => 'spot', 'points' => [[0, 0], [1, 1]]]],
                ['POST', "{$url}/samples", ['pictureId' => 1, 'zone' => 'mid', 'method' => 'lasso', 'points' => [$nonsense, $nonsense]]],
                ['POST', '/shelf/paints', ['name' => $nonsense, 'thickHex' => $nonsense]],
                ['PATCH', "/shelf/paints/{$pot->id}", ['version' => $nonsense]],
                ['POST', '/figures', ['name' => $nonsense, 'heightMm' => $nonsense]],
            ] as [$method, $path, $body]) {
                $status = $this->json($method, $path, $body)->status();
                self::assertContains($status, [302, 404, 409, 422], "{$method} {$path} ".json_encode($body));
            }
        }
        self::assertSame(0, $area->layers()->count());
    }
}
