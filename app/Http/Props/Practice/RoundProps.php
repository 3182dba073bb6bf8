<?php

declare(strict_types=1);

namespace App\Http\Props\Practice;

use App\Http\Props\ColourProps;
use App\Models\Painter;
use App\Models\Practice\Exercise;
use App\Models\Practice\PracticeRound;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Training\Fold;

/**
 * A round as it is asked, and with its solution once it is answered.
 */
final readonly class RoundProps
{
    /**
     * @param  list<PracticePotProps>  $pots  those that are compared or mixed
     * @param  list<float>  $heights  of the folds in mm, from left to right
     * @param  list<list<ColourProps>>  $strips  recess to edge: before the wash, then what may come of it
     * @param  list<int>|null  $right  solution: places from dark to light, pieces that are lit, or the strip; null until answered
     * @param  list<float>  $trail  CIEDE2000 to the target after each drop
     * @param  list<int>  $drops  of the true mix, by pot
     */
    public function __construct(
        public int $id,
        public string $exercise,
        public string $subject,
        public float $level,
        public array $pots,
        public ?ColourProps $target,
        public array $heights,
        public array $strips,
        public ?float $score,
        public ?array $right,
        public array $trail,
        public array $drops,
    ) {
    }

    public static function of(PracticeRound $round, Painter $painter): self
    {
        /** @var array{pots?: list<array{id: int, name: string, lab: list<float>}>, potIds?: list<int>, drops?: array<string, int>, target?: list<float>, heights?: list<float>, light?: list<float>, before?: list<list<float>>, strips?: list<list<list<float>>>, right?: int} $task written by SetTask */
        $task = $round->task;
        $isAnswered = $round->score !== null;
        /** @var array{trail?: list<float>} $answer written by ScoreAnswer */
        $answer = $round->answer ?? [];
        $colour = static fn (array $lab): ColourProps => ColourProps::of(Lab::parse($lab));

        return new self(
            $round->id,
            $round->exercise->value,
            // What it is about may give the answer away.
            $isAnswered || $round->exercise === Exercise::Wash ? $round->subject : '',
            level: $round->level,
            pots: isset($task['potIds']) ? self::mixed($task['potIds'], $painter) : array_map(static fn (array $pot): PracticePotProps => new PracticePotProps($pot['id'], $isAnswered ? $pot['name'] : '', $colour($pot['lab'])), $task['pots'] ?? []),
            target: isset($task['target']) ? $colour($task['target']) : null,
            heights: $task['heights'] ?? [],
            strips: isset($task['before'], $task['strips']) ? array_map(static fn (array $strip): array => array_map($colour, $strip), [$task['before'], ...$task['strips']]) : [],
            score: $round->score,
            right: $isAnswered ? self::right($round->exercise, $task) : null,
            trail: $answer['trail'] ?? [],
            drops: $isAnswered ? array_values($task['drops'] ?? []) : [],
        );
    }

    /**
     * @param  list<int>  $ids
     * @return list<PracticePotProps>
     */
    private static function mixed(array $ids, Painter $painter): array
    {
        $pots = Paint::withTrashed()->where('painter_id', $painter->id)->whereKey($ids)->get()->keyBy('id');

        return array_values(array_filter(array_map(static function (int $id) use ($pots): ?PracticePotProps {
            $pot = $pots[$id] ?? null;

            return $pot === null ? null : new PracticePotProps($id, $pot->name, ColourProps::of(Srgb::hex($pot->thick_hex)->toXyz()->toLab()));
        }, $ids)));
    }

    /**
     * @param  array{pots?: list<array{id: int, name: string, lab: list<float>}>, light?: list<float>, right?: int}  $task
     * @return list<int>
     */
    private static function right(Exercise $exercise, array $task): array
    {
        if ($exercise === Exercise::Light) {
            return Fold::lit($task['light'] ?? []);
        }
        if ($exercise === Exercise::Wash) {
            return [$task['right'] ?? 0];
        }
        $lightness = array_map(static fn (array $pot): float => $pot['lab'][0] ?? 0.0, $task['pots'] ?? []);
        asort($lightness);

        return array_keys($lightness);
    }
}
