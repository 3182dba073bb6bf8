<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Light\AssembledFigure;
use App\Adapters\Light\LightAdvice;
use App\Adapters\Light\StoredStudy;
use App\Http\Props\ColourProps;
use App\Http\Props\TaskProps;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use App\Models\Task;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\DepositProfile;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\SprayDirection;
use Hyalin\Finish\Zone;

/**
 * The light on a figure.
 */
final readonly class LightProps
{
    /**
     * @param  string  $front  one of the six sides, across from up
     * @param  list<SprayProps>  $sprays  directed ones, in the order of the view's data
     * @param  float  $edges  strength with which edges are found, 1 for the usual
     * @param  float  $grooves  alike
     * @param  float  $hitsPerPass  of spray at full exposure in one pass
     * @param  float  $beneath  Y of the primer beneath the sprays, 0..1
     * @param  TaskProps|null  $lighting  the calculation of the light: the last one, or the one that is going on
     * @param  bool  $isStale  meshes or pose changed since it was computed
     * @param  string|null  $dataUrl  of what the view shows
     * @param  string|null  $areasUrl  of which area its triangles are: they change while the rest stays
     * @param  float  $noAreaCm2  of the surface that is no area yet, without the inside
     * @param  float  $insideCm2  of the surface that lies inside the figure and is no area
     * @param  list<LitAreaProps>  $areas
     * @param  list<BorderProps>  $borders
     * @param  list<string>  $apart  how parts must be held that are sprayed apart
     * @param  bool  $canUndo  the last act of giving part of the mesh to an area
     * @param  int|null  $lastAct  its number
     * @param  bool  $isMeasured  whether the numbers are those of the areas as they are now
     * @param  TaskProps|null  $task  what is being calculated besides the lighting as a whole
     * @param  CameraProps|null  $camera  kept, for bench, comparison and card
     */
    public function __construct(
        public string $up,
        public string $front,
        public ?float $heightMm,
        public array $sprays,
        public float $edges,
        public float $grooves,
        public float $hitsPerPass,
        public float $beneath,
        public ?TaskProps $lighting,
        public bool $isStale,
        public ?string $dataUrl,
        public ?string $areasUrl,
        public int $triangles,
        public float $sizeMm,
        public float $noAreaCm2,
        public float $insideCm2,
        public array $areas,
        public array $borders,
        public array $apart,
        public ?CameraProps $camera,
        public ?string $stillUrl,
        public bool $canUndo,
        public bool $canRedo,
        public ?int $lastAct,
        public bool $isMeasured,
        public ?TaskProps $task,
    ) {
    }

    public static function of(Figure $figure): self
    {
        $light = $figure->loadMissing('lightStudy.task')->lightStudy ?? new LightRecord;
        $act = ActProps::of($figure, $light);
        $lit = array_column($light->result['areas'] ?? [], null, 'areaId');
        $names = $areas = [];
        foreach ($figure->areasWithFinishes() as $area) {
            $names[$area->id] = $area->name;
            $found = $lit[$area->id] ?? null;
            $exposures = $found['byZone'] ?? null;
            $section = FigureOptics::of($figure, $area, null, $exposures)->section(LayerDraft::stackOf($area));
            $areas[] = new LitAreaProps(
                $area->id,
                $area->name,
                $area->part?->name,
                cm2: $found['cm2'] ?? null,
                exposure: $found['exposure'] ?? null,
                shares: $found['shares'] ?? [],
                isGradient: $area->form === AreaForm::Gradient,
                gradient: $found['gradient'] ?? null,
                advice: $found === null ? [] : LightAdvice::of($figure, $area, $found, $section),
                rows: self::rows($section),
            );
        }
        $task = Task::ofFigure($figure);
        $lighting = $light->task;
        $borders = [];
        foreach ($light->result['borders'] ?? [] as $b) {
            if (isset($names[$b['areaId']], $names[$b['otherId']])) {
                $borders[] = new BorderProps($names[$b['areaId']], $names[$b['otherId']], $b['mm'], $b['isCurved']);
            }
        }

        return new self(
            $light->up,
            $light->frontName(),
            $light->height_mm,
            sprays: SprayProps::allOf($light),
            edges: $light->edges,
            grooves: $light->grooves,
            hitsPerPass: DepositProfile::HITS,
            beneath: SprayDirection::BENEATH,
            lighting: $lighting === null ? null : TaskProps::of($lighting),
            isStale: AssembledFigure::isStale($figure, $light),
            dataUrl: self::dataUrl($figure, $light),
            areasUrl: $act->areasUrl,
            triangles: $light->result['triangles'] ?? 0,
            sizeMm: $light->result['sizeMm'] ?? 0.0,
            noAreaCm2: $light->result['noAreaCm2'] ?? 0.0,
            insideCm2: $light->result['insideCm2'] ?? 0.0,
            areas: $areas,
            borders: $borders,
            apart: LightAdvice::apart($figure, $light),
            camera: CameraProps::of($light->camera),
            stillUrl: self::stillUrl($figure),
            canUndo: $act->canUndo,
            canRedo: $act->canRedo,
            lastAct: $act->lastAct,
            isMeasured: $act->isMeasured,
            task: $task === null ? null : TaskProps::of($task),
        );
    }

    /** @return string|null another one for everything that changes what is shown; null while nothing is computed */
    public static function dataUrl(Figure $figure, LightRecord $light): ?string
    {
        $study = StoredStudy::of($light);

        return $study === null || $light->result === null ? null : route(
            'light.data',
            [$figure, 'of' => substr(hash('sha256', $study->path.$study->stampOfZones().json_encode([$light->sprays, $light->front, $light->edges, $light->grooves])), 0, 12)],
            false,
        );
    }

    /** @return string|null of the picture that was kept with the look */
    public static function stillUrl(Figure $figure): ?string
    {
        $still = $figure->loadMissing('lightStudy.task')->lightStudy?->still;

        return $still === null ? null : route('light.still', [$figure, 'of' => substr(hash('sha256', $still), 0, 12)], false);
    }

    /** @return list<list<string>> */
    private static function rows(Section $section): array
    {
        return array_map(static fn (SectionRow $row): array => array_map(static fn (Zone $z): string => ColourProps::of($row->cell($z)->seen)->hex, Zone::cases()), $section->rows);
    }
}
