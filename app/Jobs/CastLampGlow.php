<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\CastGlow;
use App\Adapters\Light\Patience;
use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use App\Models\TaskKind;
use Hyalin\Progress;

final class CastLampGlow extends FigureTask
{
    public function __construct(private readonly LightRecord $light, private readonly int $areaId)
    {
        parent::__construct();
    }

    protected function kind(): TaskKind
    {
        return TaskKind::Glow;
    }

    protected function isLong(): bool
    {
        $study = StoredStudy::of($this->light);

        return $study !== null && ! CastGlow::isKnown($study, $this->areaId) && Patience::endsAtShadows($study);
    }

    protected function work(?Progress $progress): void
    {
        app(CastGlow::class)($this->light, $this->areaId, $progress);
    }
}
