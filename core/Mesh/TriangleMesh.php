<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * A welded triangle mesh in mm. At rest it is two binary strings - 12 bytes a vertex, 12 bytes a triangle - as PHP's own
 * lists would take five times the memory; passes over it decode what they need into flat lists.
 */
final readonly class TriangleMesh
{
    /** Triangles decoded at a time. */
    public const CHUNK = 2048;

    private function __construct(
        /** three little-endian 32-bit floats a vertex: x, y, z */
        public string $positions,
        /** three little-endian unsigned 32-bit vertex numbers a triangle, counter-clockwise from outside */
        public string $indices,
    ) {
    }

    /**
     * @throws InvalidMesh when it has no triangle, or the strings are cut off
     */
    public static function of(string $positions, string $indices): self
    {
        if (strlen($positions) % 12 !== 0 || strlen($indices) % 12 !== 0) {
            throw InvalidMesh::cutOff();
        }

        return $indices === '' ? throw InvalidMesh::empty() : new self($positions, $indices);
    }

    /**
     * @param  list<array{float, float, float}>  $vertices  mm
     * @param  list<array{int, int, int}>  $triangles
     *
     * @throws InvalidMesh
     */
    public static function build(array $vertices, array $triangles): self
    {
        foreach ($triangles as $n => $corners) {
            foreach ($corners as $corner) {
                if (! isset($vertices[$corner])) {
                    throw InvalidMesh::noVertex($n, $corner);
                }
            }
        }

        return self::of(
            implode('', array_map(static fn (array $v): string => pack('g3', ...$v), $vertices)),
            implode('', array_map(static fn (array $t): string => pack('V3', ...$t), $triangles)),
        );
    }

    /** @return int how many points it has */
    public function vertices(): int
    {
        return intdiv(strlen($this->positions), 12);
    }

    /** @return int how many triangles it has */
    public function triangles(): int
    {
        return intdiv(strlen($this->indices), 12);
    }

    /** @return array{list<float>, list<float>, list<float>} x, y, z of every vertex */
    public function coordinates(): array
    {
        $x = $y = $z = [];
        $bytes = 12 * self::CHUNK;
        for ($at = 0, $end = strlen($this->positions); $at < $end; $at += $bytes) {
            $f = self::unpacked('g*', \substr($this->positions, $at, $bytes));
            for ($i = 1, $n = \count($f); $i < $n; $i += 3) {
                $x[] = (float) $f[$i];
                $y[] = (float) $f[$i + 1];
                $z[] = (float) $f[$i + 2];
            }
        }

        return [$x, $y, $z];
    }

    /** @return list<int> corners of every triangle, three after three */
    public function corners(): array
    {
        $all = [];
        $bytes = 12 * self::CHUNK;
        for ($at = 0, $end = strlen($this->indices); $at < $end; $at += $bytes) {
            foreach (self::unpacked('V*', \substr($this->indices, $at, $bytes)) as $corner) {
                $all[] = (int) $corner;
            }
        }

        return $all;
    }

    /** @return iterable<array<int, int>> corners from 1 on, CHUNK triangles at a time: for passes that need no more */
    public function chunks(): iterable
    {
        $bytes = 12 * self::CHUNK;
        for ($at = 0, $end = strlen($this->indices); $at < $end; $at += $bytes) {
            /** @var array<int, int> $corners */
            $corners = self::unpacked('V*', \substr($this->indices, $at, $bytes));
            yield $corners;
        }
    }

    /** @return array<int, float|int> from 1 on */
    private static function unpacked(string $format, string $bytes): array
    {
        /** @var array<int, float|int> $values the string was made by us */
        $values = \unpack($format, $bytes);

        return $values;
    }

    /** @return list<float> mm2 by triangle */
    public function areas(): array
    {
        [$x, $y, $z] = $this->coordinates();
        $areas = [];
        foreach ($this->chunks() as $c) {
            for ($i = 1, $n = \count($c); $i < $n; $i += 3) {
                $a = $c[$i];
                $b = $c[$i + 1];
                $d = $c[$i + 2];
                $ux = $x[$b] - $x[$a];
                $uy = $y[$b] - $y[$a];
                $uz = $z[$b] - $z[$a];
                $vx = $x[$d] - $x[$a];
                $vy = $y[$d] - $y[$a];
                $vz = $z[$d] - $z[$a];
                $px = $uy * $vz - $uz * $vy;
                $py = $uz * $vx - $ux * $vz;
                $pz = $ux * $vy - $uy * $vx;
                $areas[] = \sqrt($px * $px + $py * $py + $pz * $pz) / 2;
            }
        }

        return $areas;
    }

    /** @return float longest side of its box, mm */
    public function size(): float
    {
        [$low, $high] = $this->bounds();

        return max($high[0] - $low[0], $high[1] - $low[1], $high[2] - $low[2]);
    }

    /** @return array{array{float, float, float}, array{float, float, float}} the box around its triangles, lowest and highest corner, mm */
    public function bounds(): array
    {
        [$x, $y, $z] = $this->coordinates();
        $low = [INF, INF, INF];
        $high = [-INF, -INF, -INF];
        foreach ($this->chunks() as $c) {
            foreach ($c as $v) {
                if ($x[$v] < $low[0]) {
                    $low[0] = $x[$v];
                }
                if ($x[$v] > $high[0]) {
                    $high[0] = $x[$v];
                }
                if ($y[$v] < $low[1]) {
                    $low[1] = $y[$v];
                }
                if ($y[$v] > $high[1]) {
                    $high[1] = $y[$v];
                }
                if ($z[$v] < $low[2]) {
                    $low[2] = $z[$v];
                }
                if ($z[$v] > $high[2]) {
                    $high[2] = $z[$v];
                }
            }
        }

        return [$low, $high];
    }

    /**
     * Some of its triangles, without the vertices that none of them uses.
     *
     * @param  string  $indices  three vertices a triangle, as in the whole
     */
    public function only(string $indices): self
    {
        $known = [];
        $positions = $out = '';
        foreach (self::of($this->positions, $indices)->chunks() as $corners) {
            $own = [];
            foreach ($corners as $v) {
                if (! isset($known[$v])) {
                    $known[$v] = \count($known);
                    $positions .= \substr($this->positions, 12 * $v, 12);
                }
                $own[] = $known[$v];
            }
            $out .= \pack('V*', ...$own);
        }

        return self::of($positions, $out);
    }
}
