<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Models\Painter;
use App\Models\Practice\Exercise;
use App\Models\Practice\PracticeRound;
use App\Models\Shelf\Paint;
use Hyalin\Colour\HueName;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralSum;
use Hyalin\InvalidInput;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Pot\PotKind;
use Hyalin\Training\Fold;
use Hyalin\Training\InvalidTask;
use Hyalin\Training\MixGuess;
use Hyalin\Training\Shades;
use Hyalin\Training\Staircase;
use Hyalin\Training\WashGuess;
use Illuminate\Support\Collection;
use Random\Randomizer;

/**
 * Sets a task from the painter's own pots, as hard as the painter's last rounds say.
 */
final readonly class SetTask
{
    /** Rounds that tell how hard the next one is. */
    private const REMEMBERED = 60;

    /** Score from which on an answer counts as right. */
    private const RIGHT = 0.75;

    /** Pots of a mix that is guessed: so many or so many. */
    private const IN_MIX = [2, 3];

    /**
     * @throws InvalidInput when the shelf has too few pots for it
     */
    public function __invoke(Painter $painter, Exercise $exercise, Randomizer $random = new Randomizer): PracticeRound
    {
        $level = self::level($painter, $exercise);
        [$subject, $task] = match ($exercise) {
            Exercise::Lighter, Exercise::Order => $this->shades($painter, $exercise, $level, $random),
            Exercise::Mix => $this->mix($painter, $level, $random),
            Exercise::Light => $this->fold($random),
            Exercise::Wash => $this->wash($painter, $random),
        };
        $round = new PracticeRound(['exercise' => $exercise, 'subject' => $subject, 'level' => $level, 'task' => $task]);
        $round->painter_id = $painter->id;
        $round->save();

        return $round;
    }

    private static function level(Painter $painter, Exercise $exercise): float
    {
        $answers = PracticeRound::query()->where('painter_id', $painter->id)->where('exercise', $exercise)->whereNotNull('score')
            ->orderByDesc('id')->limit(self::REMEMBERED)->get()->reverse()->values()->map(static fn (PracticeRound $r): bool => $r->score >= self::RIGHT)->all();
        $stairs = match ($exercise) {
            Exercise::Lighter => new Staircase(14.0, 0.8, 40.0),
            Exercise::Order => new Staircase(10.0, 1.5, 16.0),
            // Of a mix it is the share of a drop in the cup.
            Exercise::Mix => new Staircase(0.34, 0.09, 0.5),
            Exercise::Light, Exercise::Wash => new Staircase(1.0, 1.0, 1.0),
        };

        return $stairs->next(array_values($answers));
    }

    /** @return array{string, array<string, mixed>} */
    private function shades(Painter $painter, Exercise $exercise, float $level, Randomizer $random): array
    {
        $pots = self::opaque($painter);
        $labs = array_values($pots->map(self::seen(...))->all());
        $places = $exercise === Exercise::Lighter ? Shades::pair($labs, $level, $random) : Shades::several($labs, 5, $level, $random);

        return [HueName::describe($labs[$places[0]]), ['pots' => array_map(static fn (int $p): array => ['id' => $pots[$p]->id ?? 0, 'name' => $pots[$p]->name ?? '', 'lab' => $labs[$p]->toArray()], $places)]];
    }

    /** @return array{string, array<string, mixed>} */
    private function mix(Painter $painter, float $level, Randomizer $random): array
    {
        $pots = self::opaque($painter);
        $count = self::IN_MIX[$random->getInt(0, 1)];
        if ($pots->count() < $count) {
            throw InvalidTask::tooFewColours($pots->count(), $count);
        }
        $chosen = array_slice($random->shuffleArray(array_values($pots->all())), 0, $count);
        $guess = self::guess($chosen);
        $drops = $guess->drawn(max($count, min(12, (int) round(1 / $level))), $random);
        $target = $guess->colour($drops);

        return [HueName::describe($target), ['potIds' => array_map(static fn (Paint $p): int => $p->id, $chosen), 'drops' => $drops, 'target' => $target->toArray()]];
    }

    /** @return array{string, array<string, mixed>} */
    private function fold(Randomizer $random): array
    {
        $seed = $random->getInt(1, 1_000_000);
        $fold = Fold::of($seed);

        return ['folds', ['seed' => $seed, 'heights' => array_map(static fn (float $h): float => round($h, 3), $fold->heights), 'light' => $fold->light()]];
    }

    /** @return array{string, array<string, mixed>} */
    private function wash(Painter $painter, Randomizer $random): array
    {
        $washes = $painter->paints()->whereIn('kind', [PotKind::Wash, PotKind::Ink])->where('level_percent', '>', 0)->get();
        $bases = self::opaque($painter);
        if ($washes->isEmpty() || $bases->isEmpty()) {
            throw InvalidTask::noWash();
        }
        $base = $bases[$random->getInt(0, $bases->count() - 1)] ?? throw InvalidTask::noWash();
        $wash = $washes[$random->getInt(0, $washes->count() - 1)] ?? throw InvalidTask::noWash();
        $guess = new WashGuess($base->optics(), $wash->optics());
        $strips = $guess->after();
        $order = $random->shuffleArray(array_keys($strips));

        return ["{$wash->name} over {$base->name}", [
            'base' => $base->name, 'wash' => $wash->name, 'before' => self::plain($guess->before()),
            'strips' => array_map(static fn (int $n): array => self::plain($strips[$n]), $order), 'right' => array_search(0, $order, true),
        ]];
    }

    /**
     * @param  list<Lab>  $strip
     * @return list<list<float>>
     */
    private static function plain(array $strip): array
    {
        return array_map(static fn (Lab $lab): array => $lab->toArray(), $strip);
    }

    /** @param  list<Paint>  $pots */
    public static function guess(array $pots): MixGuess
    {
        $paints = [];
        foreach ($pots as $pot) {
            $paints["pot {$pot->id}"] = $pot->optics();
        }

        return new MixGuess($paints, Surface::of(Sheen::Matt));
    }

    private static function seen(Paint $pot): Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz(Surface::of(Sheen::Matt)->seen($pot->optics()->masstone()))->toLab();
    }

    /** @return Collection<int, Paint> that are mixed and painted as colour, and not empty */
    private static function opaque(Painter $painter): Collection
    {
        return $painter->paints()->where('kind', PotKind::Acrylic)->where('level_percent', '>', 0)->get()->filter(static fn (Paint $p): bool => $p->pot()->isMixed())->values()->toBase();
    }
}
