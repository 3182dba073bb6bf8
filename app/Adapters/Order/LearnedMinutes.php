<?php

declare(strict_types=1);

namespace App\Adapters\Order;

use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use Hyalin\Bench\LearnedUse;

/**
 * How much longer or shorter this painter takes than is usual, by technique, from the minutes of past runs. Looked up once a
 * request.
 */
final class LearnedMinutes
{
    /** @var array<int, array<string, float>> by painter and technique */
    private array $known = [];

    /** @return array<string, float> factors by technique; what no run tells is missing */
    public function of(int $painterId): array
    {
        return $this->known[$painterId] ??= $this->read($painterId);
    }

    public function forget(): void
    {
        $this->known = [];
    }

    /** @return array<string, float> */
    private function read(int $painterId): array
    {
        $runs = [];
        $steps = RunStep::query()->whereNotNull('used_minutes')->whereNotNull('technique')->where('state', RunStepState::Done)->whereNull('verdict')
            ->whereHas('run', static fn ($q) => $q->where('painter_id', $painterId))->get();
        foreach ($steps as $step) {
            $runs[$step->technique->value ?? ''][] = [(float) ($step->usual_minutes ?? $step->minutes), (float) $step->used_minutes];
        }

        return array_map(LearnedUse::factor(...), $runs);
    }
}
