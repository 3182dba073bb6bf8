<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\SettleAreas;
use App\Adapters\Light\Patience;
use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use App\Models\TaskKind;
use Hyalin\Progress;

final class MeasureLitAreas extends FigureTask
{
    public function __construct(private readonly LightRecord $light)
    {
        parent::__construct();
    }

    protected function kind(): TaskKind
    {
        return TaskKind::Measures;
    }

    protected function isLong(): bool
    {
        return Patience::endsAtMeasuring($this->light) && StoredStudy::of($this->light)?->isMeasured($this->light) === false;
    }

    protected function work(?Progress $progress): void
    {
        app(SettleAreas::class)->due($this->light, $progress);
    }
}
