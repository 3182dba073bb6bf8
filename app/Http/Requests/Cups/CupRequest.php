<?php

declare(strict_types=1);

namespace App\Http\Requests\Cups;

use Illuminate\Foundation\Http\FormRequest;

final class CupRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'areaId' => ['nullable', 'integer'],
            'runStepId' => ['nullable', 'integer'],
            'target' => ['nullable', 'array', 'list', 'size:3'],
            'target.*' => ['numeric', 'between:-200,200'],
            'mix' => ['nullable', 'array', 'list', 'max:8'],
            'mix.*.paintId' => ['required', 'integer'],
            // Parts of a recipe, or drops that are counted already, each of its pot's own dropper.
            'mix.*.parts' => ['required_without:mix.*.drops', 'numeric', 'between:0.01,999'],
            'mix.*.drops' => ['sometimes', 'integer', 'between:1,999'],
        ];
    }

    /** @return list<float>|null L*, a*, b* */
    public function target(): ?array
    {
        $numbers = array_values(array_filter($this->array('target'), is_numeric(...)));

        return count($numbers) === 3 ? array_map(floatval(...), $numbers) : null;
    }

    /** @return list<array{int, float, int|null}> pot, its parts, and its drops where they are counted already */
    public function mix(): array
    {
        $mix = [];
        foreach ($this->array('mix') as $entry) {
            if (is_array($entry) && is_numeric($entry['paintId'] ?? null) && is_numeric($parts = $entry['parts'] ?? $entry['drops'] ?? null)) {
                $mix[] = [(int) $entry['paintId'], (float) $parts, isset($entry['drops']) ? (int) $parts : null];
            }
        }

        return $mix;
    }
}
