<?php

declare(strict_types=1);

namespace App\Models\Order;

use App\Models\Seen;
use Hyalin\Plan\OwnStepPlan;
use Hyalin\Plan\StepId;
use Illuminate\Database\Eloquent\Model;

/**
 * Work that no rule of the trade plans.
 *
 * @property int $id
 * @property int $figure_id
 * @property int|null $part_id null for the whole figure
 * @property string $key stays with it through every edit
 * @property string $words
 * @property string|null $tool
 * @property int $minutes
 * @property int $dry_minutes
 * @property string|null $caution
 * @property string|null $after step that must come before it
 * @property string|null $before step that must come after it
 */
final class OwnStep extends Model
{
    protected $guarded = ['id', 'figure_id'];

    protected $attributes = ['dry_minutes' => 0];

    /** @return string mark of what its form shows */
    public function seen(): string
    {
        return Seen::of([$this->words, $this->part_id, $this->tool, $this->minutes, $this->dry_minutes, $this->caution, $this->after, $this->before]);
    }

    public function plan(): OwnStepPlan
    {
        return new OwnStepPlan(
            $this->key,
            $this->words,
            $this->part_id === null ? null : (string) $this->part_id,
            tool: $this->tool,
            minutes: $this->minutes,
            dryMinutes: $this->dry_minutes,
            caution: $this->caution,
            after: StepId::tryParse((string) $this->after),
            before: StepId::tryParse((string) $this->before),
        );
    }
}
