<?php

declare(strict_types=1);

namespace App\Http\Requests\Finish;

use App\Adapters\Finish\AskedLayers;
use App\Adapters\Finish\LayerDraft;
use App\Http\Requests\LimitRule;
use App\Models\Painter;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Limit;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * The layers of an area as the painter has them before them. Also the ground of a mix search: `index`, `zone`.
 */
class FinishRequest extends FormRequest
{
    private const MOST_LAYERS = 40;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'layers' => ['present', 'array', 'list', 'max:'.self::MOST_LAYERS],
            'layers.*.key' => ['nullable', 'string', 'max:26'],
            'layers.*.technique' => ['required', Rule::enum(Technique::class)],
            'layers.*.zones' => ['required', 'array', 'list', 'min:1', 'max:5'],
            'layers.*.zones.*' => ['required', Rule::enum(Zone::class)],
            'layers.*.thinner' => ['required', ...LimitRule::of(Limit::Thinner)],
            'layers.*.coats' => ['required', ...LimitRule::of(Limit::Coats)],
            'layers.*.note' => ['nullable', 'string', 'max:2000'],
            'layers.*.mix' => ['required', 'array', 'list', 'min:1', 'max:8'],
            'layers.*.mix.*.paintId' => ['required', 'integer'],
            'layers.*.mix.*.drops' => ['required', ...LimitRule::of(Limit::Parts)],
            'version' => ['sometimes', 'integer', 'min:1'],
            'keepAs' => ['sometimes', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'layers.*.mix.*.drops.integer' => 'Drops must be whole numbers.',
            'layers.*.mix.*.drops.between' => 'A pot in a mix has 1 to 99 drops.',
            'layers.*.mix.min' => 'A layer needs at least one paint.',
            'layers.*.zones.min' => 'A layer must touch at least one zone.',
        ];
    }

    /**
     * @return list<LayerDraft>
     *
     * @throws ValidationException when a pot is not one of the painter's
     */
    public function drafts(Painter $painter): array
    {
        return AskedLayers::of($this->array('layers'), $painter);
    }
}
