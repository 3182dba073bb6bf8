<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Painter;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * The database as it is served: a file, several writers.
 */
final class DatabaseTest extends TestCase
{
    private string $file;

    protected function setUp(): void
    {
        parent::setUp();
        $this->file = (string) tempnam(sys_get_temp_dir(), 'hyalin');
        config(['database.connections.file' => [...(array) config('database.connections.sqlite'), 'database' => $this->file, 'busy_timeout' => 200]]);
        config(['database.connections.second' => config('database.connections.file')]);
        Artisan::call('migrate', ['--database' => 'file', '--force' => true]);
    }

    protected function tearDown(): void
    {
        DB::purge('file');
        DB::purge('second');
        foreach (glob($this->file.'*') ?: [] as $file) {
            unlink($file);
        }
        parent::tearDown();
    }

    public function test_the_file_is_in_wal_mode_and_refuses_orphans(): void
    {
        self::assertSame('wal', DB::connection('file')->scalar('PRAGMA journal_mode'));
        $this->expectExceptionMessage('FOREIGN KEY');
        DB::connection('file')->table('figures')->insert(['painter_id' => 99, 'name' => 'nobody\'s']);
    }

    public function test_a_transaction_takes_its_turn_before_it_reads(): void
    {
        $first = DB::connection('file');
        $second = DB::connection('second');
        $first->transaction(function () use ($second): void {
            // The second writer waits from the start, instead of failing half-way.
            try {
                $second->transaction(static fn () => null);
                self::fail('the second transaction did not wait for the first');
            } catch (RuntimeException $e) {
                self::assertStringContainsString('locked', $e->getMessage());
            }
            // Reading goes on meanwhile.
            self::assertSame(0, $second->table('painters')->count());
        });
        $second->transaction(static fn () => $second->table('painters')->insert(['name' => 'A', 'email' => 'a@hyalin.example', 'password' => 'x']));
        self::assertSame(1, $first->table('painters')->count());
    }

    public function test_what_fails_inside_is_undone_whole_and_nested_parts_alone(): void
    {
        $file = DB::connection('file');
        $insert = static fn (string $name): bool => $file->table('painters')->insert(['name' => $name, 'email' => $name, 'password' => 'x']);
        $file->transaction(static function () use ($file, $insert): void {
            $insert('kept');
            try {
                $file->transaction(static function () use ($insert): never {
                    $insert('undone');

                    throw new RuntimeException('half-way');
                });
            } catch (RuntimeException) {
                $insert('kept too');
            }
        });
        try {
            $file->transaction(static function () use ($insert): never {
                $insert('all undone');

                throw new RuntimeException('at the end');
            });
        } catch (RuntimeException) {
        }
        self::assertSame(['kept', 'kept too'], $file->table('painters')->pluck('name')->all());
        self::assertSame(1, Painter::query()->count());
    }
}
