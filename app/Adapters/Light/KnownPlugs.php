<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Models\Light\FigureMesh;
use Hyalin\Mesh\Plug;
use Hyalin\Mesh\Plugs;

/**
 * The pegs and sockets of a print file, kept beside it: a large one takes seconds to go through.
 */
final class KnownPlugs
{
    /** @return list<Plug> in mm */
    public static function of(FigureMesh $mesh): array
    {
        $path = "{$mesh->path}.plugs";
        if (MeshStore::has($path)) {
            /** @var array{float, list<array{bool, array{float, float, float}, array{float, float, float}, float, float, list<array{array{float, float, float}, array{float, float, float}, array{float, float, float}}>}>} $kept written by us */
            $kept = json_decode(MeshStore::get($path), true, 16, JSON_THROW_ON_ERROR);
            if (abs($kept[0] - $mesh->unit_mm) < 1e-9) {
                return array_map(static fn (array $p): Plug => new Plug(...$p), $kept[1]);
            }
        }
        $plugs = Plugs::of(MeshStore::mesh($mesh->path), $mesh->unit_mm);
        MeshStore::put($path, json_encode([
            $mesh->unit_mm, array_map(static fn (Plug $p): array => [$p->isSocket, $p->centre, $p->axis, $p->radius, $p->depth, $p->face], $plugs),
        ], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));

        return $plugs;
    }
}
