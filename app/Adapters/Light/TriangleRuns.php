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

    /**
     * All triangles by a vertex of theirs.
     *
     * @param  iterable<array<int, int>>  $vertices  of the triangles, some thousands at a time
     * @param  array<int, int|null>  $labels  area by vertex; null, or not there, for none
     */
    public static function led(iterable $vertices, array $labels): self
    {
        $runs = [];
        $from = $t = 0;
        $area = null;
        foreach ($vertices as $some) {
            foreach ($some as $v) {
                $own = $labels[$v] ?? null;
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
     * @param  iterable<array<int, int>>  $count  of triangles by vertex, some thousands at a time
     * @param  iterable<array<int, int>>  $rest  vertices of the triangles behind
     * @param  array<int, int|null>  $labels  area by vertex; null for none
     */
    public static function inRows(iterable $count, iterable $rest, array $labels): self
    {
        $runs = [];
        $from = $t = $v = 0;
        $area = null;
        foreach ($count as $some) {
            foreach ($some as $triangles) {
                $own = $labels[$v++];
                if ($own !== $area) {
                    if ($area !== null && $t > $from) {
                        $runs[] = [$from, $t - $from, $area];
                    }
                    [$from, $area] = [$t, $own];
                }
                $t += $triangles;
            }
        }
        if ($area !== null && $t > $from) {
            $runs[] = [$from, $t - $from, $area];
        }
        foreach (self::led($rest, $labels)->runs as [$first, $triangles, $own]) {
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
     * @param  string  $said  32 bits a triangle
     * @param  array<string, true>  $free  what may be said of those that are taken, alike
     */
    public function free(string $said, array $free): self
    {
        $runs = [];
        foreach ($this->runs as $run) {
            [$from, $count, $area] = $run;
            $own = substr($said, 4 * $from, 4 * $count);
            // Most are as free from end to end as they are at their first.
            $first = substr($own, 0, 4);
            if (isset($free[$first]) && $own === str_repeat($first, $count)) {
                $runs[] = $run;

                continue;
            }
            foreach (str_split($own, 4) as $n => $four) {
                if (isset($free[$four])) {
                    $runs[] = [$from + $n, 1, $area];
                }
            }
        }

        return new self($runs);
    }

    /** @param  string  $bytes  32 bits a triangle, of which those of the runs become their areas */
    public function over(string $bytes): string
    {
        $out = '';
        $end = 0;
        foreach ($this->runs as [$from, $count, $area]) {
            $out .= substr($bytes, 4 * $end, 4 * ($from - $end)).str_repeat(pack('V', $area), $count);
            $end = $from + $count;
        }

        return $out.substr($bytes, 4 * $end);
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
