<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Controllers\SignInController;
use App\Models\Painter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Testing\TestResponse;

/**
 * A page asks the database a fixed number of questions, however many areas, layers, steps and runs it shows: demo data,
 * every page and what comes after it: the tray (cups, drying, timers) and, where the whole order is planned, the plan.
 */
final class QueriesTest extends TestCase
{
    private const MOST = 18;

    public function test_no_page_asks_more_the_more_it_shows(): void
    {
        $this->openDemo();
        $ines = Painter::query()->where('email', SignInController::DEMO_EMAIL)->sole();
        $figure = $ines->figures()->firstOrFail();
        self::assertGreaterThan(10, $figure->areas()->count());
        $run = $figure->runs()->firstOrFail();
        $pot = $ines->paints()->firstOrFail();
        $pages = ['/', '/shelf', '/shelf/reach', "/shelf/paints/{$pot->id}", '/chips', '/sheets', '/recipes', '/schedule', '/cups', "/runs/{$run->id}", "/runs/{$run->id}/beside", "/runs/{$run->id}/pieces"];
        foreach (['brief', 'references', 'finishes', 'proposals', 'balance', 'light', 'order', 'compare', 'card', 'bench', 'quantities'] as $stage) {
            $pages[] = "/figures/{$figure->id}/{$stage}";
        }
        $counts = [];
        foreach ($pages as $page) {
            // The first request of a process looks at the tables themselves; that is no question of the page.
            $first = $this->asked($ines, $page)[1]->assertOk();
            [$counts[$page]] = $this->asked($ines, $page);
            /** @var array{component: string, version: string, deferredProps: array<string, list<string>>} $shown */
            $shown = $first->viewData('page');
            foreach ($shown['deferredProps'] as $group => $props) {
                $partial = ['X-Inertia' => 'true', 'X-Inertia-Version' => $shown['version'], 'X-Inertia-Partial-Component' => $shown['component'], 'X-Inertia-Partial-Data' => implode(',', $props)];
                $this->asked($ines, $page, $partial)[1]->assertOk();
                [$counts["{$page}, then {$group}"]] = $this->asked($ines, $page, $partial);
            }
        }
        self::assertGreaterThan(2 * count($pages), count($counts));
        $over = array_filter($counts, static fn (int $n): bool => $n > self::MOST);
        self::assertSame([], $over, (string) json_encode($counts));
    }

    /**
     * @param  array<string, string>  $headers
     * @return array{int, TestResponse<\Symfony\Component\HttpFoundation\Response>} how many questions, and the answer
     */
    private function asked(Painter $painter, string $page, array $headers = []): array
    {
        $this->app?->forgetScopedInstances();
        $this->actingAs(Painter::query()->findOrFail($painter->id));
        DB::flushQueryLog();
        DB::enableQueryLog();
        $answer = $this->get($page, $headers);
        DB::disableQueryLog();

        return [count(DB::getQueryLog()), $answer];
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
