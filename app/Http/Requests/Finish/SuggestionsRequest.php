<?php

declare(strict_types=1);

namespace App\Http\Requests\Finish;

use Hyalin\Cup\HueDrift;
use Illuminate\Validation\Rule;

/**
 * Advice on one layer and zone: what the mix finder asks, and how a ramp should go.
 */
final class SuggestionsRequest extends MixFinderRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'contrast' => ['sometimes', 'integer', 'between:2,30'],
            'drift' => ['sometimes', Rule::enum(HueDrift::class)],
        ];
    }

    public function contrast(): float
    {
        return $this->has('contrast') ? $this->float('contrast') : 9.0;
    }

    public function drift(): HueDrift
    {
        return $this->enum('drift', HueDrift::class) ?? HueDrift::Straight;
    }
}
