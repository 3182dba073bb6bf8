<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Run;
use App\Models\RunStep;

final readonly class RunProps
{
    /**
     * @param  int|null  $repeatsNumber  number of the run this one repeats
     * @param  string  $begunAt  ISO 8601
     * @param  list<RunStepProps>  $steps
     */
    public function __construct(
        public int $id,
        public int $number,
        public ?int $repeatsNumber,
        public string $begunAt,
        public array $steps,
    ) {
    }

    public static function of(Run $run): self
    {
        $run->load(['steps', 'repeats.steps']);
        $before = $run->repeats?->steps->keyBy('position');

        return new self(
            $run->id,
            $run->number,
            $run->repeats?->number,
            $run->created_at->toIso8601String(),
            array_values($run->steps->map(
                static fn (RunStep $s) => RunStepProps::of($s, $before?->get($s->position)),
            )->all()),
        );
    }
}
