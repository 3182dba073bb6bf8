<?php

declare(strict_types=1);

namespace App\Http\Props\Home;

use App\Http\Props\PotProps;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\Paint;

final readonly class HomePageProps
{
    /**
     * @param  list<FigureInProgressProps>  $figures
     * @param  list<PotProps>  $runningOut  pots nearly empty
     */
    public function __construct(public array $figures, public int $potCount, public array $runningOut)
    {
    }

    public static function of(Painter $painter): self
    {
        $low = $painter->paints()->where('level_percent', '<=', 10)->get();

        return new self(
            array_values($painter->figures()->with([
                'parts',
                'areas.layers.paints.paint',
                'areas.samples',
                'pictures',
                'runs',
                'openSteps',
            ])->get()->map(static fn (Figure $f) => FigureInProgressProps::of($f))->all()),
            $painter->paints()->count(),
            array_values($low->map(static fn (Paint $p) => PotProps::of($p))->all()),
        );
    }
}
