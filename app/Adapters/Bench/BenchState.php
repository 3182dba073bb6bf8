<?php

declare(strict_types=1);

namespace App\Adapters\Bench;

use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use Hyalin\Bench\BenchStep;
use Hyalin\Bench\WetPaint;
use Illuminate\Support\Carbon;

/**
 * A run as it stands at this moment: what is wet, and which steps could be done.
 */
final readonly class BenchState
{
    /** @param  array<int, array<int, BenchStep>>  $steps  by figure of the batch, 0 for all at once, and by id */
    private function __construct(private Run $run, private array $steps)
    {
    }

    public static function of(Run $run): self
    {
        $steps = [];
        foreach ($run->steps as $step) {
            $steps[$step->copy ?? 0][$step->id] = new BenchStep(
                $step->kind,
                array_map(strval(...), $step->areaIds()),
                array_map(strval(...), $step->partIds()),
                $step->state === RunStepState::Skipped ? 0 : $step->dryMinutes(),
                $step->state === RunStepState::Open ? null : ($step->done_at?->getTimestamp() ?? 0) / 60,
                $step->technique?->spec()->blendsWet ?? false,
            );
        }

        return new self($run, $steps);
    }

    /** @return array{RunStep, Carbon}|null what is wet beneath a step, and until when it is; null when it can be done */
    public function wetUnder(RunStep $step, Carbon $now): ?array
    {
        $own = $this->steps[$step->copy ?? 0] ?? [];
        $held = isset($own[$step->id]) ? WetPaint::under($own, $own[$step->id], $now->getTimestamp() / 60) : null;
        $by = $held === null ? null : $this->run->steps->find($held[0]);

        return $held === null || $by === null ? null : [$by, Carbon::createFromTimestamp((int) ceil($held[1] * 60))];
    }

    /** @return list<RunStep> that nothing before them has to be done for, in their order */
    public function next(): array
    {
        $ids = array_merge(...array_map(WetPaint::next(...), array_values($this->steps)));

        return array_values($this->run->steps->filter(static fn (RunStep $s): bool => in_array($s->id, $ids, true))->all());
    }
}
