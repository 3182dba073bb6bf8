<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Figure;
use App\Models\Paint;
use App\Models\Painter;

final readonly class BenchDoorPageProps
{
    /**
     * @param  list<FigureInWorkProps>  $figures
     * @param  list<PotProps>  $runningOut  pots nearly empty
     */
    public function __construct(public array $figures, public int $potCount, public array $runningOut)
    {
    }

    public static function of(Painter $painter): self
    {
        $low = $painter->paints()->where('level_percent', '<=', 10)->get();

        return new self(
            array_values($painter->figures->map(static fn (Figure $f) => FigureInWorkProps::of($f))->all()),
            $painter->paints()->count(),
            array_values($low->map(static fn (Paint $p) => PotProps::of($p))->all()),
        );
    }
}
