<?php

declare(strict_types=1);

namespace App\Http\Requests\Cups;

use App\Models\Cups\CupAct;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class CupEntryRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'string', 'size:26', 'alpha_num'],
            'act' => ['required', Rule::enum(CupAct::class)],
            'paintId' => ['nullable', 'integer', 'required_if:act,add'],
            'drops' => ['nullable', 'integer', 'between:1,999', 'required_without_all:grams,millilitres'],
            'grams' => ['nullable', 'numeric', 'gt:0', 'max:1000'],
            'millilitres' => ['nullable', 'numeric', 'gt:0', 'max:1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['drops.integer' => 'Drops must be whole numbers.', 'paintId.required_if' => 'Choose the pot.'];
    }
}
