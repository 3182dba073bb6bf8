<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Bench\CupShare;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use Hyalin\Bench\BatchMode;

final readonly class RunProps
{
    /**
     * @param  int|null  $repeatsNumber  number of the run this one repeats
     * @param  int  $copies  equal figures painted in it
     * @param  string  $begunAt  ISO 8601
     * @param  list<RunStepProps>  $steps
     */
    public function __construct(
        public int $id,
        public int $number,
        public ?int $repeatsNumber,
        public int $copies,
        public BatchMode $batchMode,
        public string $begunAt,
        public array $steps,
    ) {
    }

    public static function of(Run $run): self
    {
        $run->loadMissing(['figure', 'steps.pictures', 'steps.areas', 'steps.parts', 'steps.cups.entries.paint', 'repeats']);
        $pots = RunStepProps::pots($run->steps);
        $lessons = self::lessons($run);
        $shares = CupShare::all($run->steps);

        return new self(
            $run->id,
            $run->number,
            $run->repeats?->number,
            $run->copies,
            $run->batch_mode,
            $run->created_at->toIso8601String(),
            array_values($run->steps->map(static fn (RunStep $s) => RunStepProps::of($s, $pots, $lessons[$s->id] ?? null, $shares[$s->id] ?? CupShare::own()))->all()),
        );
    }

    /**
     * What was noted when a step was done before: in the run that is repeated, or in the last earlier run of the figure.
     *
     * @return array<int, string> by step of this run
     */
    public static function lessons(Run $run): array
    {
        if ($run->number === 1) {
            return [];
        }
        $earlier = RunStep::query()->whereNotNull('note')
            ->whereHas('run', static fn ($q) => $q->where('figure_id', $run->figure_id)->where('number', '<', $run->number))
            ->with('run')->get()->sortBy('run.number');
        $byId = $byKey = [];
        foreach ($earlier as $step) {
            $words = "Run {$step->run->number}: {$step->note}";
            $byId[$step->id] = $words;
            if ($step->step_key !== null) {
                $byKey[$step->step_key] = $words;
            } elseif ($step->layer_key !== null) {
                $byKey["layer {$step->layer_key}"] = $words;
            }
        }
        $found = [];
        foreach ($run->steps as $step) {
            $said = $byId[$step->repeats_step_id ?? 0] ?? $byKey[$step->step_key ?? "layer {$step->layer_key}"] ?? null;
            if ($said !== null) {
                $found[$step->id] = $said;
            }
        }

        return $found;
    }
}
