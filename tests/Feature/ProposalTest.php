<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\Finish\Hands;
use App\Jobs\ProposeFigure;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Shelf\TechniqueHand;
use App\Models\Task;
use App\Models\TaskState;
use Hyalin\Finish\Technique;
use Hyalin\Pot\PotKind;
use Illuminate\Support\Facades\Queue;

/**
 * @phpstan-type Proposed array{kind: string, total: float, worst: float, cups: int, minutes: int, layers: list<array<string, mixed>>, section: array{matches: list<array{difference: float}>}}
 */
final class ProposalTest extends TestCase
{
    private Figure $figure;

    private Area $area;

    protected function setUp(): void
    {
        parent::setUp();
        $this->figure = $this->figure();
        $this->area = $this->area($this->figure);
    }

    public function test_proposals_are_complete_finishes_that_can_be_adopted(): void
    {
        $this->stock();
        $this->ramp($this->area);
        /** @var list<Proposed> $proposals */
        $proposals = $this->postJson("/figures/{$this->figure->id}/areas/{$this->area->id}/proposals")->assertOk()->json('proposals');
        self::assertGreaterThanOrEqual(3, count($proposals));
        // Best first, by nearness and work: a cup is worth 0.15, ten minutes 0.06.
        $worth = array_map(static fn (array $p): float => $p['total'] + 0.15 * $p['cups'] + 0.006 * $p['minutes'], $proposals);
        $sorted = $worth;
        sort($sorted);
        self::assertSame($sorted, $worth);
        // What the section says of the zones is what the proposal says in the mean: no rounding, no second opinion.
        $first = $proposals[0];
        self::assertEqualsWithDelta($first['worst'], max(0.0, ...array_column($first['section']['matches'], 'difference')), 1e-6);
        // Adopted as it is: the finish then holds exactly these layers.
        $this->putJson("/figures/{$this->figure->id}/areas/{$this->area->id}/finish", ['layers' => $first['layers'], 'version' => 1])->assertOk();
        $stored = $this->getJson("/figures/{$this->figure->id}/areas/{$this->area->id}/layers")->assertOk()->json();
        self::assertSame($first['layers'], $stored);
        // Without an airbrush nothing is sprayed from it.
        $brush = $this->postJson("/figures/{$this->figure->id}/areas/{$this->area->id}/proposals", ['brushOnly' => true])->json('proposals');
        self::assertIsArray($brush);
        self::assertNotContains('translucent over zenithal', array_column($brush, 'kind'));
    }

    public function test_only_the_pots_chosen_are_used(): void
    {
        $pots = $this->stock();
        $this->ramp($this->area);
        $only = [$pots['Lamp Ochre'], $pots['Peat'], $pots['Chalk White']];
        $answer = $this->postJson("/figures/{$this->figure->id}/areas/{$this->area->id}/proposals", ['only' => $only])->assertOk();
        foreach ((array) $answer->json('proposals.*.pots.*.paintId') as $id) {
            self::assertContains($id, [...$only, $pots['Primer Black'], $pots['Primer White']]);
        }
        /** @var array{before: float, after: float} $more */
        $more = $this->getJson("/figures/{$this->figure->id}/areas/{$this->area->id}/one-more-pot")->assertOk()->json();
        self::assertLessThanOrEqual($more['before'], $more['after']);
        self::assertGreaterThan(0.0, $more['before']);
    }

    public function test_a_headline_is_that_of_the_section_in_the_painters_own_hand(): void
    {
        $this->stock();
        $this->ramp($this->area);
        $url = "/figures/{$this->figure->id}/areas/{$this->area->id}/proposals";
        /** @var list<Proposed> $usual */
        $usual = $this->postJson($url)->json('proposals');
        $hand = new TechniqueHand(['technique' => Technique::BaseCoat, 'coverage' => 1.0, 'coverage_deviation' => 0.0, 'thickness' => 0.45, 'thickness_deviation' => 0.05, 'chips' => 4]);
        $hand->painter_id = $this->painter->id;
        $hand->save();
        app(Hands::class)->forget();
        /** @var list<Proposed> $own */
        $own = $this->postJson($url)->json('proposals');
        self::assertNotSame(array_column($usual, 'layers'), array_column($own, 'layers'));
        foreach ($own as $proposal) {
            $section = $this->postJson("/figures/{$this->figure->id}/areas/{$this->area->id}/section", ['layers' => $proposal['layers']])->assertOk()->json('matches');
            self::assertIsArray($section);
            self::assertEqualsWithDelta($proposal['worst'], max(0.0, ...array_column($section, 'difference')), 1e-6);
        }
    }

    public function test_an_area_of_metal_gets_flakes_and_an_eye_its_three_colours(): void
    {
        $pots = $this->stock();
        $this->ramp($this->area, ['#2a2c30', '#5c6066', '#9a9ea4', '#c4c7cc', '#e8eaee']);
        $url = "/figures/{$this->figure->id}/areas/{$this->area->id}";
        $this->patchJson($url, ['name' => 'Blade', 'form' => 'true metal'])->assertRedirect();
        $this->postJson("{$url}/proposals")->assertUnprocessable()->assertJsonPath('errors.shelf.0', 'Blade is to be true metal: that needs a pot of metal flakes and a primer.');
        $silver = $this->pot('Bell Silver', '#b9bcc2', PotKind::Metal)->id;
        /** @var list<Proposed> $metal */
        $metal = $this->postJson("{$url}/proposals")->assertOk()->json('proposals');
        self::assertSame(['metal over dark, shaded and lit'], array_column($metal, 'kind'));
        $techniques = [];
        foreach ($metal[0]['layers'] as $layer) {
            self::assertIsArray($layer['mix']);
            $techniques[] = $layer['technique'];
            $ids = array_column($layer['mix'], 'paintId');
            // Flakes never through a wash, nor stirred into a paint.
            self::assertTrue(! in_array($silver, $ids, true) || (count($ids) === 1 && ! in_array($layer['technique'], ['wash', 'recess shade', 'glaze'], true)));
        }
        self::assertContains('base coat', $techniques);
        $this->patchJson($url, ['name' => 'Eye', 'form' => 'eye'])->assertRedirect();
        foreach (['light' => '#f2efe6', 'mid' => '#1b3c66', 'recess' => '#201a16'] as $zone => $hex) {
            $this->area->samples()->where('zone', $zone)->delete();
            $this->sample($this->area, $zone, $hex);
        }
        /** @var list<Proposed> $eye */
        $eye = $this->postJson("{$url}/proposals")->assertOk()->json('proposals');
        self::assertEqualsCanonicalizing(['flat colours', 'one coat over white'], array_column($eye, 'kind'));
        $flat = $eye[(int) array_search('flat colours', array_column($eye, 'kind'), true)];
        self::assertContains(count($flat['layers']), [2, 3, 4]);
        self::assertLessThan(4.0, $flat['total']);
        self::assertLessThan(30, $flat['minutes']);
        self::assertArrayHasKey('Deep Water', $pots);
    }

    public function test_what_nothing_can_be_proposed_from_is_said(): void
    {
        $url = "/figures/{$this->figure->id}/areas/{$this->area->id}/proposals";
        $this->postJson($url)->assertUnprocessable()->assertJsonPath('errors.area.0', 'Cloak has no colour to match yet: take one from a reference first.');
        $this->ramp($this->area);
        $this->postJson($url)->assertUnprocessable()->assertJsonPath('errors.shelf.0', fn (string $words): bool => str_contains($words, 'primer'));
    }

    public function test_a_whole_figure_shares_its_pots_within_a_limit_in_the_queue(): void
    {
        $this->stock();
        $this->ramp($this->area);
        $this->ramp($this->area($this->figure, 'Hood'), ['#3a2a1a', '#6b4a2b', '#97703f', '#b8935c', '#d8bd92']);
        $this->area($this->figure, 'Blade');
        // The test queue runs at once.
        $free = $this->shared(null);
        $tight = $this->shared(5);
        self::assertSame(['Cloak', 'Hood'], array_column($tight['areas'], 'name'));
        self::assertLessThanOrEqual(5, count($tight['pots']));
        self::assertLessThanOrEqual(count($free['pots']), count($tight['pots']));
        $sum = static fn (array $areas): float => array_sum(array_column(array_column($areas, 'proposal'), 'total'));
        // Pots are given up where that costs little.
        self::assertLessThanOrEqual($sum($tight['areas']) + 1.5, $sum($free['areas']));
    }

    public function test_a_whole_figure_uses_only_the_pots_chosen(): void
    {
        $pots = $this->stock();
        $this->ramp($this->area);
        $only = [$pots['Lamp Ochre'], $pots['Peat'], $pots['Chalk White']];
        $id = $this->postJson("/figures/{$this->figure->id}/proposal-searches", ['only' => $only])->assertAccepted()->json('id');
        self::assertIsInt($id);
        foreach ((array) $this->getJson("/tasks/{$id}")->assertOk()->json('answer.areas.*.proposal.pots.*.paintId') as $used) {
            self::assertContains($used, [...$only, $pots['Primer Black'], $pots['Primer White']]);
        }
    }

    public function test_a_search_that_is_stopped_or_fails_says_so(): void
    {
        Queue::fake();
        $this->stock();
        $this->ramp($this->area);
        $id = $this->postJson("/figures/{$this->figure->id}/proposal-searches")->assertAccepted()->json('id');
        self::assertIsInt($id);
        Queue::assertPushed(ProposeFigure::class);
        $this->deleteJson("/tasks/{$id}")->assertOk();
        $search = Task::query()->findOrFail($id);
        app()->call([new ProposeFigure($search), 'handle']);
        self::assertSame(TaskState::Stopped, $search->refresh()->state);
        // Stopped is stopped, whatever becomes of the worker; what runs and fails says so.
        (new ProposeFigure($search))->failed(null);
        self::assertSame(TaskState::Stopped, Task::query()->findOrFail($id)->state);
        $search->update(['state' => TaskState::Running]);
        (new ProposeFigure($search))->failed(null);
        self::assertSame(TaskState::Failed, $search->refresh()->state);
    }

    /** @return array{areas: list<array{name: string, proposal: Proposed}>, pots: list<string>} */
    private function shared(?int $mostPots): array
    {
        $id = $this->postJson("/figures/{$this->figure->id}/proposal-searches", ['mostPots' => $mostPots])->assertAccepted()->json('id');
        self::assertIsInt($id);
        /** @var array{areas: list<array{name: string, proposal: Proposed}>, pots: list<string>} $answer */
        $answer = $this->getJson("/tasks/{$id}")->assertOk()->assertJson(['state' => 'done', 'progress' => 1])->json('result');

        return $answer;
    }

    /** @return array<string, int> ids by name */
    private function stock(): array
    {
        $ids = [];
        foreach (['Primer Black' => '#1c1c1c', 'Primer White' => '#f0f0ee'] as $name => $hex) {
            $ids[$name] = $this->pot($name, $hex, PotKind::Primer)->id;
        }
        foreach ([
            'Chalk White' => '#f4f3ee',
            'Peat' => '#201a16',
            'Lamp Ochre' => '#d79a1e',
            'Buoy Yellow' => '#f2c21a',
            'Rust' => '#7d3a20',
            'Slate' => '#56606a',
            'Deep Water' => '#1b3c66',
        ] as $name => $hex) {
            $ids[$name] = $this->pot($name, $hex)->id;
        }
        $ids['Ink Sepia'] = $this->pot('Ink Sepia', '#3a2414', PotKind::Ink)->id;

        return $ids;
    }

    /** @param  list<string>  $ramp */
    private function ramp(Area $area, array $ramp = ['#4d2f12', '#8e5a17', '#c98f1f', '#e5b534', '#f4d678']): void
    {
        foreach (['recess', 'shade', 'mid', 'light', 'edge'] as $i => $zone) {
            $this->sample($area, $zone, $ramp[$i]);
        }
    }
}
