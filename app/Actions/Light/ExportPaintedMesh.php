<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use Hyalin\Colour\GamutMapping;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Formats\Meshes\PlyWriter;

/**
 * The working mesh of a figure as other programs show it: the exposure to spray from above and the finished colour of every
 * vertex. Between zones colours run into each other, in linear light.
 */
final readonly class ExportPaintedMesh
{
    private const BARE = '#8a8a8a';

    public function __construct(private SettleAreas $settle)
    {
    }

    /** @return string|null PLY; null while nothing is computed */
    public function __invoke(Figure $figure, LightRecord $light): ?string
    {
        $study = StoredStudy::of($light);
        if ($study === null || $light->result === null) {
            return null;
        }
        $this->settle->due($light);
        $paint = [];
        $byZone = array_column($light->result['areas'] ?? [], 'byZone', 'areaId');
        foreach ($figure->areas()->with(['layers.paints.paint', 'part'])->get() as $area) {
            $top = FigureOptics::of($figure, $area, null, $byZone[$area->id] ?? null)->section(LayerDraft::stackOf($area))->top();
            $paint[$area->id] = array_map(static fn (Zone $z): array => GamutMapping::displayed($top->cell($z)->seen)->shown->linear(), Zone::cases());
        }
        $bare = Srgb::hex(self::BARE)->linear();
        $mesh = $study->working();
        $areas = $study->workingAreas();
        $zones = $study->workingZones();
        $sums = array_fill(0, $mesh->vertices(), [0.0, 0.0, 0.0, 0]);
        foreach (array_chunk($mesh->corners(), 3) as $t => $corners) {
            $colour = $paint[$areas[$t]][$zones[$t]] ?? $bare;
            foreach ($corners as $v) {
                $sums[$v] = [$sums[$v][0] + $colour[0], $sums[$v][1] + $colour[1], $sums[$v][2] + $colour[2], $sums[$v][3] + 1];
            }
        }
        $colours = array_map(static fn (array $s): Srgb => Srgb::fromLinear([$s[0] / max(1, $s[3]), $s[1] / max(1, $s[3]), $s[2] / max(1, $s[3])]), $sums);
        $exposure = array_map(static fn (string $byte): float => ord($byte) / 255, str_split($study->exposure(Technique::ZenithalSpray->value)));

        return PlyWriter::plain()->withFloats('exposure', $exposure)->withColours($colours)->write($mesh);
    }
}
