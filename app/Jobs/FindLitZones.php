<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\FindZones;
use App\Adapters\Light\Patience;
use App\Models\Light\LightRecord;
use App\Models\TaskKind;
use Hyalin\Progress;

final class FindLitZones extends FigureTask
{
    public function __construct(private readonly LightRecord $light, private readonly float $edges, private readonly float $grooves)
    {
        parent::__construct();
    }

    protected function kind(): TaskKind
    {
        return TaskKind::Zones;
    }

    protected function input(): array
    {
        return ['edges' => $this->edges, 'grooves' => $this->grooves];
    }

    protected function isLong(): bool
    {
        return Patience::endsAtMeasuring($this->light);
    }

    protected function work(?Progress $progress): void
    {
        app(FindZones::class)($this->light, $this->edges, $this->grooves, $progress);
    }
}
