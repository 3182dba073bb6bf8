<?php

declare(strict_types=1);

namespace App\Http\Requests\References;

use Hyalin\Finish\Zone;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class SampleRequest extends FormRequest
{
    use ReadsPoints;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'pictureId' => ['required', 'integer'],
            'zone' => ['required', Rule::enum(Zone::class)],
            'method' => ['required', Rule::in(['spot', 'lasso', 'stroke'])],
            'points' => ['required', 'array', 'list', 'min:2', 'max:2000'],
            'points.*' => ['required', 'array', 'list', 'size:2'],
            'points.*.*' => ['required', 'numeric', 'between:-1,2'],
        ];
    }

    public function zone(): Zone
    {
        return $this->enum('zone', Zone::class) ?? Zone::Mid;
    }

    public function taking(): string
    {
        return $this->string('method')->value();
    }
}
