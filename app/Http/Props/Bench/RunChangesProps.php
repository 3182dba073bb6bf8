<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Bench\PlannedStep;
use App\Adapters\Bench\RunChanges;
use App\Http\Props\DropsProps;
use App\Models\Bench\RunStep;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;

/**
 * Changes of the plan since a run began: in words, each by its step.
 */
final readonly class RunChangesProps
{
    /**
     * @param  list<string>  $added
     * @param  list<string>  $changed  with what it was and what it is to be
     * @param  list<string>  $gone
     * @param  list<array{id: int, name: string}>  $areas  of the figure, for a repair
     */
    private function __construct(public array $added, public array $changed, public array $gone, public array $areas)
    {
    }

    public static function of(Figure $figure, RunChanges $changes): self
    {
        $name = static fn (string $key): string => isset($changes->planned[$key])
            ? self::planned($changes->planned[$key])
            : ucfirst($changes->steps[$key]->title()).": {$changes->steps[$key]->area_name}";

        return new self(
            array_map(static fn (array $added): string => $name($added[0]), $changes->found->added),
            array_map(static fn (string $key): string => $name($key).': '.self::difference($changes->steps[$key], $changes->planned[$key]), $changes->found->changed),
            array_map($name, $changes->found->gone),
            array_values($figure->areasWithFinishes()->map(static fn (Area $a): array => ['id' => $a->id, 'name' => $a->name])->all()),
        );
    }

    private static function planned(PlannedStep $step): string
    {
        $kind = $step->attributes['kind'] ?? null;
        $title = $step->technique()->value ?? ($kind instanceof \BackedEnum ? (string) $kind->value : '');

        return ucfirst($title).": {$step->areaName()}";
    }

    private static function difference(RunStep $was, PlannedStep $is): string
    {
        $now = new RunStep($is->attributes);
        $words = [];
        if ($was->technique !== $now->technique) {
            $words[] = "{$now->technique?->value} instead of {$was->technique?->value}";
        }
        if ($was->planned_mix !== $now->planned_mix) {
            $words[] = DropsProps::words($now->planned_mix).' instead of '.DropsProps::words($was->planned_mix);
        }
        foreach (['coats' => 'coats', 'thinner' => 'parts of thinner'] as $of => $what) {
            if ((float) $was->{$of} !== (float) $now->{$of}) {
                $words[] = "{$now->{$of}} {$what} instead of {$was->{$of}}";
            }
        }

        return $words === [] ? 'other zones' : implode(', ', $words);
    }
}
