<?php

declare(strict_types=1);

namespace App\Http\Requests\Brief;

use App\Http\Requests\LimitRule;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use Closure;
use Hyalin\Finish\AreaForm;
use Hyalin\Limit;
use Hyalin\Optics\Sheen;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class AreaRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $figure = $this->route('figure');
        $area = $this->route('area');

        return [
            'name' => ['required', 'string', 'max:120'],
            'wish' => ['nullable', 'string', 'max:1000'],
            'partId' => [
                'nullable',
                'integer',
                Rule::exists('parts', 'id')->where('figure_id', $figure instanceof Figure ? $figure->id : 0),
            ],
            'liesOnId' => [
                'nullable',
                'integer',
                Rule::exists('areas', 'id')->where('figure_id', $figure instanceof Figure ? $figure->id : 0),
                function (string $key, mixed $value, Closure $fail) use ($area): void {
                    if ($area instanceof Area && is_numeric($value) && self::liesOn((int) $value, $area->id)) {
                        $fail("{$area->name} cannot lie on an area that lies on it.");
                    }
                },
            ],
            'tolerance' => ['nullable', ...LimitRule::of(Limit::Tolerance)],
            'sheen' => ['nullable', Rule::enum(Sheen::class)],
            'form' => ['nullable', Rule::enum(AreaForm::class)],
            'seen' => ['sometimes', 'string', 'max:64'],
            'squareCm' => ['sometimes', 'nullable', ...LimitRule::of(Limit::AreaSquareCm)],
        ];
    }

    /** Whether one area is another or lies on it, through however many between. */
    private static function liesOn(int $id, int $on): bool
    {
        for ($depth = 0; $depth < 20; $depth++) {
            if ($id === $on) {
                return true;
            }
            $next = Area::query()->find($id)?->lies_on_id;
            if ($next === null) {
                return false;
            }
            $id = $next;
        }

        return true;
    }

    /** @return array<string, mixed> attributes of App\Models\Brief\Area */
    public function attributesOfArea(): array
    {
        return [
            'name' => $this->string('name')->trim()->value(),
            'wish' => $this->filled('wish') ? $this->string('wish')->value() : null,
            'part_id' => $this->filled('partId') ? $this->integer('partId') : null,
            'lies_on_id' => $this->filled('liesOnId') ? $this->integer('liesOnId') : null,
            'sheen' => $this->enum('sheen', Sheen::class),
            'form' => $this->enum('form', AreaForm::class) ?? AreaForm::Shaped,
            'tolerance' => $this->filled('tolerance') ? $this->float('tolerance') : null,
            // Measured, maybe: what does not speak of the size leaves it.
            ...$this->has('squareCm') ? ['square_cm' => $this->filled('squareCm') ? $this->float('squareCm') : null] : [],
        ];
    }
}
