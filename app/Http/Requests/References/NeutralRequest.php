<?php

declare(strict_types=1);

namespace App\Http\Requests\References;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * What a picture is to be neutralised on: a grey patch of known reflectance, a chart by its corner patches, or
 * something that is neutral but of unknown lightness.
 */
final class NeutralRequest extends FormRequest
{
    use ReadsPoints;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'method' => ['required', Rule::in(['grey', 'chart', 'hand'])],
            'points' => ['required', 'array', 'list', $this->input('method') === 'chart' ? 'size:4' : 'min:3', 'max:2000'],
            'points.*' => ['required', 'array', 'list', 'size:2'],
            'points.*.*' => ['required', 'numeric', 'between:-1,2'],
            'others' => ['sometimes', 'array', 'list', 'max:8'],
            'others.*' => ['array', 'list', 'min:3', 'max:2000'],
            'others.*.*' => ['required', 'array', 'list', 'size:2'],
            'others.*.*.*' => ['required', 'numeric', 'between:-1,2'],
            'reflectance' => ['nullable', 'numeric', 'between:0.02,1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'points.size' => 'Mark the centres of the four corner patches.',
            'others.*.min' => 'Draw around the other grey patch: this outline is empty.',
            'points.min' => 'Draw around the neutral patch: this outline is empty.',
        ];
    }

    /** @return array{method: string, points: list<array{float, float}>, reflectance: float|null, others: list<list<array{float, float}>>} */
    public function neutral(): array
    {
        return [
            'method' => $this->string('method')->value(),
            'points' => $this->points(),
            'reflectance' => $this->filled('reflectance') ? $this->float('reflectance') : null,
            'others' => array_values(array_map(self::pointsOf(...), array_filter($this->array('others'), is_array(...)))),
        ];
    }
}
