<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\Decimation;
use Hyalin\Mesh\LedTriangles;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Refinement;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * Front door: where a spray falls on a mesh. Shadows are found on a working mesh of about a hundred thousand triangles -
 * a large mesh made coarser, long edges of a small one split - and weighed on the triangles of the mesh itself.
 */
final readonly class LightStudy
{
    /** Above this a mesh is made coarser for its shadows. */
    private const COARSER_FROM = 130_000;

    private const WORKING = 115_000;

    /** Edges longer than this share of the whole are split; a fine mesh has few, and they may be longer. */
    private const LONGEST = 1 / 80;

    private const LONGEST_OF_FINE = 1 / 40;

    private const FINE_FROM = 50_000;

    /** Triangles that a square of the longest edge is split into (own estimate; slivers of a fan give more). */
    private const PIECES = 5;

    /** Open edges of a body with cracks, of its vertices; a cloak that is one sheet has many times as many. */
    private const CRACKS = 0.001;

    /**
     * @param  TriangleMesh  $working  what the screen shows and shadows are cast by
     * @param  TriangleMesh  $evaluated  whose triangles face the spray: the mesh itself, or its split one
     * @param  list<int>|null  $vertexOf  working vertex by vertex of the evaluated mesh
     * @param  list<int>|null  $parentOf  triangle of the mesh itself by triangle of the evaluated one; null where they are the same
     * @param  LedTriangles|null  $led  how the triangles of the evaluated mesh stand in the order of the working vertices; null where the meshes are the same
     */
    private function __construct(public TriangleMesh $working, public TriangleMesh $evaluated, public ?array $vertexOf, public ?array $parentOf, public Visibility $seen, public ?LedTriangles $led = null)
    {
    }

    /**
     * @param  list<array{float, float, float}>  $directions  of length 1, to where light may come from
     * @param  float  $coarser  1 or more: how many times as long as usual the edges of what is split may be
     *
     * @throws Stopped
     */
    public static function of(TriangleMesh $mesh, MeshMeasures $measures, array $directions, ?Progress $progress = null, CastsShadows $shadows = new OwnShadows, float $coarser = 1.0): self
    {
        // The base beneath a sculpt has few large triangles: shadows would end at their corners.
        $few = $mesh->triangles() > self::COARSER_FROM ? Refinement::ofFew($mesh, self::LONGEST * $measures->size()) : null;
        $fine = $few->mesh ?? $mesh;
        $coarse = self::coarser($fine, $few === null ? $measures : MeshMeasures::of($fine));
        if ($coarse !== null) {
            return new self($coarse->mesh, $fine, $coarse->vertexOf, $few?->parentOf, $shadows->seen($coarse->mesh, $directions, self::isClosed($measures), $progress));
        }
        // A body that is compact, or hollow, has much surface for its size: its pieces are larger instead of too many.
        $longest = max(($mesh->triangles() > self::FINE_FROM ? self::LONGEST_OF_FINE : self::LONGEST) * $measures->size(), sqrt(self::PIECES * $measures->areaMm2 / self::WORKING));
        $split = Refinement::of($mesh, $coarser * $longest);

        return new self($split->mesh, $split->mesh, null, $split->parentOf, $shadows->seen($split->mesh, $directions, self::isClosed($measures), $progress));
    }

    /** The same with the triangles of the evaluated mesh in the order of the working vertices, for what is to be kept and worked on. */
    public function inRows(): self
    {
        if ($this->vertexOf === null) {
            return $this;
        }
        $led = LedTriangles::of($this->evaluated, $this->vertexOf, $this->working->vertices(), $this->parentOf);
        $parentOf = $this->parentOf === null ? $led->from : array_map(fn (int $t): int => $this->parentOf[$t], $led->from);

        return new self($this->working, $led->mesh, $this->vertexOf, $parentOf, $this->seen, $led->withoutFrom());
    }

    /** @return Decimation|null what a fine mesh is worked on by; null where it is worked on itself */
    public static function coarser(TriangleMesh $mesh, MeshMeasures $measures): ?Decimation
    {
        return $mesh->triangles() > self::COARSER_FROM ? Decimation::of($mesh, $measures, self::WORKING) : null;
    }

    /** @return bool whether what faces away from the light is hidden behind what faces it: a crack here and there does no harm */
    private static function isClosed(MeshMeasures $measures): bool
    {
        return $measures->openEdges <= self::CRACKS * count($measures->shellOf) && $measures->inconsistentEdges === 0 && $measures->volumeMm3 > 0.0;
    }

    /** @param  SprayCone  $cone  with the directions of this study */
    public function exposure(SprayCone $cone): Exposure
    {
        return Exposure::of($this->evaluated, $this->vertexOf, $this->seen, $cone);
    }

    /** @return array<int, float> 0..1 by vertex of the working mesh */
    public function ofVertices(SprayCone $cone): array
    {
        return Exposure::ofVertices($this->working, $this->seen, $cone);
    }
}
