<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\AdoptRun;
use App\Adapters\Bench\RunFinish;
use App\Adapters\Finish\LayerDraft;
use App\Http\Props\Bench\ComparedRunAreaProps;
use App\Http\Props\Brief\FigureProps;
use App\Http\Props\Finish\LayerProps;
use App\Http\Props\Finish\SectionProps;
use App\Http\Props\Finish\SectionRowProps;
use App\Models\Bench\Run;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\RecipeVersion;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/**
 * A run beside its plan or another run, and what was done as the new recipe.
 */
final class RunComparisonController
{
    /** @throws ValidationException when the other run is of another figure */
    public function show(Request $request, Run $run): Response
    {
        $figure = $run->figure()->firstOrFail();
        $other = $request->filled('other') ? $figure->runs()->find($request->integer('other')) : null;
        abort_if($request->filled('other') && $other === null, 404);

        return Inertia::render('bench/compare', [
            'figure' => static fn () => FigureProps::of($figure, 'Bench'),
            'runId' => $run->id,
            'runNumber' => $run->number,
            'otherNumber' => $other?->number,
            'others' => static fn () => array_values($figure->runs()->whereKeyNot($run->id)->get()->map(static fn (Run $r): array => ['id' => $r->id, 'number' => $r->number])->all()),
            'areas' => static fn (): array => self::areas($figure, $run, $other),
        ]);
    }

    /** @return list<ComparedRunAreaProps> */
    private static function areas(Figure $figure, Run $run, ?Run $other): array
    {
        $run->load('steps.areas');
        $other?->load('steps.areas');
        $areas = [];
        foreach ($figure->areasWithFinishes()->loadMissing('samples') as $area) {
            if ($area->layers->isNotEmpty()) {
                $areas[] = self::area($figure, $area, $other === null ? LayerDraft::stackOf($area) : RunFinish::of($area, $other), RunFinish::of($area, $run));
            }
        }

        return $areas;
    }

    /** @throws ValidationException when it was painted as planned */
    public function adopt(Run $run, AdoptRun $adopt): JsonResponse
    {
        $run->load('steps.areas');
        $changed = $adopt($run);
        if ($changed === 0) {
            throw ValidationException::withMessages(['run' => 'This run was painted exactly as the recipe says: there is nothing to change.']);
        }

        return new JsonResponse(['message' => $changed === 1 ? 'One area has a new recipe. The previous one is kept as a version.' : "{$changed} areas have new recipes. The previous ones are kept as a version."]);
    }

    public function restore(Figure $figure, RecipeVersion $version, AdoptRun $adopt): JsonResponse
    {
        $adopt->restore($figure, $version);

        return new JsonResponse(['message' => "Version {$version->number} is the recipe again."]);
    }

    /**
     * @param  list<LayerDraft>  $left
     * @param  list<LayerDraft>  $right
     */
    private static function area(Figure $figure, Area $area, array $left, array $right): ComparedRunAreaProps
    {
        $one = SectionProps::predict($figure, $area, $left, false);
        $two = SectionProps::predict($figure, $area, $right, false);

        return new ComparedRunAreaProps(
            $area->id,
            $area->name,
            array_map(LayerProps::of(...), $left),
            $one,
            array_map(LayerProps::of(...), $right),
            $two,
            self::differences($figure, $one, $two),
            self::changed($left, $right),
        );
    }

    /** @return list<float> */
    private static function differences(Figure $figure, SectionProps $one, SectionProps $two): array
    {
        $top = static fn (SectionProps $s): SectionRowProps => $s->rows[count($s->rows) - 1];
        $lab = static fn (SectionRowProps $row, int $zone): Lab => Lab::parse($row->cells[$zone]->colour->lab, $figure->light);

        return array_map(static fn (int $zone): float => DifferenceFormula::Ciede2000->between($lab($top($one), $zone), $lab($top($two), $zone)), [0, 1, 2, 3, 4]);
    }

    /**
     * @param  list<LayerDraft>  $left
     * @param  list<LayerDraft>  $right
     * @return list<string>
     */
    private static function changed(array $left, array $right): array
    {
        [$one, $two] = [self::signatures($left), self::signatures($right)];
        $keys = array_unique([...array_keys($one), ...array_keys($two)]);

        return array_values(array_filter($keys, static fn (string $k): bool => ($one[$k] ?? null) !== ($two[$k] ?? null)));
    }

    /**
     * @param  list<LayerDraft>  $drafts
     * @return array<string, string> by key of the layer
     */
    private static function signatures(array $drafts): array
    {
        $by = [];
        foreach ($drafts as $draft) {
            $by[$draft->key] = ($by[$draft->key] ?? '').$draft->signature();
        }

        return $by;
    }
}
