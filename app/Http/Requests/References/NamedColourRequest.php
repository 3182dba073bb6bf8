<?php

declare(strict_types=1);

namespace App\Http\Requests\References;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Hyalin\Colour\ColourShift;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Zone;
use Hyalin\Optics\Surface;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * A colour that is wanted without any picture of it: picked, typed, that of a pot, or another area's, changed or not.
 */
final class NamedColourRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'zone' => ['required', Rule::enum(Zone::class)],
            'from' => ['required', Rule::in(['hex', 'lab', 'pot', 'area'])],
            'hex' => ['required_if:from,hex', 'nullable', 'regex:/^#[0-9a-f]{6}\z/i'],
            'lab' => ['required_if:from,lab', 'nullable', 'array', 'list', 'size:3'],
            'lab.0' => ['required_if:from,lab', 'numeric', 'between:0,100'],
            'lab.1' => ['required_if:from,lab', 'numeric', 'between:-128,128'],
            'lab.2' => ['required_if:from,lab', 'numeric', 'between:-128,128'],
            'paintId' => ['required_if:from,pot', 'nullable', 'integer'],
            'areaId' => ['required_if:from,area', 'nullable', 'integer'],
            'areaZone' => ['nullable', Rule::enum(Zone::class)],
            'shift' => ['nullable', Rule::enum(ColourShift::class)],
            'amount' => ['required_with:shift', 'nullable', 'numeric', 'between:0.5,60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'hex.regex' => 'The colour must be of the form #rrggbb.',
            'lab.*' => 'L* is from 0 to 100, a* and b* from -128 to 128.',
            'paintId.required_if' => 'Choose a pot.',
            'areaId.required_if' => 'Choose an area.',
        ];
    }

    public function zone(): Zone
    {
        return $this->enum('zone', Zone::class) ?? Zone::Mid;
    }

    /**
     * @return array{Lab, string} the colour, and where it is from, in words
     *
     * @throws ValidationException when pot or area are not there, or the area has no colour yet
     */
    public function named(Figure $figure, Painter $painter): array
    {
        [$lab, $words] = $this->base($figure, $painter);
        $shift = $this->enum('shift', ColourShift::class);
        if ($shift === null) {
            return [$lab, $words];
        }

        return [$shift->of($lab, $this->float('amount')), sprintf('%s by %s than %s', $shift->value, round($this->float('amount'), 1), $words)];
    }

    /** @return array{Lab, string} */
    private function base(Figure $figure, Painter $painter): array
    {
        if ($this->string('from')->value() === 'hex') {
            $hex = $this->string('hex')->lower()->value();

            return [Srgb::hex($hex)->toXyz()->toLab(), $hex];
        }
        if ($this->string('from')->value() === 'lab') {
            $lab = Lab::of(...array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, array_values($this->array('lab'))));

            return [$lab, sprintf('L* %.1f a* %.1f b* %.1f', ...$lab->toArray())];
        }
        if ($this->string('from')->value() === 'pot') {
            $pot = $painter->paints()->find($this->integer('paintId')) ?? throw ValidationException::withMessages(['paintId' => 'This pot is not on your shelf.']);
            $seen = Surface::of($pot->sheen)->seen($pot->optics()->masstone());

            return [SpectralSum::under(Illuminant::D65)->xyz($seen)->toLab(), $pot->name];
        }
        $other = $figure->areas()->with(['samples', 'layers.paints.paint'])->find($this->integer('areaId')) ?? throw ValidationException::withMessages(['areaId' => 'This figure has no such area.']);
        $zone = $this->enum('areaZone', Zone::class) ?? $this->zone();

        return [$this->ofArea($figure, $other, $zone), "{$other->name}, {$other->form->words($zone)}"];
    }

    /** What is wanted of it there, or else what its finish gives. */
    private function ofArea(Figure $figure, Area $area, Zone $zone): Lab
    {
        $sample = $area->samples->firstWhere('zone', $zone);
        if ($sample !== null) {
            return $sample->lab();
        }
        $drafts = LayerDraft::stackOf($area);
        if ($drafts === []) {
            throw ValidationException::withMessages(['areaId' => "{$area->name} has neither a colour for its {$area->form->words($zone)} nor a finish yet."]);
        }

        return FigureOptics::of($figure, $area, Illuminant::D65)->section($drafts)->top()->cell($zone)->seen;
    }
}
