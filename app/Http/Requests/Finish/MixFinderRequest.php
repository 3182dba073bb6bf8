<?php

declare(strict_types=1);

namespace App\Http\Requests\Finish;

use App\Adapters\Finish\MixQuestion;
use App\Adapters\Finish\MixRequest;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Hyalin\Colour\Lab;
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
        return $this->question()->request($figure, $area, $painter);
    }

    /** @throws ValidationException when the zone has no sample and no colour was given */
    public function target(Area $area): Lab
    {
        return $this->question()->target($area);
    }

    private function question(): MixQuestion
    {
        return MixQuestion::of($this->all());
    }
}
