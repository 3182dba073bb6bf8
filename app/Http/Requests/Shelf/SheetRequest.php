<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use App\Http\Requests\LimitRule;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Finish\Technique;
use Hyalin\Limit;
use Hyalin\Sheet\SheetLayout;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * A new swatch sheet: which pots are on it, and which strips of techniques.
 */
final class SheetRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'paper' => ['required', Rule::in(SwatchSheet::PAPERS)],
            'whiteId' => ['nullable', 'integer'],
            'grey' => ['sometimes', 'numeric', 'between:0.02,1'],
            'fields' => ['required', 'array', 'list', 'min:1', 'max:'.SheetLayout::mostFields()],
            'fields.*.paintId' => ['required', 'integer'],
            'fields.*.technique' => ['sometimes', 'nullable', Rule::enum(Technique::class)],
            'fields.*.coats' => ['sometimes', 'integer', 'between:1,6'],
            'fields.*.thinner' => ['sometimes', ...LimitRule::of(Limit::Thinner)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['fields.required' => 'Choose the pots of this sheet.', 'fields.max' => 'A sheet has :max fields at most. Make a second one.'];
    }

    /**
     * @return list<array{position: int, paint_id: int, technique: Technique|null, thinner: float, coats: int}>
     *
     * @throws ValidationException for a technique that leaves nothing on a flat strip
     */
    public function fields(): array
    {
        $fields = [];
        foreach ($this->array('fields') as $position => $field) {
            $field = new Request(is_array($field) ? $field : []);
            $technique = $field->enum('technique', Technique::class);
            if ($technique !== null && ! $technique->showsOnFlat()) {
                throw ValidationException::withMessages(["fields.{$position}.technique" => 'This technique leaves nothing on a flat strip: it works on edges and in recesses only.']);
            }
            $fields[] = ['position' => (int) $position, 'paint_id' => $field->integer('paintId'), 'technique' => $technique, 'thinner' => $field->float('thinner'), 'coats' => max(1, $field->integer('coats', 1))];
        }

        return $fields;
    }
}
