<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Hyalin\Finish\Zone;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class SampleRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'pictureId' => ['required', 'integer'],
            'zone' => ['required', Rule::enum(Zone::class)],
            'method' => ['required', Rule::in(['spot', 'lasso'])],
            'points' => ['required', 'array', 'list', 'min:2', 'max:2000'],
            'points.*' => ['required', 'array', 'list', 'size:2'],
            'points.*.*' => ['required', 'numeric', 'between:-1,2'],
        ];
    }

    public function zone(): Zone
    {
        return $this->enum('zone', Zone::class) ?? Zone::Mid;
    }

    public function isSpot(): bool
    {
        return $this->string('method')->value() === 'spot';
    }

    /** @return non-empty-list<array{float, float}> 0..1 of width and height */
    public function points(): array
    {
        $points = [];
        foreach ($this->array('points') as $point) {
            if (is_array($point) && is_numeric($point[0] ?? null) && is_numeric($point[1] ?? null)) {
                $points[] = [(float) $point[0], (float) $point[1]];
            }
        }

        return $points ?: throw new \LogicException('the rules ask for at least two points');
    }
}
