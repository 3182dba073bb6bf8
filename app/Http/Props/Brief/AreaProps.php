<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use App\Http\Props\References\SampleProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\References\Sample;
use Hyalin\Finish\AreaForm;
use Hyalin\Optics\Sheen;

/**
 * An area with what is wanted of it.
 */
final readonly class AreaProps
{
    /**
     * @param  list<SampleProps>  $samples
     * @param  int  $layers  how many layers its finish has
     * @param  int|null  $liesOnId  the area it lies on when that is finished: a decal
     * @param  Sheen|null  $sheen  null for that of the figure
     * @param  float|null  $squareCm  null while it is estimated
     * @param  float|null  $tolerance  CIEDE2000; null for the usual
     * @param  string  $seen  mark of what its form shows, sent back with a change
     */
    public function __construct(
        public int $id,
        public ?int $partId,
        public ?string $partName,
        public string $name,
        public ?string $wish,
        public array $samples,
        public int $layers,
        public ?int $liesOnId,
        public ?float $tolerance,
        public ?Sheen $sheen,
        public AreaForm $form,
        public ?float $squareCm,
        public string $seen,
    ) {
    }

    /** @return list<self> in the figure's order */
    public static function allOf(Figure $figure): array
    {
        $areas = $figure->areas()->with(['part', 'samples'])->withCount('layers')->get();

        return array_values($areas->map(static fn (Area $a) => new self(
            $a->id,
            $a->part_id,
            $a->part?->name,
            name: $a->name,
            wish: $a->wish,
            samples: array_values($a->samples->map(static fn (Sample $s) => SampleProps::of($s))->all()),
            layers: (int) $a->layers_count,
            liesOnId: $a->lies_on_id,
            tolerance: $a->tolerance,
            sheen: $a->sheen,
            form: $a->form,
            squareCm: $a->square_cm,
            seen: $a->seen(),
        ))->all());
    }
}
