<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

use App\Http\Props\ColourProps;
use App\Models\Bench\PieceReading;
use App\Models\Brief\Area;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Likeness;
use Hyalin\Matching\Comparison\Consistency;

/**
 * How alike one area came out on all figures of a batch.
 */
final readonly class ConsistencyProps
{
    /**
     * @param  list<PieceReadingProps>  $readings
     * @param  ColourProps|null  $planned  middle tone of the prediction
     * @param  float|null  $spread  mean CIEDE2000 from the mean; null while fewer than two are read
     * @param  string|null  $words  how alike they are
     * @param  int|null  $outlier  number of the figure that stands out
     * @param  string|null  $remedy  what brings it back
     */
    public function __construct(
        public int $areaId,
        public string $area,
        public array $readings,
        public ?ColourProps $planned,
        public ?float $spread,
        public ?string $words,
        public ?int $outlier,
        public ?string $remedy,
    ) {
    }

    /** @param  list<PieceReading>  $readings  of this area, in order of the figures */
    public static function of(Area $area, array $readings, ?Lab $planned): self
    {
        $found = count($readings) < 2 ? null : Consistency::of(array_map(static fn (PieceReading $r): Lab => $r->lab(), $readings));
        $props = [];
        foreach ($readings as $n => $reading) {
            $props[] = PieceReadingProps::of($reading, $found?->differences[$n] ?? null);
        }

        return new self(
            $area->id,
            $area->name,
            $props,
            $planned === null ? null : ColourProps::of($planned),
            $found?->spread,
            $found === null ? null : Likeness::of($found->spread)->value,
            $found?->outlier === null ? null : $readings[$found->outlier]->copy,
            $found?->outlierShift === null ? null : self::remedy($found->outlierShift, (float) $found->outlierBy),
        );
    }

    /** @param  list<float>  $shift  L*, a*, b* of the odd one less those of the others */
    private static function remedy(array $shift, float $by): string
    {
        [$l, $a, $b] = [$shift[0] ?? 0.0, $shift[1] ?? 0.0, $shift[2] ?? 0.0];
        $how = match (true) {
            abs($l) >= hypot($a, $b) => $l < 0 ? 'it is darker: a thin coat of its base, then its highlights again' : 'it is lighter: one more wash, or a glaze of its base',
            default => 'its hue differs: a glaze of its own base mix, from the same cup as the others',
        };

        return sprintf('%.1f from the others; %s.', $by, $how);
    }
}
