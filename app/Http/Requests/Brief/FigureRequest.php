<?php

declare(strict_types=1);

namespace App\Http\Requests\Brief;

use App\Http\Requests\LimitRule;
use Hyalin\Colour\Illuminant;
use Hyalin\Limit;
use Hyalin\Optics\Sheen;
use Hyalin\Plan\PieceUse;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class FigureRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'sculptor' => ['nullable', 'string', 'max:120'],
            'heightMm' => ['nullable', ...LimitRule::of(Limit::FigureHeightMm)],
            'copies' => ['sometimes', ...LimitRule::of(Limit::FigureCopies)],
            'about' => ['nullable', 'string', 'max:4000'],
            'bareHex' => ['sometimes', 'regex:/^#[0-9a-f]{6}\z/i'],
            'light' => ['sometimes', Rule::enum(Illuminant::class)],
            'sheen' => ['sometimes', Rule::enum(Sheen::class)],
            'uses' => ['sometimes', 'array', 'list', 'max:8'],
            'uses.*' => [Rule::enum(PieceUse::class)],
            'isGuided' => ['sometimes', 'boolean'],
            'version' => ['sometimes', 'integer', 'min:1'],
        ];
    }

    /** @return array<string, mixed> attributes of App\Models\Brief\Figure, only those that were sent */
    public function attributesOfFigure(): array
    {
        $names = [
            'name' => 'name', 'sculptor' => 'sculptor', 'heightMm' => 'height_mm', 'copies' => 'copies',
            'about' => 'about', 'bareHex' => 'bare_hex', 'light' => 'light', 'sheen' => 'sheen', 'uses' => 'uses',
        ];
        $attributes = [];
        foreach ($names as $sent => $attribute) {
            if ($this->has($sent)) {
                $attributes[$attribute] = $this->input($sent);
            }
        }

        if ($this->has('isGuided')) {
            $attributes['is_guided'] = $this->boolean('isGuided');
        }

        return $attributes;
    }
}
