<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Light\ProposeAreas;
use App\Adapters\Light\Patience;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use App\Models\TaskKind;
use Hyalin\Progress;
use Illuminate\Validation\ValidationException;

final class ProposeLitAreas extends FigureTask
{
    public function __construct(private readonly Figure $figure, private readonly LightRecord $light)
    {
        parent::__construct();
    }

    protected function kind(): TaskKind
    {
        return TaskKind::Proposal;
    }

    protected function isLong(): bool
    {
        $study = StoredStudy::of($this->light);

        return $study !== null && Patience::endsAtProposals($study);
    }

    protected function work(?Progress $progress): void
    {
        if (app(ProposeAreas::class)($this->figure, $this->light, $progress) === 0) {
            throw ValidationException::withMessages(['areas' => 'No large surface is left without an area. Use the brush for small ones.']);
        }
    }
}
