<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\StudyLight;
use App\Adapters\Light\SculptSurface;
use App\Adapters\Light\StoredStudy;
use App\Adapters\StoredProgress;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use Hyalin\InvalidInput;
use Hyalin\Stopped;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/**
 * The light on a figure, in the queue.
 */
final class ComputeLight implements ShouldQueue
{
    use Queueable;
    use Resumed;

    public int $timeout = 1800;

    /** @param  string  $asked  mark of this asking: the record waits for the last of them */
    public function __construct(private readonly LightRecord $light, private readonly int $figureId, private readonly string $asked)
    {
    }

    public function handle(StudyLight $study): void
    {
        // Asked for again meanwhile, or done before the worker was killed.
        if (! $this->isWaitedFor()) {
            return;
        }
        ini_set('memory_limit', '1536M');
        $this->light->update(['state' => 'running', 'progress' => 0.0, 'problem' => null]);
        try {
            $study(Figure::query()->findOrFail($this->figureId), $this->light, new StoredProgress($this->light));
            $this->light->refresh();
            $this->light->update(['state' => 'done', 'progress' => 1.0, 'stop_asked' => false]);
            // While the painter looks at it: the first act on the areas of a large print need not wait for what all of them need.
            $stored = StoredStudy::of($this->light);
            if ($stored?->isCoarse() === true) {
                (new SculptSurface($stored))->prepare([$this->light->sideAxis(), $this->light->frontAxis()]);
            }
        } catch (Stopped) {
            $this->light->update(['state' => 'stopped', 'stop_asked' => false]);
        } catch (InvalidInput $e) {
            $this->light->update(['state' => 'failed', 'problem' => ucfirst($e->getMessage()).'.']);
        }
    }

    public function failed(?Throwable $e): void
    {
        if ($this->isWaitedFor()) {
            $this->light->update(['state' => 'failed', 'problem' => 'The lighting could not be calculated: '.FailureReason::of($e).'. Try again, or make the mesh coarser.']);
        }
    }

    private function isWaitedFor(): bool
    {
        $light = $this->light->fresh();

        return $light !== null && $light->job === $this->asked && in_array($light->state, ['waiting', 'running'], true);
    }
}
