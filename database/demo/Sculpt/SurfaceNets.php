<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

use Hyalin\Mesh\TriangleMesh;

/**
 * A solid as a triangle mesh: one point for every cell of a grid that its surface goes through, moved onto the surface, and
 * a face for every edge of the grid that it crosses. S. Gibson, Constrained elastic surface nets, MICCAI 1998.
 */
final class SurfaceNets
{
    /** Cells along a side of the largest blocks that are looked at as a whole. */
    private const BLOCK = 16;

    /** How much longer than the true one a distance may be: folds and blends are no exact distances. */
    private const SLACK = 1.7;

    /** How far a point may be moved onto the surface, in cells. */
    private const FARTHEST = 0.5;

    /** @var array<int, float> distance by point of the grid */
    private array $values = [];

    /** @var array<int, int> vertex by cell */
    private array $vertexOf = [];

    /** @var array<int, true> cells that may hold some surface, by their lowest corner */
    private array $cells = [];

    private readonly int $row;

    private readonly int $layer;

    private function __construct(private readonly Body $body, private readonly float $cell)
    {
        // One cell of air around everything.
        $this->row = 3 + (int) ceil(($body->most[0] - $body->least[0]) / $cell);
        $this->layer = $this->row * (3 + (int) ceil(($body->most[1] - $body->least[1]) / $cell));
    }

    /**
     * @param  float  $cell  mm
     * @return array{TriangleMesh, list<int>} and the area of each triangle, by its place in the list of the body
     */
    public static function of(Body $body, float $cell): array
    {
        $nets = new self($body, $cell);
        $deep = 3 + (int) ceil(($body->most[2] - $body->least[2]) / $cell);
        for ($k = 0; $k < $deep; $k += self::BLOCK) {
            for ($j = 0; $j * $nets->row < $nets->layer; $j += self::BLOCK) {
                for ($i = 0; $i < $nets->row; $i += self::BLOCK) {
                    $nets->look($i, $j, $k, self::BLOCK);
                }
            }
        }

        return $nets->mesh();
    }

    private function look(int $i, int $j, int $k, int $size): void
    {
        $half = $size / 2;
        [$distance] = ($this->body->at)(...$this->place($i + $half, $j + $half, $k + $half));
        if (abs($distance) > self::SLACK * 0.8661 * $size * $this->cell) {
            return;
        }
        $next = intdiv($size, 2);
        foreach ([0, $next] as $c) {
            foreach ([0, $next] as $b) {
                foreach ([0, $next] as $a) {
                    if ($next > 1) {
                        $this->look($i + $a, $j + $b, $k + $c, $next);
                    } else {
                        $this->cells[$i + $a + $this->row * ($j + $b) + $this->layer * ($k + $c)] = true;
                    }
                }
            }
        }
    }

    /** @return array{TriangleMesh, list<int>} */
    private function mesh(): array
    {
        $positions = '';
        $areaOf = $crossed = [];
        $corners = [0, 1, $this->row, $this->row + 1, $this->layer, $this->layer + 1, $this->layer + $this->row, $this->layer + $this->row + 1];
        $faces = [[0b01010101, -1], [0b10101010, 1], [0b00110011, -$this->row], [0b11001100, $this->row], [0b00001111, -$this->layer], [0b11110000, $this->layer]];
        $left = array_keys($this->cells);
        while ($left !== []) {
            $cell = array_pop($left);
            $inside = 0;
            foreach ($corners as $n => $offset) {
                $inside |= $this->value($cell + $offset) < 0.0 ? 1 << $n : 0;
            }
            if ($inside === 0 || $inside === 255) {
                continue;
            }
            $this->vertexOf[$cell] = count($areaOf);
            [$x, $y, $z, $areaOf[]] = $this->onSurface($cell, $corners);
            $positions .= pack('g3', $x, $y, $z);
            $crossed[] = $cell;
            // Where a block was passed over although some surface is in it, the surface is followed there.
            foreach ($faces as [$face, $step]) {
                if (($inside & $face) !== 0 && ($inside & $face) !== $face && ! isset($this->cells[$cell + $step])) {
                    $this->cells[$cell + $step] = true;
                    $left[] = $cell + $step;
                }
            }
        }
        $indices = '';
        $areas = [];
        foreach ($crossed as $cell) {
            foreach ([[1, $this->row, $this->layer], [$this->row, $this->layer, 1], [$this->layer, 1, $this->row]] as [$along, $u, $v]) {
                $out = $this->value($cell + $along) >= 0.0;
                if (($this->value($cell) >= 0.0) === $out || ! isset($this->vertexOf[$cell - $u], $this->vertexOf[$cell - $v], $this->vertexOf[$cell - $u - $v])) {
                    continue;
                }
                $quad = [$this->vertexOf[$cell - $u - $v], $this->vertexOf[$cell - $v], $this->vertexOf[$cell], $this->vertexOf[$cell - $u]];
                [$a, $b, $c, $d] = $out ? $quad : array_reverse($quad);
                $indices .= pack('V6', $a, $b, $c, $a, $c, $d);
                array_push($areas, self::most($areaOf[$a], $areaOf[$b], $areaOf[$c]), self::most($areaOf[$a], $areaOf[$c], $areaOf[$d]));
            }
        }

        return [TriangleMesh::of($positions, $indices), $areas];
    }

    private static function most(int $a, int $b, int $c): int
    {
        return $b === $c ? $b : $a;
    }

    /**
     * @param  non-empty-list<int>  $corners
     * @return array{float, float, float, int} place and area
     */
    private function onSurface(int $cell, array $corners): array
    {
        $sum = [0.0, 0.0, 0.0];
        $count = 0;
        foreach ([[0, 1], [2, 3], [4, 5], [6, 7], [0, 2], [1, 3], [4, 6], [5, 7], [0, 4], [1, 5], [2, 6], [3, 7]] as [$p, $q]) {
            [$from, $to] = [$this->value($cell + $corners[$p]), $this->value($cell + $corners[$q])];
            if (($from < 0.0) !== ($to < 0.0)) {
                $t = $from / ($from - $to);
                foreach ([0, 1, 2] as $axis) {
                    [$low, $high] = [$p >> $axis & 1, $q >> $axis & 1];
                    $sum[$axis] += $low + $t * ($high - $low);
                }
                $count++;
            }
        }
        $layer = intdiv($cell, $this->layer);
        $row = intdiv($cell % $this->layer, $this->row);
        [$x, $y, $z] = $this->place($cell % $this->row + $sum[0] / $count, $row + $sum[1] / $count, $layer + $sum[2] / $count);
        $at = $this->body->at;
        [$d] = $at($x, $y, $z);
        $e = 0.2 * $this->cell;
        $gx = ($at($x + $e, $y, $z)[0] - $d) / $e;
        $gy = ($at($x, $y + $e, $z)[0] - $d) / $e;
        $gz = ($at($x, $y, $z + $e)[0] - $d) / $e;
        $squared = $gx * $gx + $gy * $gy + $gz * $gz;
        $far = self::FARTHEST * $this->cell;
        $step = $squared > 0.01 ? max(-$far, min($far, $d / sqrt($squared))) / sqrt($squared) : 0.0;
        [$x, $y, $z] = [$x - $step * $gx, $y - $step * $gy, $z - $step * $gz];

        return [$x, $y, $z, $at($x, $y, $z)[1]];
    }

    private function value(int $point): float
    {
        return $this->values[$point] ??= ($this->body->at)(...$this->place($point % $this->row, intdiv($point % $this->layer, $this->row), intdiv($point, $this->layer)))[0];
    }

    /** @return array{float, float, float} of a point of the grid, or between them */
    private function place(float $i, float $j, float $k): array
    {
        [$x, $y, $z] = $this->body->least;

        // A little off the round numbers that flat faces lie on: a face in a plane of the grid is on no side of it.
        return [$x + ($i - 0.97) * $this->cell, $y + ($j - 0.96) * $this->cell, $z + ($k - 0.98) * $this->cell];
    }
}
