<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\StudyLight;
use App\Adapters\StoredProgress;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use Hyalin\InvalidInput;
use Hyalin\Light\InvalidLight;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/**
 * The light on a figure, in the queue.
 */
final class ComputeLight implements ShouldQueue
{
    use Queueable;

    public int $timeout = 1800;

    public function __construct(private readonly LightRecord $light, private readonly int $figureId)
    {
    }

    public function handle(StudyLight $study): void
    {
        ini_set('memory_limit', '1536M');
        $this->light->update(['state' => 'running', 'progress' => 0.0, 'problem' => null]);
        try {
            $study(Figure::query()->findOrFail($this->figureId), $this->light, new StoredProgress($this->light));
            $this->light->refresh();
            $this->light->update(['state' => 'done', 'progress' => 1.0, 'stop_asked' => false]);
        } catch (InvalidLight) {
            $this->light->update(['state' => 'stopped', 'stop_asked' => false]);
        } catch (InvalidInput $e) {
            $this->light->update(['state' => 'failed', 'problem' => ucfirst($e->getMessage()).'.']);
        }
    }

    public function failed(?Throwable $e): void
    {
        $this->light->update(['state' => 'failed', 'problem' => 'The lighting could not be calculated: it took too much memory or time. Make the mesh coarser.']);
    }
}
