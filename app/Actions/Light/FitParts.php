<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\KnownPlugs;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use Hyalin\Light\Fitted;
use Hyalin\Light\Kit;
use Illuminate\Validation\ValidationException;

/**
 * Puts the parts of a figure together by the pegs and sockets that fit each other.
 */
final readonly class FitParts
{
    public function __construct(private PoseParts $poseParts)
    {
    }

    /**
     * @return string what was joined, what needs a look, what has no place
     *
     * @throws ValidationException when no peg fits a socket
     */
    public function __invoke(Figure $figure): string
    {
        $up = LightRecord::ofFigure($figure)->axis();
        $meshes = $figure->meshes()->get()->keyBy(static fn (FigureMesh $m): int => $m->id);
        $parts = $meshes->map(static fn (FigureMesh $m): array => [$m->stands($up), KnownPlugs::of($m)])->all();
        // The largest part is what the others are set on.
        $first = $meshes->sortByDesc(static fn (FigureMesh $m): float => $m->measures['areaMm2'] * $m->unit_mm ** 2)->first();
        $fitted = $first === null ? [] : Kit::assembled($parts, $first->id);
        if ($fitted === []) {
            throw ValidationException::withMessages(['parts' => 'No peg fits a socket here. Attach the parts face to face.']);
        }
        $moved = array_filter($fitted, static fn (Fitted $f): bool => ! $f->stood);
        $poses = [];
        foreach ($fitted as $joint) {
            $poses[$joint->part] = [$joint->pose, ['at' => $joint->at, 'axis' => $joint->axis], $joint->onto];
        }
        ($this->poseParts)($figure, $poses);
        $name = static fn (int $id): string => '"'.($meshes->get($id)->title ?? '').'"';
        $unsure = array_map(static fn (Fitted $f): string => $name($f->part), array_filter($fitted, static fn (Fitted $f): bool => ! $f->isSure));
        $joined = [];
        foreach ($fitted as $joint) {
            $joined[$joint->part] = $joined[$joint->onto] = true;
        }
        $left = $meshes->reject(static fn (FigureMesh $m): bool => isset($joined[$m->id]))->map(static fn (FigureMesh $m): string => "\"{$m->title}\"")->all();

        return implode(' ', array_filter([
            $moved === [] ? 'Every peg sits in its socket already.' : count($moved).' of '.count($meshes).' parts were set by their pegs.',
            $unsure === [] ? null : 'Check '.implode(', ', $unsure).': they fit elsewhere, too.',
            $left === [] ? null : 'No peg fits for '.implode(', ', $left).': attach face to face.',
        ]));
    }
}
