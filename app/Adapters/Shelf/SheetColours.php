<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\Colour\Lab;
use Hyalin\Sheet\PlaceReading;
use Hyalin\Sheet\SheetReading;

/**
 * What was read of a sheet, as it is stored; and several photos of one sheet taken together.
 *
 * @phpstan-type Place array{lab: array{float, float, float}, radius: float, taken: float, bare: float, glare: float, odd: float, clipped: float, spread: float, background: float}
 */
final readonly class SheetColours
{
    /** What all photos of a sheet have in common does not become surer by more of them: at best this much of the surest. */
    private const COMMON = 0.7;

    /**
     * @param  Lab  $paper  under D65
     * @param  Lab  $black  under D65
     * @param  array<int, array<string, Place>>  $fields  by position and Hyalin\Sheet\Place
     * @param  array<string, float>  $about  isChart, half, most, marks, residual, uneven, covered
     */
    private function __construct(public Lab $paper, public Lab $black, public array $fields, public array $about)
    {
    }

    public static function of(SheetReading $reading): self
    {
        $fields = [];
        foreach ($reading->fields as $position => $places) {
            $fields[$position] = array_map(static fn (PlaceReading $p): array => [
                'lab' => $p->colour->toArray(), 'radius' => $p->radius, 'taken' => $p->part->taken, 'bare' => $p->part->bare, 'glare' => $p->part->glare,
                'odd' => $p->part->odd, 'clipped' => $p->part->clipped, 'spread' => $p->part->spread, 'background' => min(200.0, $p->part->background),
            ], $places);
        }

        return new self($reading->paper, $reading->black, $fields, [
            'isChart' => $reading->card->isChart ? 1.0 : 0.0, 'half' => $reading->card->half, 'most' => $reading->card->most, 'marks' => (float) count($reading->sheet->marks),
            'residual' => $reading->sheet->residual, 'uneven' => $reading->even->light->unevenness, 'covered' => $reading->even->light->covered,
        ]);
    }

    /** @param  array<mixed>  $stored  as toArray() wrote it */
    public static function parse(array $stored): self
    {
        $fields = [];
        foreach (is_array($stored['fields'] ?? null) ? $stored['fields'] : [] as $position => $places) {
            foreach (is_array($places) ? $places : [] as $place => $p) {
                if (is_array($p)) {
                    $number = static fn (string $key): float => is_numeric($p[$key] ?? null) ? (float) $p[$key] : 0.0;
                    $fields[(int) $position][(string) $place] = [
                        'lab' => Lab::parse($p['lab'] ?? null)->toArray(), 'radius' => $number('radius'), 'taken' => $number('taken'), 'bare' => $number('bare'),
                        'glare' => $number('glare'), 'odd' => $number('odd'), 'clipped' => $number('clipped'), 'spread' => $number('spread'), 'background' => $number('background'),
                    ];
                }
            }
        }
        $about = [];
        foreach (is_array($stored['about'] ?? null) ? $stored['about'] : [] as $key => $value) {
            $about[(string) $key] = is_numeric($value) ? (float) $value : 0.0;
        }

        return new self(Lab::parse($stored['paper'] ?? null), Lab::parse($stored['black'] ?? null), $fields, $about);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['paper' => $this->paper->toArray(), 'black' => $this->black->toArray(), 'fields' => $this->fields, 'about' => $this->about];
    }

    /**
     * The mean of several photos of one sheet, each counting by how sure it is; what was left out is that of the last.
     *
     * @param  non-empty-list<self>  $photos
     */
    public static function together(array $photos): self
    {
        $last = $photos[count($photos) - 1];
        $fields = $last->fields;
        foreach ($fields as $position => $places) {
            foreach ($places as $place => $p) {
                $seen = array_values(array_filter(array_map(static fn (self $photo): ?array => $photo->fields[$position][$place] ?? null, $photos)));
                $weights = array_map(static fn (array $s): float => 1 / max(0.1, $s['radius']) ** 2, $seen);
                $p['lab'] = self::mean(array_column($seen, 'lab'), $weights);
                $p['radius'] = max(1 / sqrt(array_sum($weights)), self::COMMON * min([30.0, ...array_column($seen, 'radius')]));
                $fields[$position][$place] = $p;
            }
        }
        $alike = array_fill(0, count($photos), 1.0);

        return new self(
            Lab::of(...self::mean(array_map(static fn (self $p): array => $p->paper->toArray(), $photos), $alike)),
            Lab::of(...self::mean(array_map(static fn (self $p): array => $p->black->toArray(), $photos), $alike)),
            $fields,
            $last->about,
        );
    }

    /**
     * @param  list<array{float, float, float}>  $labs
     * @param  list<float>  $weights
     * @return array{float, float, float}
     */
    private static function mean(array $labs, array $weights): array
    {
        $sum = [0.0, 0.0, 0.0];
        foreach ($labs as $n => $lab) {
            foreach ($lab as $i => $v) {
                $sum[$i] += $weights[$n] * $v;
            }
        }
        $all = array_sum($weights);

        return [$sum[0] / $all, $sum[1] / $all, $sum[2] / $all];
    }
}
