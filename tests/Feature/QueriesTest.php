<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Controllers\SignInController;
use App\Models\Painter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * A page asks the database a fixed number of questions, however many areas, layers, steps and runs it shows: demo data,
 * every page, the three questions of the tray (cups, drying, timers) besides.
 */
final class QueriesTest extends TestCase
{
    private const TRAY = 3;

    private const MOST = 15;

    /** The whole order of work is planned for these: parts, joints, what they hide, boundaries and rules come on top. */
    private const PLANNED = ['/figures/1/card' => 18, '/figures/1/bench' => 22, '/figures/1/quantities' => 20];

    public function test_no_page_asks_more_the_more_it_shows(): void
    {
        $this->seed();
        $ines = Painter::query()->where('email', SignInController::DEMO_EMAIL)->sole();
        $figure = $ines->figures()->firstOrFail();
        self::assertGreaterThan(10, $figure->areas()->count());
        $run = $figure->runs()->firstOrFail();
        $pot = $ines->paints()->firstOrFail();
        $pages = ['/', '/shelf', '/shelf/reach', "/shelf/paints/{$pot->id}", '/chips', '/recipes', '/schedule', '/cups', "/runs/{$run->id}", "/runs/{$run->id}/beside", "/runs/{$run->id}/pieces"];
        foreach (['brief', 'references', 'finishes', 'proposals', 'balance', 'light', 'order', 'compare', 'card', 'bench', 'quantities'] as $stage) {
            $pages[] = "/figures/{$figure->id}/{$stage}";
        }
        $counts = [];
        foreach ($pages as $page) {
            $this->app?->forgetScopedInstances();
            $this->actingAs(Painter::query()->findOrFail($ines->id));
            // The first request of a process looks at the tables themselves; that is no question of the page.
            $this->get($page)->assertOk();
            $this->app?->forgetScopedInstances();
            $this->actingAs(Painter::query()->findOrFail($ines->id));
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->get($page)->assertOk();
            DB::disableQueryLog();
            $counts[$page] = count(DB::getQueryLog());
        }
        $over = array_filter($counts, static fn (int $n, string $page): bool => $n > (self::PLANNED[$page] ?? self::MOST) + self::TRAY, ARRAY_FILTER_USE_BOTH);
        self::assertSame([], $over, (string) json_encode($counts));
    }

    public function test_every_foreign_key_has_an_index(): void
    {
        $without = [];
        $keys = 0;
        foreach (Schema::getTableListing(schemaQualified: false) as $table) {
            $first = array_map(static fn (array $index): string => $index['columns'][0] ?? '', Schema::getIndexes($table));
            /** @var array{columns: array{string}} $key */
            foreach (Schema::getForeignKeys($table) as $key) {
                $keys++;
                if (! in_array($key['columns'][0], $first, true)) {
                    $without[] = "{$table}.{$key['columns'][0]}";
                }
            }
        }
        self::assertGreaterThan(50, $keys);
        self::assertSame([], $without);
    }
}
