<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Takes triangles in one after the other and welds corners that are alike to the bit. Degenerate triangles are counted and
 * left out.
 */
final class MeshBuilder
{
    public const MOST_TRIANGLES = 2_000_000;

    /** mm; nothing printed is larger, and sums of squares stay exact enough. */
    private const FARTHEST = 1e6;

    /** Share of triangles without numbers from which on a file is no mesh. */
    private const MOST_BROKEN = 0.05;

    /** @var array<string, int> vertex by its 12 bytes */
    private array $known = [];

    private string $positions = '';

    private string $indices = '';

    /** @var list<int> */
    private array $pending = [];

    public int $degenerate = 0;

    private int $read = 0;

    /** Triangles that stood there already, with the same corners turning the same way. */
    private int $twice = 0;

    /**
     * Triangles as binary STL has them: of each 50 bytes, 36 from the 13th on are corners. The hot loop of reading: the
     * bytes of a corner are both the key of its vertex and what is kept of it, so that no number is decoded.
     *
     * @throws InvalidMesh when there are too many
     */
    public function addStl(string $records): void
    {
        // -0.0 and 0.0 are one place and two keys.
        if (\strpos($records, "\0\0\0\x80") !== false) {
            $records = self::withoutNegativeZero($records);
        }
        // Taken out whole: an array with two holders is copied at its first change.
        $known = $this->known;
        $this->known = [];
        $vertices = \count($known);
        $out = [];
        $new = '';
        $end = \strlen($records) - 49;
        for ($at = 12; $at - 12 < $end; $at += 50) {
            $key = \substr($records, $at, 12);
            $a = $known[$key] ?? -1;
            if ($a < 0) {
                $known[$key] = $a = $vertices++;
                $new .= $key;
            }
            $key = \substr($records, $at + 12, 12);
            $b = $known[$key] ?? -1;
            if ($b < 0) {
                $known[$key] = $b = $vertices++;
                $new .= $key;
            }
            $key = \substr($records, $at + 24, 12);
            $c = $known[$key] ?? -1;
            if ($c < 0) {
                $known[$key] = $c = $vertices++;
                $new .= $key;
            }
            $this->read++;
            if ($a === $b || $b === $c || $c === $a) {
                $this->degenerate++;
            } else {
                $out[] = $a;
                $out[] = $b;
                $out[] = $c;
            }
        }
        $this->known = $known;
        $this->positions .= $new;
        $this->indices .= \pack('V*', ...$out);
        $this->count();
    }

    /** @param  array{float, float, float}  $point */
    public function vertex(array $point): int
    {
        // Minus zero plus zero is zero: one place, one key.
        $key = \pack('g3', $point[0] + 0.0, $point[1] + 0.0, $point[2] + 0.0);
        if (! isset($this->known[$key])) {
            $this->known[$key] = \count($this->known);
            $this->positions .= $key;
        }

        return $this->known[$key];
    }

    /** @throws InvalidMesh when there are too many */
    public function triangle(int $a, int $b, int $c): void
    {
        $this->read++;
        if ($a === $b || $b === $c || $c === $a) {
            $this->degenerate++;

            return;
        }
        array_push($this->pending, $a, $b, $c);
        if (\count($this->pending) >= 3 * TriangleMesh::CHUNK) {
            $this->flush();
        }
    }

    /** @return int triangles so far, without those that have no area */
    public function triangles(): int
    {
        return \intdiv(\strlen($this->indices), 12) + \intdiv(\count($this->pending), 3);
    }

    /** @throws InvalidMesh when nothing is left, or too much of it is not made of numbers */
    public function mesh(): TriangleMesh
    {
        $this->settle();

        return TriangleMesh::of($this->positions, $this->indices);
    }

    /** @throws InvalidMesh when too much of it is not made of numbers */
    private function settle(): void
    {
        $this->flush();
        $this->known = [];
        $bad = $this->withoutNumbers();
        if ($bad !== []) {
            $this->drop($bad);
        }
    }

    /**
     * The mesh with each triangle once: a file that has all of them twice would have twice the surface to paint. A sheet with
     * two sides keeps both, as they turn the other way.
     *
     * @throws InvalidMesh as mesh()
     */
    public function meshOfOnce(): TriangleMesh
    {
        $this->settle();
        $seen = [];
        $whole = '';
        $bytes = 12 * TriangleMesh::CHUNK;
        // A pair of integers is the key: 31 bits of each corner, the smallest first and the turn kept.
        for ($at = 0, $end = \strlen($this->indices); $at < $end; $at += $bytes) {
            /** @var array<int, int> $c */
            $c = \unpack('V*', \substr($this->indices, $at, $bytes));
            $kept = [];
            for ($i = 1, $n = \count($c); $i < $n; $i += 3) {
                [$p, $q, $r] = [$c[$i], $c[$i + 1], $c[$i + 2]];
                if ($q < $p && $q < $r) {
                    [$p, $q, $r] = [$q, $r, $p];
                } elseif ($r < $p && $r < $q) {
                    [$p, $q, $r] = [$r, $p, $q];
                }
                $key = ($p << 31 | $q) ^ ($r << 42) ^ ($r >> 21);
                $others = $seen[$key] ?? null;
                if ($others === null) {
                    $seen[$key] = $r;
                } elseif ($others === $r) {
                    $this->twice++;

                    continue;
                }
                $kept[] = $c[$i];
                $kept[] = $c[$i + 1];
                $kept[] = $c[$i + 2];
            }
            $whole .= \pack('V*', ...$kept);
        }
        $this->indices = $whole;

        return TriangleMesh::of($this->positions, $this->indices);
    }

    /** @return list<string> in plain words, what was done to the triangles */
    public function remarks(): array
    {
        return $this->twice === 0 ? [] : ["{$this->twice} triangles stood in the file twice; each was taken once"];
    }

    private function flush(): void
    {
        $this->indices .= \pack('V*', ...$this->pending);
        $this->pending = [];
        $this->count();
    }

    private function count(): void
    {
        $found = intdiv(\strlen($this->indices), 12);
        if ($found > self::MOST_TRIANGLES) {
            throw InvalidMesh::tooMany($found, self::MOST_TRIANGLES);
        }
    }

    /** @return array<int, true> vertices that are no place */
    private function withoutNumbers(): array
    {
        $bad = [];
        $bytes = 12 * TriangleMesh::CHUNK;
        for ($at = 0, $end = \strlen($this->positions); $at < $end; $at += $bytes) {
            /** @var array<int, float> $f */
            $f = \unpack('g*', \substr($this->positions, $at, $bytes));
            foreach ($f as $i => $v) {
                if (! ($v > -self::FARTHEST && $v < self::FARTHEST)) {
                    $bad[intdiv($at, 12) + intdiv($i - 1, 3)] = true;
                }
            }
        }

        return $bad;
    }

    /** @param  array<int, true>  $bad */
    private function drop(array $bad): void
    {
        $kept = '';
        $dropped = 0;
        for ($at = 0, $end = \strlen($this->indices); $at < $end; $at += 12) {
            $record = \substr($this->indices, $at, 12);
            /** @var array<int, int> $c */
            $c = \unpack('V3', $record);
            if (isset($bad[$c[1]]) || isset($bad[$c[2]]) || isset($bad[$c[3]])) {
                $dropped++;
            } else {
                $kept .= $record;
            }
        }
        if ($dropped > self::MOST_BROKEN * max(1, $this->read)) {
            throw InvalidMesh::noNumbers($dropped, $this->read);
        }
        $this->degenerate += $dropped;
        $this->indices = $kept;
        // The places themselves become the origin: no triangle uses them.
        foreach (array_keys($bad) as $vertex) {
            $this->positions = substr_replace($this->positions, pack('g3', 0.0, 0.0, 0.0), 12 * $vertex, 12);
        }
    }

    private static function withoutNegativeZero(string $records): string
    {
        for ($at = 0, $end = \strlen($records) - 49; $at < $end; $at += 50) {
            for ($i = 12; $i < 48; $i += 4) {
                if (\substr($records, $at + $i, 4) === "\0\0\0\x80") {
                    $records[$at + $i + 3] = "\0";
                }
            }
        }

        return $records;
    }
}
