<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use App\Http\Requests\LimitRule;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Bench\StepVerdict;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Limit;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * A record of what happened at a step. Only the fields that are sent change.
 *
 * @phpstan-import-type MixEntry from RunStep
 */
final class RunStepRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer', 'min:1'],
            // Seconds since it was done: it may have waited in the browser until the server was back.
            'ago' => ['sometimes', 'integer', 'between:0,2592000'],
            'state' => ['sometimes', Rule::enum(RunStepState::class)],
            'usedMix' => ['sometimes', 'nullable', 'array', 'list', 'min:1', 'max:8'],
            'usedMix.*.paintId' => ['required', 'integer'],
            'usedMix.*.drops' => ['required', ...LimitRule::of(Limit::RecordedParts)],
            'usedCoats' => ['sometimes', 'nullable', ...LimitRule::of(Limit::UsedCoats)],
            'usedMinutes' => ['sometimes', 'nullable', ...LimitRule::of(Limit::UsedMinutes)],
            'usedDrops' => ['sometimes', 'nullable', ...LimitRule::of(Limit::UsedDrops)],
            'skipReason' => ['sometimes', 'nullable', 'required_if:state,skipped', 'string', 'max:200'],
            'note' => ['sometimes', 'nullable', 'string', 'max:2000'],
            'verdict' => ['sometimes', 'nullable', Rule::enum(StepVerdict::class)],
            'wentOnWet' => ['sometimes', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['skipReason.required_if' => 'Enter why it is skipped: the next run shows it.', 'usedMix.*.drops.integer' => 'Drops must be whole numbers.'];
    }

    public function applyTo(RunStep $step, Painter $painter): void
    {
        if ($this->has('state')) {
            $state = $this->enum('state', RunStepState::class) ?? RunStepState::Open;
            $step->done_at = $state === RunStepState::Open ? null : ($step->done_at ?? $this->doneAt($step));
            $step->state = $state;
            $step->skip_reason = $state === RunStepState::Skipped ? $this->string('skipReason')->trim()->value() : null;
        }
        if ($this->has('usedMix')) {
            $step->used_mix = $this->input('usedMix') === null ? null : $this->mix($step, $painter);
        }
        if ($this->has('usedCoats')) {
            $step->used_coats = $this->input('usedCoats') === null ? null : $this->integer('usedCoats');
        }
        if ($this->has('usedMinutes')) {
            $step->used_minutes = $this->input('usedMinutes') === null ? null : $this->integer('usedMinutes');
        }
        if ($this->has('usedDrops')) {
            $step->used_drops = $this->input('usedDrops') === null ? null : $this->integer('usedDrops');
        }
        if ($this->has('verdict')) {
            $step->verdict = $this->enum('verdict', StepVerdict::class);
        }
        $step->went_on_wet = $this->boolean('wentOnWet', $step->went_on_wet);
        if ($this->has('note')) {
            $step->note = $this->filled('note') ? $this->string('note')->value() : null;
        }
    }

    /** Not before its run was begun. */
    private function doneAt(RunStep $step): Carbon
    {
        return now()->subSeconds($this->integer('ago'))->max($step->run->created_at);
    }

    /** Whole where it says so: that is how a painter reads it. */
    private static function parts(float $parts): int|float
    {
        return $parts === floor($parts) ? (int) $parts : $parts;
    }

    /**
     * @return list<MixEntry>
     *
     * @throws ValidationException when a pot is neither on the shelf nor in the plan
     */
    private function mix(RunStep $step, Painter $painter): array
    {
        $known = [];
        foreach ($step->planned_mix as $entry) {
            $known[$entry['paintId']] = $entry;
        }
        $mix = [];
        foreach ($this->array('usedMix') as $entry) {
            $id = is_array($entry) && is_numeric($entry['paintId'] ?? null) ? (int) $entry['paintId'] : 0;
            $drops = is_array($entry) && is_numeric($entry['drops'] ?? null) ? self::parts((float) $entry['drops']) : 1;
            $pot = Paint::withTrashed()->where('painter_id', $painter->id)->find($id);
            $mix[] = match (true) {
                $pot !== null => [
                    'paintId' => $id, 'maker' => $pot->maker, 'name' => $pot->name, 'hex' => $pot->thick_hex, 'drops' => $drops,
                ],
                isset($known[$id]) => [...$known[$id], 'drops' => $drops],
                default => throw ValidationException::withMessages(['usedMix' => 'This pot is not on your shelf.']),
            };
        }

        return $mix;
    }
}
