<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use Hyalin\Optics\Opacity;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\PotKind;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class PaintRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'maker' => ['required', 'string', 'max:80'],
            'name' => ['required', 'string', 'max:80'],
            'kind' => ['required', Rule::enum(PotKind::class)],
            'sheen' => ['required', Rule::enum(Sheen::class)],
            'levelPercent' => ['required', 'integer', 'between:0,100'],
            'thickHex' => ['required', 'regex:/^#[0-9a-f]{6}\z/i'],
            'flopHex' => ['nullable', 'regex:/^#[0-9a-f]{6}\z/i'],
            'opacity' => ['required', Rule::enum(Opacity::class)],
            'strength' => ['required', Rule::enum(TintingStrength::class)],
            'note' => ['nullable', 'string', 'max:2000'],
            'version' => ['sometimes', 'integer', 'min:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'thickHex.regex' => 'The colour must be of the form #rrggbb, for example #d9a520.',
            'flopHex.regex' => 'The colour from the side must be of the form #rrggbb.',
        ];
    }

    /** @return array<string, mixed> attributes of App\Models\Shelf\Paint, without its optics */
    public function attributesOfPaint(): array
    {
        return [
            'maker' => $this->string('maker')->trim()->value(),
            'name' => $this->string('name')->trim()->value(),
            'kind' => $this->enum('kind', PotKind::class),
            'sheen' => $this->enum('sheen', Sheen::class),
            'level_percent' => $this->integer('levelPercent'),
            'used_ml' => 0.0,
            'thick_hex' => $this->string('thickHex')->lower()->value(),
            'flop_hex' => $this->filled('flopHex') ? $this->string('flopHex')->lower()->value() : null,
            'opacity' => $this->opacity(),
            'strength' => $this->strength(),
            'note' => $this->filled('note') ? $this->string('note')->value() : null,
        ];
    }

    public function opacity(): Opacity
    {
        return $this->enum('opacity', Opacity::class) ?? Opacity::TwoCoats;
    }

    public function strength(): TintingStrength
    {
        return $this->enum('strength', TintingStrength::class) ?? TintingStrength::Usual;
    }
}
