<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Figure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class AreaRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $figure = $this->route('figure');

        return [
            'name' => ['required', 'string', 'max:120'],
            'wish' => ['nullable', 'string', 'max:1000'],
            'partId' => [
                'nullable',
                'integer',
                Rule::exists('parts', 'id')->where('figure_id', $figure instanceof Figure ? $figure->id : 0),
            ],
        ];
    }

    /** @return array<string, mixed> attributes of App\Models\Area */
    public function attributesOfArea(): array
    {
        return [
            'name' => $this->string('name')->trim()->value(),
            'wish' => $this->filled('wish') ? $this->string('wish')->value() : null,
            'part_id' => $this->filled('partId') ? $this->integer('partId') : null,
        ];
    }
}
