<?php

declare(strict_types=1);

namespace App\Adapters\Light;

/**
 * Which triangles become part of which area: triangles in a row that are alike stand as one. A list of all would be made, copied
 * and packed anew with every act.
 */
final readonly class TriangleRuns
{
    /** @param  list<array{int, int, int}>  $runs  first triangle, count, area; in order */
    private function __construct(private array $runs)
    {
    }

    public function isEmpty(): bool
    {
        return $this->runs === [];
    }

    /** @param  array<int, int>  $areas  by triangle */
    public static function of(array $areas): self
    {
        $runs = [];
        $from = $end = $area = -1;
        foreach ($areas as $t => $own) {
            if ($t < $end) {
                ksort($areas);

                return self::of($areas);
            }
            if ($t !== $end || $own !== $area) {
                $runs[] = [$from, $end - $from, $area];
                [$from, $area] = [$t, $own];
            }
            $end = $t + 1;
        }
        $runs[] = [$from, $end - $from, $area];

        return new self(array_values(array_filter($runs, static fn (array $run): bool => $run[1] > 0)));
    }

    /** @param  string  $bytes  area of every triangle, 32 bits each */
    public static function ofBytes(string $bytes): self
    {
        return self::led(MeshStore::parts($bytes), null);
    }

    /**
     * All triangles by a vertex of theirs.
     *
     * @param  iterable<array<int, int>>  $vertices  of the triangles, some thousands at a time
     * @param  array<int, int|null>|null  $labels  area by vertex; null, or not there, for none; null for what is no vertex, but the area
     */
    public static function led(iterable $vertices, ?array $labels): self
    {
        $runs = [];
        $from = $t = 0;
        $area = null;
        foreach ($vertices as $some) {
            foreach ($some as $v) {
                $own = $labels === null ? $v : $labels[$v] ?? null;
                if ($own !== $area) {
                    if ($area !== null) {
                        $runs[] = [$from, $t - $from, $area];
                    }
                    [$from, $area] = [$t, $own];
                }
                $t++;
            }
        }
        if ($area !== null) {
            $runs[] = [$from, $t - $from, $area];
        }

        return new self($runs);
    }

    /**
     * The same where the triangles of a vertex stand in a row (LedTriangles).
     *
     * @param  list<int>  $count  of triangles by vertex
     * @param  list<int>  $rest  vertices of the triangles behind
     * @param  array<int, int|null>  $labels  area by vertex; null for none
     */
    public static function inRows(array $count, array $rest, array $labels): self
    {
        $runs = [];
        $from = $t = 0;
        $area = null;
        foreach ($count as $v => $triangles) {
            $own = $labels[$v];
            if ($own !== $area) {
                if ($area !== null && $t > $from) {
                    $runs[] = [$from, $t - $from, $area];
                }
                [$from, $area] = [$t, $own];
            }
            $t += $triangles;
        }
        if ($area !== null && $t > $from) {
            $runs[] = [$from, $t - $from, $area];
        }
        foreach (self::led([$rest], $labels)->runs as [$first, $triangles, $own]) {
            $runs[] = [$t + $first, $triangles, $own];
        }

        return new self($runs);
    }

    /** @param  array<int, int|null>  $others  what some triangles become instead; null for none */
    public function corrected(array $others): self
    {
        ksort($others);
        $runs = [];
        foreach ($this->runs as [$from, $count, $area]) {
            $end = $from + $count;
            for ($t = key($others); $t !== null && $t < $end; $t = key($others)) {
                if ($t > $from) {
                    $runs[] = [$from, $t - $from, $area];
                }
                $from = max($from, $t + 1);
                $own = current($others);
                if (is_int($own)) {
                    $runs[] = [$t, 1, $own];
                }
                next($others);
            }
            if ($from < $end) {
                $runs[] = [$from, $end - $from, $area];
            }
        }
        for ($t = key($others); $t !== null; $t = key($others)) {
            $own = current($others);
            if (is_int($own)) {
                $runs[] = [$t, 1, $own];
            }
            next($others);
        }

        return new self($runs);
    }

    /**
     * Those of which something else is not said already.
     *
     * @param  self  $said  of all triangles
     * @param  array<int, true>  $free  what may be said of those that are taken
     */
    public function free(self $said, array $free): self
    {
        $runs = [];
        $k = 0;
        foreach ($this->runs as [$from, $count, $area]) {
            $end = $from + $count;
            while ($said->runs[$k][0] + $said->runs[$k][1] <= $from) {
                $k++;
            }
            for ($i = $k; isset($said->runs[$i]) && $said->runs[$i][0] < $end; $i++) {
                [$first, $alike, $own] = $said->runs[$i];
                if (isset($free[$own])) {
                    $begin = max($from, $first);
                    $runs[] = [$begin, min($end, $first + $alike) - $begin, $area];
                }
            }
        }

        return new self($runs);
    }

    /** @param  self  $base  of all triangles, of which those of the runs become their areas */
    public function over(self $base): self
    {
        $runs = [];
        $done = $k = 0;
        foreach ([...$this->runs, [PHP_INT_MAX, 0, 0]] as [$from, $count, $area]) {
            for (; $done < $from && isset($base->runs[$k]); $k += $next <= $from ? 1 : 0) {
                [$first, $alike, $own] = $base->runs[$k];
                $next = $first + $alike;
                if ($next > $done) {
                    $end = min($from, $next);
                    $runs[] = [$done, $end - $done, $own];
                    $done = $end;
                }
            }
            if ($count > 0) {
                $runs[] = [$from, $count, $area];
                $done = $from + $count;
            }
        }

        return new self($runs);
    }

    /** @return list<int> of all triangles: how many there are in a row, and their area, again and again */
    public function packed(): array
    {
        $packed = [];
        $alike = 0;
        foreach ($this->runs as $k => [, $count, $area]) {
            $alike += $count;
            if (($this->runs[$k + 1][2] ?? null) !== $area) {
                array_push($packed, $alike, $area);
                $alike = 0;
            }
        }

        return $packed;
    }

    /** @param  list<int>  $packed */
    public static function unpacked(array $packed): self
    {
        $runs = [];
        for ($i = 1, $n = count($packed), $from = 0; $i < $n; $i += 2) {
            $runs[] = [$from, $packed[$i - 1], $packed[$i]];
            $from += $packed[$i - 1];
        }

        return new self($runs);
    }

    /** @return string 32 bits a triangle; of all triangles */
    public function bytes(): string
    {
        $bytes = '';
        foreach ($this->runs as [, $count, $area]) {
            $bytes .= str_repeat(pack('V', $area), $count);
        }

        return $bytes;
    }

    /** @return array<int, int> area by triangle, in order */
    public function byTriangle(): array
    {
        $areas = [];
        foreach ($this->runs as [$from, $count, $area]) {
            for ($t = $from, $end = $from + $count; $t < $end; $t++) {
                $areas[$t] = $area;
            }
        }

        return $areas;
    }
}
