<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The vertices of a mesh with their neighbours, asked for one at a time.
 */
interface Surroundings
{
    /**
     * @return array{int, int, array<int, int>, array<int, float>} from where to before where the neighbours of a vertex stand in a
     *                                                             list, and their distances in another, mm
     */
    public function around(int $vertex): array;
}
