<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The triangles of a fine mesh in the order of the coarse vertices that lead them: what is said of a vertex is then said of a row of
 * triangles. A triangle is led by the vertex whose label it takes (SurfaceGraph::onTriangles).
 */
final readonly class LedTriangles
{
    /**
     * @param  TriangleMesh  $mesh  the same triangles in that order, and behind them those that keep their own
     * @param  list<int>  $count  of triangles by coarse vertex
     * @param  list<int>  $rest  vertex that leads each of those behind
     * @param  list<int>  $from  triangle of the mesh before by triangle of this one
     */
    private function __construct(public TriangleMesh $mesh, public array $count, public array $rest, public array $from)
    {
    }

    /** For what is kept long: where each came from is a list as long as the mesh. */
    public function withoutFrom(): self
    {
        return new self($this->mesh, $this->count, $this->rest, []);
    }

    /**
     * @param  list<int>  $vertexOf  coarse vertex by vertex of the mesh
     * @param  int  $vertices  coarse ones
     * @param  list<int>|null  $parentOf  triangle that each was split from: pieces of one keep their order, in which painters' choices
     *                                    on them are kept
     */
    public static function of(TriangleMesh $mesh, array $vertexOf, int $vertices, ?array $parentOf): self
    {
        $lead = SurfaceGraph::onTriangles($mesh, $vertexOf, range(0, max(0, $vertices - 1)));
        // Flat lists, and a sort by counting: millions of triangles.
        $pieces = $parentOf === null || $parentOf === [] ? [] : \array_fill(0, 1 + \max($parentOf), 0);
        foreach ($parentOf ?? [] as $parent) {
            $pieces[$parent]++;
        }
        $count = \array_fill(0, $vertices, 0);
        $behind = $rest = [];
        foreach ($lead as $t => $v) {
            if ($parentOf !== null && $pieces[$parentOf[$t]] > 1) {
                $behind[] = $t;
                $rest[] = $v;
                $lead[$t] = -1;
            } else {
                $count[$v]++;
            }
        }
        $at = [];
        $next = 0;
        foreach ($count as $own) {
            $at[] = $next;
            $next += $own;
        }
        $from = \array_fill(0, $next, 0);
        foreach ($lead as $t => $v) {
            if ($v >= 0) {
                $from[$at[$v]++] = $t;
            }
        }
        unset($lead, $at, $pieces);
        foreach ($behind as $t) {
            $from[] = $t;
        }
        $indices = '';
        foreach ($from as $t) {
            $indices .= \substr($mesh->indices, 12 * $t, 12);
        }

        return new self(TriangleMesh::of($mesh->positions, $indices), \array_values($count), $rest, \array_values($from));
    }
}
