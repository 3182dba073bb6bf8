<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Controllers\SignInController;
use App\Http\Props\Help\ModelPartProps;
use App\Models\Practice\PracticeRound;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Pot\PotKind;
use Hyalin\Training\Fold;
use Inertia\Testing\AssertableInertia;

final class PracticeTest extends TestCase
{
    public function test_an_empty_shelf_is_told_what_it_lacks(): void
    {
        $this->postJson('/practice/rounds', ['exercise' => 'lighter'])->assertUnprocessable()->assertJsonPath('errors.exercise.0', 'This needs 2 different paints on the shelf, and there are 0: add some, or borrow the shelf of the demo.');
        $this->postJson('/practice/rounds', ['exercise' => 'wash'])->assertUnprocessable();
        $this->postJson('/practice/rounds', ['exercise' => 'juggling'])->assertUnprocessable();
        self::assertSame(0, PracticeRound::query()->count());
    }

    public function test_rounds_are_set_from_ones_own_pots_answered_once_and_remembered(): void
    {
        foreach (['#101010', '#a03020', '#2050a0', '#c9b27a', '#f2f0ea', '#305020'] as $n => $hex) {
            $this->pot("Pot {$n}", $hex);
        }
        $this->pot('Soot', '#1a1816', PotKind::Wash);
        foreach (['lighter', 'order', 'light', 'wash', 'mix'] as $exercise) {
            $asked = $this->postJson('/practice/rounds', ['exercise' => $exercise])->assertCreated()->assertJson(['exercise' => $exercise, 'score' => null, 'right' => null, 'drops' => [], 'trail' => []]);
            $round = PracticeRound::query()->latest('id')->firstOrFail();
            // The name of a pot would give its lightness away.
            $pots = $asked->json('pots');
            $names = array_filter(array_column(is_array($pots) ? $pots : [], 'name'), static fn (mixed $name): bool => $name !== '');
            self::assertSame($exercise === 'mix', $names !== [], $exercise);
            $right = $this->right($round);
            if ($exercise === 'order') {
                $this->putJson("/practice/rounds/{$round->id}/answer", ['answer' => [0, 0, 1]])->assertUnprocessable()->assertJsonPath('errors.answer.0', 'Put all 5 in order, each once.');
            }
            $answered = $this->putJson("/practice/rounds/{$round->id}/answer", ['answer' => $right])->assertOk();
            self::assertEqualsWithDelta(1.0, $answered->json('score'), 1e-9, $exercise);
            // What was given stands.
            $this->putJson("/practice/rounds/{$round->id}/answer", ['answer' => [0]])->assertOk()->assertJsonPath('score', $answered->json('score'));
        }
        $this->get('/practice')->assertInertia(fn (AssertableInertia $page) => $page->count('exercises', 5)->where('exercises.0.rounds', 1)->where('exercises.0.recent', 1)->where('exercises.0.weak', null));
        // Two right in a row: harder.
        $levels = [];
        for ($n = 0; $n < 3; $n++) {
            $this->postJson('/practice/rounds', ['exercise' => 'lighter'])->assertCreated();
            $round = PracticeRound::query()->latest('id')->firstOrFail();
            $levels[] = $round->level;
            $this->putJson("/practice/rounds/{$round->id}/answer", ['answer' => $this->right($round)])->assertOk();
        }
        self::assertLessThan($levels[0], $levels[2]);
    }

    public function test_the_cup_shows_each_drop_and_a_stranger_is_not_let_in(): void
    {
        [$red, $white, $blue] = [$this->pot('Red', '#a03020'), $this->pot('White', '#f2f0ea'), $this->pot('Blue', '#2050a0')];
        $this->postJson('/practice/rounds', ['exercise' => 'mix'])->assertCreated();
        $round = PracticeRound::query()->sole();
        $ids = $round->task['potIds'];
        self::assertIsArray($ids);
        $one = $this->postJson("/practice/rounds/{$round->id}/cup", ['added' => [$ids[0]]])->assertOk()->json('hex');
        self::assertNotSame($one, $this->postJson("/practice/rounds/{$round->id}/cup", ['added' => [$ids[0], $ids[1]]])->assertOk()->json('hex'));
        $this->postJson("/practice/rounds/{$round->id}/cup", ['added' => []])->assertUnprocessable();
        $this->putJson("/practice/rounds/{$round->id}/answer", ['answer' => [999]])->assertUnprocessable();
        self::assertNull($round->refresh()->score);
        // A pot that was thrown away meanwhile still behaves as it did.
        $red->delete();
        $white->delete();
        $blue->delete();
        $this->putJson("/practice/rounds/{$round->id}/answer", ['answer' => [$ids[0], $ids[1]]])->assertOk()->assertJsonCount(2, 'trail');
    }

    public function test_the_model_shows_itself_and_the_demo_offers_tasks(): void
    {
        $this->get('/how-it-works')->assertInertia(fn (AssertableInertia $page) => $page->count('parts', 5)->count('tasks', 0)->has('parts.0.rows.0.hexes', 7));
        $hexes = array_map(static fn (ModelPartProps $part): array => $part->rows[0]->hexes, ModelPartProps::all());
        // Yellow and blue make green; five coats hide more than half a one; gloss is deeper than matt.
        $lab = static fn (string $hex): Lab => Srgb::hex($hex)->toXyz()->toLab();
        self::assertLessThan(-15, $lab($hexes[0][4])->a);
        self::assertGreaterThan($lab($hexes[1][0])->lightness + 5, $lab($hexes[1][4])->lightness);
        self::assertLessThan($lab($hexes[3][0])->lightness, $lab($hexes[3][2])->lightness);
        $this->painter->update(['email' => SignInController::DEMO_EMAIL]);
        $figure = $this->figure();
        $figure->update(['name' => 'The Tide Bell']);
        $this->get('/how-it-works')->assertInertia(fn (AssertableInertia $page) => $page->where('tasks.0.url', "/figures/{$figure->id}/order"));
    }

    /** @return list<int> */
    private function right(PracticeRound $round): array
    {
        /** @var array{pots?: list<array{lab: list<float>}>, light?: list<float>, right?: int, drops?: array<string, int>} $task */
        $task = $round->task;
        if ($round->exercise->value === 'mix') {
            $added = [];
            foreach ($task['drops'] ?? [] as $key => $drops) {
                array_push($added, ...array_fill(0, $drops, (int) substr($key, 4)));
            }

            return $added;
        }
        if (isset($task['light'])) {
            return Fold::lit($task['light']);
        }
        $lightness = array_map(static fn (array $pot): float => $pot['lab'][0], $task['pots'] ?? []);
        asort($lightness);

        return match ($round->exercise->value) {
            'wash' => [$task['right'] ?? 0],
            'lighter' => [array_key_last($lightness) ?? 0],
            default => array_keys($lightness),
        };
    }
}
