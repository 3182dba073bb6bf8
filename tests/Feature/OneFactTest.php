<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Controllers\SignInController;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Hyalin\Bench\DryingAid;
use Hyalin\Pot\PotKind;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\Group;

/**
 * What two screens say of one thing is the same: each is asked, on the demo's figures, with moving air at the bench.
 */
#[Group('sculpted')]
final class OneFactTest extends TestCase
{
    public function test_finish_order_card_bench_schedule_and_stages_agree(): void
    {
        $this->openDemo();
        $ines = Painter::query()->where('email', SignInController::DEMO_EMAIL)->sole();
        $ines->update(['drying_aid' => DryingAid::MovingAir]);
        $this->actingAs($ines);
        $seen = ['masks' => 0, 'layers' => 0];
        foreach (Figure::query()->where('painter_id', $ines->id)->orderBy('id')->get() as $figure) {
            $order = $this->page("/figures/{$figure->id}/order")['planned'] ?? null;
            if (! is_array($order)) {
                continue;
            }
            $this->post("/figures/{$figure->id}/runs", ['copies' => 1, 'knowingly' => true])->assertRedirect();
            $run = $figure->runs()->reorder()->latest('number')->firstOrFail();
            $bench = self::rows($this->page("/runs/{$run->id}")['run'] ?? null, 'steps');

            // How many steps, and how long at the bench.
            self::assertSame(count($bench), $order['workSteps'] ?? null, $figure->name);
            $left = count($bench);
            $this->get("/figures/{$figure->id}/brief")->assertInertia(fn (AssertableInertia $page) => $page->where('figure.stages.5.state', "run {$run->number}: {$left} steps left"));
            self::assertSame($left, array_column(self::rows($this->page('/schedule', 'figures'), 'figures'), 'steps', 'id')[$figure->id] ?? null);
            self::assertSame($order['handsOnMinutes'] ?? null, array_sum(array_column($bench, 'minutes')));

            // How long each dries: of a layer on the finish page, in the order, on the card, at the bench.
            $card = self::rows($this->page("/figures/{$figure->id}/card", 'work'), 'work');
            self::assertNotSame([], $card);
            $benchDries = [];
            foreach ($bench as $step) {
                $benchDries[(string) ($run->steps->firstWhere('id', $step['id'])->step_key ?? '')] = $step['dryingMinutes'];
            }
            foreach (self::rows($order, 'steps') as $n => $step) {
                self::assertSame($step['dryMinutes'], $benchDries[self::words($step['id'])] ?? null, $figure->name);
                self::assertStringContainsString('dries in about '.self::words($step['dryMinutes']).' min', self::words($card['steps'][$n] ?? ''));
            }
            foreach ($figure->areas()->with('layers')->get() as $area) {
                $finish = $this->page("/figures/{$figure->id}/finishes/{$area->id}")['area'] ?? null;
                foreach ($area->layers as $i => $layer) {
                    $onPage = self::rows(is_array($finish) ? $finish['section'] ?? null : null, 'rows')[$i + 1]['dryMinutes'] ?? null;
                    $step = $run->steps->first(fn ($s): bool => $s->layer_key === $layer->key);
                    self::assertSame($onPage, array_column($bench, 'dryingMinutes', 'id')[$step->id ?? 0] ?? $onPage, "{$area->name}, {$layer->technique->value}");
                    $seen['layers'] += $step === null ? 0 : 1;
                }
            }

            // How long a mask stays, and how soon it is peeled.
            foreach (self::rows($order, 'masks') as $n => $mask) {
                [$on, $off] = [self::of($bench, 'mask')[$n] ?? [], self::of($bench, 'peel')];
                self::assertSame($mask['mostMinutes'], $on['mostMinutes'] ?? null);
                self::assertContains($mask['peelMinutes'], array_column($off, 'mostMinutes'));
                self::assertStringContainsString('it may stay on '.intdiv((int) self::words($mask['mostMinutes']), 60).' h', self::words($card['masks'][$n] ?? ''));
                $seen['masks']++;
            }
        }
        self::assertGreaterThan(0, min($seen), (string) json_encode($seen));
    }

    /** A technique and its paint have drying times of their own: an oil wash takes that of its oil, in words and in numbers. */
    public function test_an_oil_wash_dries_as_oil_on_every_screen(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $this->painter->update(['drying_aid' => DryingAid::WarmAir]);
        $layers = [$this->layer($this->pot('Reed Green', '#5c7434')), $this->layer($this->pot('Soot Oil', '#302018', PotKind::Oil), 'wash')];
        $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['version' => $area->version, 'layers' => $layers])->assertOk();
        $rows = self::rows(data_get($this->page("/figures/{$figure->id}/finishes/{$area->id}"), 'area.section'), 'rows');
        // Warm air helps acrylics, and does nothing for oil; a usual base coat dries in a quarter of an hour (common practice).
        self::assertSame([0, 6, 24 * 60], array_column($rows, 'dryMinutes'));
        $steps = self::rows($this->page("/figures/{$figure->id}/order")['planned'] ?? null, 'steps');
        self::assertContains(24 * 60, array_column($steps, 'dryMinutes'));
        $this->post("/figures/{$figure->id}/runs", ['copies' => 1, 'knowingly' => true])->assertRedirect();
        self::assertContains(24 * 60, array_column(self::rows($this->page("/runs/{$figure->runs()->sole()->id}")['run'] ?? null, 'steps'), 'dryingMinutes'));
        $this->freezeSecond();
        $figure->runs()->sole()->steps()->update(['state' => 'done', 'done_at' => now()]);
        self::assertContains(now()->addDay()->toIso8601String(), array_column(self::rows($this->page('/', 'tray'), 'tray'), 'at'));
    }

    public function test_what_is_left_bare_or_hidden_waits_for_no_finish_anywhere(): void
    {
        $figure = $this->figure();
        [$cloak, $blade, $inside] = [$this->area($figure, 'Cloak'), $this->area($figure, 'Blade'), $this->area($figure, 'Inside')];
        $pot = $this->pot('Reed Green', '#5c7434');
        $this->putJson("/figures/{$figure->id}/areas/{$cloak->id}/finish", ['version' => $cloak->version, 'layers' => [$this->layer($pot)]])->assertOk();
        $this->sample($cloak, 'mid', '#5c7434');
        $stage = fn (int $n): mixed => data_get($this->page("/figures/{$figure->id}/brief"), "figure.stages.{$n}.state");
        self::assertSame(['2 areas without a colour', '2 areas without a finish'], [$stage(1), $stage(2)]);
        $blade->update(['is_left_bare' => true]);
        $inside->update(['is_hidden' => true]);
        self::assertSame(['1 area sampled', '1 area planned'], [$stage(1), $stage(2)]);
        $issues = self::rows($this->page("/figures/{$figure->id}/order")['planned'] ?? null, 'issues');
        self::assertNotContains($blade->id, array_column($issues, 'areaId'));
        self::assertStringNotContainsString('no finish', (string) json_encode(data_get($this->page("/figures/{$figure->id}/brief"), 'figure.guide')));
    }

    /**
     * @param  string|null  $later  a property that the page asks for once it stands
     * @return array<array-key, mixed>
     */
    private function page(string $path, ?string $later = null): array
    {
        $page = $this->get($path)->assertOk()->viewData('page');
        self::assertIsArray($page);
        if ($later !== null) {
            $page = $this->get($path, ['X-Inertia' => 'true', 'X-Inertia-Version' => $page['version'] ?? '', 'X-Inertia-Partial-Component' => $page['component'] ?? '', 'X-Inertia-Partial-Data' => $later])->assertOk()->json();
        }
        $props = json_decode((string) json_encode(is_array($page) ? $page['props'] ?? [] : []), true);

        return is_array($props) ? $props : [];
    }

    /** @return array<array-key, array<array-key, mixed>> */
    private static function rows(mixed $of, string $key): array
    {
        $rows = is_array($of) ? $of[$key] ?? [] : [];

        return is_array($rows) ? array_filter($rows, is_array(...)) : [];
    }

    /**
     * @param  array<array-key, array<array-key, mixed>>  $steps
     * @return list<array<array-key, mixed>>
     */
    private static function of(array $steps, string $kind): array
    {
        return array_values(array_filter($steps, static fn (array $s): bool => $s['kind'] === $kind));
    }

    private static function words(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
