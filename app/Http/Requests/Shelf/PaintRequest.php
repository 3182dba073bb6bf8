<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use Hyalin\Pot\PotFields;
use Illuminate\Foundation\Http\FormRequest;

/**
 * A pot as its form describes it; what may be stated is declared in Hyalin\Pot\PotFields.
 */
final class PaintRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $rules = ['version' => ['sometimes', 'integer', 'min:1']];
        foreach (PotFields::described() as $field) {
            $rules[$field->key] = [$field->isRequired ? 'required' : 'nullable', new StatedOfPot($field)];
        }

        return $rules;
    }

    /** @return array<string, mixed> attributes of App\Models\Shelf\Paint, without its optics */
    public function attributesOfPaint(): array
    {
        $attributes = [];
        foreach (PotFields::described() as $field) {
            $attributes[$field->column()] = StatedOfPot::value($field, $this->input($field->key));
        }

        return $attributes;
    }
}
