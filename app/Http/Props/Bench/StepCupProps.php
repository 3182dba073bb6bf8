<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Adapters\Bench\StepCup;
use App\Http\Props\DropsProps;
use App\Models\Bench\RunStep;

/**
 * The cup that stands open for a step.
 */
final readonly class StepCupProps
{
    /**
     * @param  list<DropsProps>  $mix
     * @param  array<string, string>|null  $colours  hex by zone that will come of it; null where that cannot be told
     */
    private function __construct(public string $url, public string $name, public float $millilitres, public array $mix, public float $thinner, public bool $isAsPlanned, public ?array $colours)
    {
    }

    public static function of(RunStep $step): ?self
    {
        $cup = StepCup::of($step);

        return $cup === null ? null : new self(
            route('cups.show', $cup->record, false),
            $cup->record->name,
            $cup->millilitres,
            DropsProps::recorded($cup->recorded()),
            $cup->thinner,
            $cup->isAsPlanned($step),
            $cup->colours($step),
        );
    }
}
