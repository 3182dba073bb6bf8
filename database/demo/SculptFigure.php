<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Light\StudyLight;
use App\Jobs\ComputeLight;
use App\Jobs\FigureTask;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use App\Models\TaskKind;
use Database\Demo\Sculpt\Sculpt;
use Hyalin\Progress;

/**
 * The print files of a figure of the demo, and the light on them. The pages of the demo do not wait for it.
 */
final class SculptFigure extends FigureTask
{
    /**
     * @param  class-string<Sculpt>  $sculpt
     * @param  bool  $isLit  whether the light is calculated where no worker is there to do it
     */
    public function __construct(private readonly Figure $figure, private readonly string $sculpt, private readonly bool $isLit)
    {
        parent::__construct();
    }

    protected function kind(): TaskKind
    {
        return TaskKind::Sculpt;
    }

    protected function isLong(): bool
    {
        return config('queue.default') !== 'sync';
    }

    protected function work(?Progress $progress): void
    {
        if (! $this->figure->meshes()->exists()) {
            app(PrintSculpt::class)($this->figure, new $this->sculpt, $progress);
        }
        $light = LightRecord::ofFigure($this->figure);
        if ($this->isLong()) {
            ComputeLight::ask($light);
        } elseif ($this->isLit) {
            app(StudyLight::class)($this->figure, $light, new class implements Progress
            {
                public function at(float $fraction): bool
                {
                    return true;
                }
            });
        }
    }
}
