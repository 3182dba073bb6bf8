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
            'mix.*.drops' => ['required', 'integer', 'between:1,999'],
        ];
    }

    /** @return list<float>|null L*, a*, b* */
    public function target(): ?array
    {
        $numbers = array_values(array_filter($this->array('target'), is_numeric(...)));

        return count($numbers) === 3 ? array_map(floatval(...), $numbers) : null;
    }

    /** @return list<array{int, int}> pot and drops */
    public function mix(): array
    {
        $mix = [];
        foreach ($this->array('mix') as $entry) {
            if (is_array($entry) && is_numeric($entry['paintId'] ?? null) && is_numeric($entry['drops'] ?? null)) {
                $mix[] = [(int) $entry['paintId'], (int) $entry['drops']];
            }
        }

        return $mix;
    }
}
