<?php

declare(strict_types=1);

namespace App\Http\Requests\Finish;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\MixRequest;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Zone;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * A mix wanted for one layer: the finish around it, the zone to hit, the colour wanted there.
 */
class MixFinderRequest extends FinishRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'index' => ['required', 'integer', 'min:0', 'max:39'],
            'zone' => ['required', Rule::enum(Zone::class)],
            // Absent: the sample of the zone.
            'targetHex' => ['nullable', 'regex:/^#[0-9a-f]{6}\z/i'],
            'maxPaints' => ['sometimes', 'integer', 'between:1,3'],
            // Also inks and washes, where a painter would not look for them.
            'allKinds' => ['sometimes', 'boolean'],
            // One mix for every zone that has a sample and is touched by the layer.
            'allZones' => ['sometimes', 'boolean'],
        ];
    }

    public function zone(): Zone
    {
        return $this->enum('zone', Zone::class) ?? Zone::Mid;
    }

    /** @throws ValidationException when it cannot be searched for, saying what to do */
    public function mixRequest(Figure $figure, Area $area, Painter $painter): MixRequest
    {
        $drafts = $this->drafts($painter);
        $index = $this->integer('index');
        if (! isset($drafts[$index])) {
            throw ValidationException::withMessages(['index' => 'There is no such layer.']);
        }
        $pots = MixRequest::potsFor($drafts[$index]->technique, $painter->paints()->get(), $this->boolean('allKinds'));
        if ($pots === []) {
            throw ValidationException::withMessages(['shelf' => 'The shelf is empty: there is no paint to mix from. Add a pot first.']);
        }
        $zone = $this->zone();
        $maxPaints = $this->has('maxPaints') ? $this->integer('maxPaints') : 3;
        $optics = FigureOptics::of($figure, $area);
        $others = [];
        foreach ($this->boolean('allZones') ? $area->samples : [] as $sample) {
            $other = $sample->zone === $zone ? null : MixRequest::of($optics, $drafts, $index, $sample->zone, $sample->lab(), $pots, $maxPaints);
            if ($other !== null) {
                $others[] = $other;
            }
        }

        return MixRequest::of($optics, $drafts, $index, $zone, $this->target($area), $pots, $maxPaints)?->andFor(...$others) ?? throw ValidationException::withMessages([
            'zone' => "This layer does not touch the {$zone->value}: choose a zone it paints.",
        ]);
    }

    /** @throws ValidationException when the zone has no sample and no colour was given */
    public function target(Area $area): Lab
    {
        if ($this->filled('targetHex')) {
            return Srgb::hex($this->string('targetHex')->value())->toXyz()->toLab();
        }
        $sample = $area->samples->firstWhere('zone', $this->zone());

        return $sample?->lab() ?? throw ValidationException::withMessages([
            'zone' => "The {$this->zone()->value} of {$area->name} has no colour to match yet: take one from a reference, or choose one here.",
        ]);
    }
}
