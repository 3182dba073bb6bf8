<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Adapters\FigureOptics;
use App\Adapters\Meshes\Assembly;
use App\Models\Area;
use App\Models\Figure;
use App\Models\LightRecord;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Zone;

/**
 * The light on a figure.
 */
final readonly class LightProps
{
    /**
     * @param  float  $spread  half angle of the spray, degrees
     * @param  string  $state  none, waiting, running, done, stopped or failed
     * @param  bool  $isStale  meshes or pose changed since it was computed
     * @param  string|null  $dataUrl  of what the view shows
     * @param  list<LitAreaProps>  $areas
     * @param  list<BorderProps>  $borders
     */
    public function __construct(
        public string $up,
        public ?float $heightMm,
        public float $spread,
        public int $passes,
        public string $state,
        public float $progress,
        public ?string $problem,
        public bool $isStale,
        public ?string $dataUrl,
        public int $triangles,
        public float $sizeMm,
        public array $areas,
        public array $borders,
    ) {
    }

    public static function of(Figure $figure): self
    {
        $light = $figure->lightStudy()->first() ?? new LightRecord;
        $lit = [];
        foreach ($light->result['areas'] ?? [] as $area) {
            $lit[$area['areaId']] = $area;
        }
        $names = $areas = [];
        foreach ($figure->areas()->with(['layers.paints.paint', 'part'])->get() as $area) {
            $names[$area->id] = $area->name;
            $found = $lit[$area->id] ?? null;
            $areas[] = new LitAreaProps($area->id, $area->name, $area->part?->name, $found['cm2'] ?? null, $found['exposure'] ?? null, $found['shares'] ?? [], $found === null ? null : self::advice($found['exposure'], $found['hidden'], $found['shares']), self::rows($figure, $area));
        }
        $borders = [];
        foreach ($light->result['borders'] ?? [] as $b) {
            if (isset($names[$b['areaId']], $names[$b['otherId']])) {
                $borders[] = new BorderProps($names[$b['areaId']], $names[$b['otherId']], $b['mm'], $b['isCurved']);
            }
        }

        return new self(
            $light->up, $light->height_mm, $light->spread, $light->passes, $light->exists ? $light->state : 'none', $light->progress, $light->problem,
            $light->of !== null && $light->of !== Assembly::signature($figure, $light),
            $light->path === null || $light->result === null ? null : route('light.data', [$figure, 'of' => substr(hash('sha256', $light->path.json_encode($light->result)), 0, 12)], false),
            $light->result['triangles'] ?? 0, $light->result['sizeMm'] ?? 0.0, $areas, $borders,
        );
    }

    /** @return list<list<string>> */
    private static function rows(Figure $figure, Area $area): array
    {
        $section = FigureOptics::of($figure, $area)->section(AreaFinishProps::drafts($area));

        return array_map(static fn (SectionRow $row): array => array_map(static fn (Zone $z): string => ColourProps::of($row->cell($z)->seen)->hex, Zone::cases()), $section->rows);
    }

    /** @param  list<float>  $shares */
    private static function advice(float $exposure, float $hidden, array $shares): ?string
    {
        return match (true) {
            $hidden > 0.1 => sprintf('%d of 100 of it no eye reaches: that may stay primed.', (int) round(100 * $hidden)),
            $exposure < 0.12 => 'Spray from above hardly reaches it: the light on it must be painted by hand.',
            $exposure < 0.25 && ($shares[3] ?? 0.0) < 0.1 => 'Little of it catches the spray: it stays dark under translucent paint.',
            default => null,
        };
    }
}
