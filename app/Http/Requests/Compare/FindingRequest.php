<?php

declare(strict_types=1);

namespace App\Http\Requests\Compare;

use App\Http\Requests\References\ReadsPoints;
use App\Models\Brief\Figure;
use Hyalin\Finish\Zone;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * A zone of the painted piece found on its photo.
 */
final class FindingRequest extends FormRequest
{
    use ReadsPoints;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $figure = $this->route('figure');

        return [
            'areaId' => ['required', 'integer', Rule::exists('areas', 'id')->where('figure_id', $figure instanceof Figure ? $figure->id : 0)],
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
}
