<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Finish\LayerRecord;
use App\Models\Light\LightRecord;
use Hyalin\Finish\MeshSuggestions;
use Hyalin\Finish\Section;

/**
 * Advice on painting a figure, from the light on its mesh.
 *
 * @phpstan-import-type LitArea from LightRecord
 */
final class LightAdvice
{
    /**
     * @param  LitArea  $lit
     * @param  Section  $section  of its finish, with the sprays as the mesh has them
     * @return list<string>
     */
    public static function of(Figure $figure, Area $area, array $lit, Section $section): array
    {
        $countsOnLight = $area->layers->contains(static fn (LayerRecord $l): bool => $l->technique->spec()->direction?->isFromAbove() === true);
        $planned = $countsOnLight ? FigureOptics::of($figure, $area, null, [])->section(LayerDraft::stackOf($area)) : null;

        return MeshSuggestions::of($lit['hidden'], $lit['exposure'], $lit['shares'], $section, $planned);
    }

    /**
     * How parts must be held that are sprayed apart.
     *
     * @return list<string>
     */
    public static function apart(Figure $figure, LightRecord $light): array
    {
        $found = [];
        foreach ($figure->loadMissing('meshes')->meshes as $mesh) {
            $apart = $light->result['apart'][$mesh->id] ?? null;
            $found[] = $apart === null ? null : MeshSuggestions::apart($mesh->title, $apart['share'], $apart['up']);
        }

        return array_values(array_filter($found, is_string(...)));
    }
}
