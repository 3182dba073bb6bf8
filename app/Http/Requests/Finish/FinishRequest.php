<?php

declare(strict_types=1);

namespace App\Http\Requests\Finish;

use App\Adapters\Finish\LayerDraft;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Str;
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
            'layers.*.thinner' => ['required', 'numeric', 'between:0,20'],
            'layers.*.coats' => ['required', 'integer', 'between:1,12'],
            'layers.*.note' => ['nullable', 'string', 'max:2000'],
            'layers.*.mix' => ['required', 'array', 'list', 'min:1', 'max:8'],
            'layers.*.mix.*.paintId' => ['required', 'integer'],
            'layers.*.mix.*.drops' => ['required', 'integer', 'between:1,99'],
            'version' => ['sometimes', 'integer', 'min:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'layers.*.mix.*.drops.integer' => 'Drops are counted: they must be whole.',
            'layers.*.mix.*.drops.between' => 'A pot in a mix has from 1 to 99 drops.',
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
        $layers = $this->array('layers');
        $pots = $this->pots($painter, $layers);
        $drafts = [];
        foreach ($layers as $i => $layer) {
            if (is_array($layer)) {
                $drafts[] = $this->draft($layer, $pots, "layers.{$i}");
            }
        }

        return $drafts;
    }

    /**
     * @param  array<array-key, mixed>  $layer
     * @param  Collection<int, Paint>  $pots
     *
     * @throws ValidationException
     */
    private function draft(array $layer, Collection $pots, string $where): LayerDraft
    {
        $technique = Technique::from(self::text($layer['technique'] ?? ''));
        $mix = [];
        foreach (is_array($layer['mix'] ?? null) ? $layer['mix'] : [] as $entry) {
            $id = is_array($entry) && is_numeric($entry['paintId'] ?? null) ? (int) $entry['paintId'] : 0;
            $drops = is_array($entry) && is_numeric($entry['drops'] ?? null) ? (int) $entry['drops'] : 0;
            if (isset($mix[$id])) {
                throw ValidationException::withMessages(["{$where}.mix" => 'A pot stands twice in one mix: add its drops together.']);
            }
            $pot = $pots->get($id) ?? throw ValidationException::withMessages(["{$where}.mix" => 'This pot is not on your shelf.']);
            $mix[$id] = [$pot, $drops];
        }
        $zones = array_values(array_filter(Zone::cases(), static fn (Zone $zone): bool => is_array($layer['zones'] ?? null)
            && in_array($zone->value, $layer['zones'], true)));
        $key = self::text($layer['key'] ?? '');
        $note = self::text($layer['note'] ?? '');

        return new LayerDraft(
            $key !== '' ? $key : Str::ulid()->toBase32(),
            $technique,
            $zones ?: $technique->usualZones(),
            is_numeric($layer['thinner'] ?? null) ? (float) $layer['thinner'] : 0.0,
            is_numeric($layer['coats'] ?? null) ? (int) $layer['coats'] : 1,
            array_values($mix) ?: throw ValidationException::withMessages(["{$where}.mix" => 'A layer needs at least one paint.']),
            $note !== '' ? $note : null,
        );
    }

    /**
     * @param  array<array-key, mixed>  $layers
     * @return Collection<int, Paint> by id, also pots taken off the shelf: a recipe keeps them
     */
    private function pots(Painter $painter, array $layers): Collection
    {
        $ids = [];
        foreach ($layers as $layer) {
            foreach (is_array($layer) && is_array($layer['mix'] ?? null) ? $layer['mix'] : [] as $entry) {
                $ids[] = is_array($entry) ? ($entry['paintId'] ?? null) : null;
            }
        }

        return Paint::withTrashed()
            ->where('painter_id', $painter->id)
            ->whereIn('id', array_filter($ids, is_numeric(...)))
            ->get()
            ->keyBy('id');
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
