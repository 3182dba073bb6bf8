<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\SettleAreas;
use App\Adapters\Light\Patience;
use App\Adapters\Light\StoredStudy;
use App\Models\Light\LightRecord;
use App\Models\TaskKind;
use Hyalin\Finish\Technique;
use Hyalin\Light\SprayFrom;
use Hyalin\Progress;

/**
 * The directed sprays as the painter wants them now.
 */
final class CastLitSprays extends FigureTask
{
    /**
     * @param  array<string, mixed>  $settings  of the light
     * @param  Technique|null  $only  that changed; null for all
     */
    public function __construct(private readonly LightRecord $light, private readonly array $settings, private readonly ?Technique $only)
    {
        parent::__construct();
    }

    protected function kind(): TaskKind
    {
        return TaskKind::Spray;
    }

    protected function input(): array
    {
        return $this->settings;
    }

    /** From far away the shadows are known. */
    protected function isLong(): bool
    {
        $sprays = (clone $this->light)->fill($this->settings)->directedSprays();
        $near = array_filter($sprays, fn (SprayFrom $spray, string $name): bool => $spray->distance !== null && ($this->only === null || $this->only->value === $name), ARRAY_FILTER_USE_BOTH);
        $study = StoredStudy::of($this->light);

        return $study !== null && (($near !== [] && Patience::endsAtShadows($study)) || (! $study->isMeasured($this->light) && Patience::endsAtMeasuring($this->light)));
    }

    protected function work(?Progress $progress): void
    {
        app(SettleAreas::class)->withSprays($this->light, $this->settings, $this->only, $progress);
    }
}
