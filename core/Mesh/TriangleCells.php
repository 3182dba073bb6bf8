<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The triangles of a mesh by where their middles lie, in cubes: what a brush touches is found without a look at the rest.
 */
final readonly class TriangleCells
{
    /** Cubes along the longest side. */
    private const ALONG = 40;

    /** More than cubes lie along any side: what a cube's number is counted up by from row to row. */
    private const ROW = 0x4000;

    private const PER_WORD = 8192;

    /** Bytes of what stands before the cubes, and of each of them. */
    private const HEAD = 36;

    private const CUBE = 16;

    /**
     * @param  float  $cell  mm
     * @param  array{float, float, float}  $low  corner that cubes are counted from, mm
     * @param  string  $cubes  16 bytes a cube, by their numbers: number, where its triangles begin in the list, and how many they are;
     *                         a brush looks at a few of thousands
     * @param  string  $triangles  numbers of 32 bits, cube after cube
     */
    private function __construct(private float $cell, private array $low, private string $cubes, private string $triangles)
    {
    }

    public static function of(TriangleMesh $mesh): self
    {
        $cell = \max(1e-6, $mesh->size() / self::ALONG);
        [$low] = $mesh->bounds();
        [$x, $y, $z] = $mesh->coordinates();
        $by = [];
        $t = 0;
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                [$a, $b, $c] = [$corners[$i], $corners[$i + 1], $corners[$i + 2]];
                $by[self::key(
                    (int) ((($x[$a] + $x[$b] + $x[$c]) / 3 - $low[0]) / $cell),
                    (int) ((($y[$a] + $y[$b] + $y[$c]) / 3 - $low[1]) / $cell),
                    (int) ((($z[$a] + $z[$b] + $z[$c]) / 3 - $low[2]) / $cell),
                )][] = $t++;
            }
        }
        \ksort($by);
        $cubes = $triangles = '';
        foreach ($by as $key => $own) {
            $cubes .= \pack('PV2', $key, \intdiv(\strlen($triangles), 4), \count($own));
            foreach (\array_chunk($own, self::PER_WORD) as $some) {
                $triangles .= \pack('V*', ...$some);
            }
        }

        return new self($cell, $low, $cubes, $triangles);
    }

    /** @return string as unpacked() reads it */
    public function packed(): string
    {
        return \pack('e4V', $this->cell, ...[...$this->low, \intdiv(\strlen($this->cubes), self::CUBE)]).$this->cubes.$this->triangles;
    }

    /** @param  string  $packed  by packed() */
    public static function unpacked(string $packed): self
    {
        /** @var array{cell: float, x: float, y: float, z: float, count: int} $head written by us */
        $head = \unpack('ecell/ex/ey/ez/Vcount', $packed);
        $bytes = self::CUBE * $head['count'];

        return new self($head['cell'], [$head['x'], $head['y'], $head['z']], \substr($packed, self::HEAD, $bytes), \substr($packed, self::HEAD + $bytes));
    }

    /**
     * @param  TriangleMesh  $mesh  of which it was made
     * @param  array{float, float, float}  $at  mm
     * @param  float  $radius  mm
     * @return array{list<int>, int} triangles whose middles lie within the radius, and the nearest of all
     */
    public function near(TriangleMesh $mesh, array $at, float $radius): array
    {
        // A place on the mesh has a triangle much nearer than a cube is wide.
        $reach = \max($radius, $this->cell / 8);
        $squares = $this->squares($mesh, $at, $reach);
        // What lies farther than it was looked for may be farther than another that was not looked at.
        while ((\count($squares) < $mesh->triangles()) && ($squares === [] || \min($squares) > $reach * $reach)) {
            $reach *= 2;
            $squares = $this->squares($mesh, $at, $reach);
        }
        \ksort($squares);
        $within = \array_keys(\array_filter($squares, static fn (float $square): bool => $square <= $radius * $radius));

        return [$within, (int) \array_search(\min([\INF, ...$squares]), $squares, true)];
    }

    /**
     * @param  array{float, float, float}  $at  mm
     * @param  float  $reach  mm
     * @return array<int, float> mm2 by triangle of the cubes within reach: how far its middle is, squared
     */
    private function squares(TriangleMesh $mesh, array $at, float $reach): array
    {
        $from = $to = [];
        foreach ($this->low as $k => $low) {
            // Beyond these no cube has a triangle: a place far off asks for no more of them than the figure has.
            $from[] = \max(0, (int) \floor(($at[$k] - $reach - $low) / $this->cell));
            $to[] = \min(self::ALONG, (int) \floor(($at[$k] + $reach - $low) / $this->cell));
        }
        $squares = [];
        for ($i = $from[0]; $i <= $to[0]; $i++) {
            for ($j = $from[1]; $j <= $to[1]; $j++) {
                for ($k = $from[2]; $k <= $to[2]; $k++) {
                    [$first, $count] = $this->cube(self::key($i, $j, $k));
                    for ($n = $first; $n < $first + $count; $n++) {
                        $t = self::number($this->triangles, 4 * $n);
                        $squares[$t] = self::square($mesh, $t, $at);
                    }
                }
            }
        }

        return $squares;
    }

    /**
     * @param  array{float, float, float}  $at  mm
     * @return float mm2, how far its middle is, squared
     */
    private static function square(TriangleMesh $mesh, int $t, array $at): float
    {
        $sum = [0.0, 0.0, 0.0];
        for ($corner = 0; $corner < 3; $corner++) {
            /** @var array{x: float, y: float, z: float} $place */
            $place = \unpack('gx/gy/gz', $mesh->positions, 12 * self::number($mesh->indices, 12 * $t + 4 * $corner));
            $sum[0] += $place['x'];
            $sum[1] += $place['y'];
            $sum[2] += $place['z'];
        }

        return ($sum[0] / 3 - $at[0]) ** 2 + ($sum[1] / 3 - $at[1]) ** 2 + ($sum[2] / 3 - $at[2]) ** 2;
    }

    /** @return array{int, int} where the triangles of a cube begin, and how many they are */
    private function cube(int $key): array
    {
        $low = 0;
        $high = \intdiv(\strlen($this->cubes), self::CUBE);
        while ($low < $high) {
            $middle = \intdiv($low + $high, 2);
            /** @var array{key: int, from: int, count: int} $one written by us */
            $one = \unpack('Pkey/Vfrom/Vcount', $this->cubes, self::CUBE * $middle);
            if ($one['key'] === $key) {
                return [$one['from'], $one['count']];
            }
            if ($one['key'] < $key) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return [0, 0];
    }

    /** @return int of 32 bits, at a byte of what was packed by us */
    private static function number(string $bytes, int $at): int
    {
        /** @var array{1: int} $number */
        $number = \unpack('V', $bytes, $at);

        return $number[1];
    }

    private static function key(int $i, int $j, int $k): int
    {
        return ($i * self::ROW + $j) * self::ROW + $k;
    }
}
