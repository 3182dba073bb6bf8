<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use App\Adapters\Bench\RepairLayer;
use App\Adapters\Finish\AskedLayers;
use App\Http\Requests\LimitRule;
use App\Models\Bench\Run;
use App\Models\Brief\Area;
use App\Models\Painter;
use Hyalin\Finish\Technique;
use Hyalin\Limit;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * A repair as a layer: where, how and with what.
 */
final class AskedRepair
{
    /** @return array<string, list<mixed>> */
    public static function rules(): array
    {
        return [
            'areaId' => ['sometimes', 'nullable', 'integer'],
            'technique' => ['required_with:areaId', Rule::enum(Technique::class)],
            'coats' => ['sometimes', ...LimitRule::of(Limit::Coats)],
            'thinner' => ['sometimes', ...LimitRule::of(Limit::Thinner)],
            'mix' => ['required_with:areaId', 'array', 'list', 'max:8'],
            'mix.*.paintId' => ['required', 'integer'],
            'mix.*.drops' => ['required', ...LimitRule::of(Limit::Parts)],
        ];
    }

    /**
     * @return RepairLayer|null null for a repair in words alone
     *
     * @throws ValidationException when the area is none of the figure, or a pot is not on the shelf
     */
    public static function of(Request $request, Run $run, Painter $painter): ?RepairLayer
    {
        if (! $request->filled('areaId')) {
            return null;
        }
        $area = Area::query()->where('figure_id', $run->figure_id)->find($request->integer('areaId'))
            ?? throw ValidationException::withMessages(['areaId' => 'This area belongs to another figure.']);
        $technique = Technique::from($request->string('technique')->value());
        $drafts = AskedLayers::of([[
            'technique' => $technique->value,
            'zones' => array_column($technique->spec()->usualZones, 'value'),
            'thinner' => $request->float('thinner', $technique->spec()->usualThinner),
            'coats' => $request->integer('coats', 1),
            'mix' => $request->array('mix'),
        ]], $painter);

        return new RepairLayer($area, $drafts[0] ?? throw ValidationException::withMessages(['mix' => 'A layer needs at least one paint.']));
    }
}
