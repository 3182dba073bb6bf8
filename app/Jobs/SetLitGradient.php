<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\SetGradient;
use App\Adapters\Light\Patience;
use App\Models\Brief\Area;
use App\Models\Light\LightRecord;
use App\Models\TaskKind;
use Hyalin\Progress;

final class SetLitGradient extends FigureTask
{
    /**
     * @param  array{from: array{float, float, float}, to: array{float, float, float}}|null  $points  mm on the figure
     * @param  'up'|'side'|'front'|null  $along  where there are no points; null for no gradient
     */
    public function __construct(private readonly LightRecord $light, private readonly Area $area, private readonly ?array $points, private readonly ?string $along)
    {
        parent::__construct();
    }

    protected function kind(): TaskKind
    {
        return TaskKind::Gradient;
    }

    protected function isLong(): bool
    {
        return Patience::endsAtMeasuring($this->light);
    }

    protected function work(?Progress $progress): void
    {
        app(SetGradient::class)($this->light, $this->area, $this->points, $this->along, $progress);
    }
}
