<?php

declare(strict_types=1);

namespace App\Http\Props\Home;

use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Cups\CupRecord;
use Illuminate\Support\Carbon;

/**
 * A step that could be done in this session.
 */
final readonly class TonightStepProps
{
    /**
     * @param  list<string>  $hexes  of its mix, for the eye
     * @param  string|null  $readyAt  ISO 8601; null when it can be done now
     * @param  string|null  $because  what is wet until then
     * @param  bool  $fits  into the time left, after those before it
     * @param  string|null  $cup  name of the cup that stands open for it
     */
    private function __construct(
        public int $stepId,
        public string $figure,
        public int $position,
        public string $title,
        public string $where,
        public int $minutes,
        public array $hexes,
        public ?string $readyAt,
        public ?string $because,
        public bool $fits,
        public ?string $cup,
        public string $url,
    ) {
    }

    /** @param  array{RunStep, Carbon}|null  $held */
    public static function of(Run $run, RunStep $step, ?array $held, bool $fits): self
    {
        return new self(
            $step->id,
            $run->figure->name,
            $step->position,
            title: $step->title(),
            where: $step->where(),
            minutes: $step->minutes,
            hexes: array_column($step->planned_mix, 'hex'),
            readyAt: $held === null ? null : $held[1]->toIso8601String(),
            because: $held === null ? null : "{$held[0]->title()}, {$held[0]->where()}",
            fits: $fits,
            cup: $step->cups->first(static fn (CupRecord $c): bool => $c->emptied_at === null)?->name,
            url: route('runs.show', ['run' => $run, 'step' => $step->position], false),
        );
    }
}
