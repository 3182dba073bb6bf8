<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * How far a search for the shortest line has come from one of its ends. Changed in place: it holds a value for every vertex.
 *
 * @internal to ShortestLine
 */
final class LineFront
{
    /**
     * @param  array<int, float>  $far  from the end, by vertex; INF where it has not come
     * @param  array<int, int>  $next  vertex that is one nearer to the end
     * @param  array<int, list<int>>  $open  vertices to go on from, by bucket
     * @param  bool  $isBack  whether lines lead to this end: they cost what the vertex does that they come to
     */
    private function __construct(public array $far, public array $next, public array $open, public readonly bool $isBack)
    {
    }

    public static function from(int $end, int $vertices, bool $isBack): self
    {
        $far = \array_fill(0, $vertices, \INF);
        $far[$end] = 0.0;

        return new self($far, [], [[$end]], $isBack);
    }

    /** @return list<int> the vertices from one to the end, without the first */
    public function way(int $v): array
    {
        $way = [];
        while (isset($this->next[$v])) {
            $v = $this->next[$v];
            $way[] = $v;
        }

        return $way;
    }
}
