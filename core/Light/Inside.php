<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\SurfaceGraph;

/**
 * The inside of a figure: the inner wall of a print that is hollow and open at its drain holes, or where pieces stand within each
 * other. It is surface like any other, but no eye and no brush gets there.
 */
final class Inside
{
    /** Of the whole surface: a hidden piece that is smaller is a socket or a deep fold (own estimate). */
    private const LEAST = 0.01;

    /**
     * @param  array<int, float>  $openness  0..1 by vertex
     * @return list<bool> by vertex
     */
    public static function ofVertices(SurfaceGraph $surface, array $openness): array
    {
        $hidden = [];
        foreach ($openness as $open) {
            $hidden[] = Openness::isHidden($open) ? 1 : 0;
        }
        [$of, $areas] = $surface->pieces($hidden);
        $least = self::LEAST * \array_sum($areas);
        $inside = [];
        foreach ($of as $v => $piece) {
            $inside[] = $hidden[$v] === 1 && $areas[$piece] >= $least;
        }

        return $inside;
    }
}
