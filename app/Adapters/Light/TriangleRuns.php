<?php

declare(strict_types=1);

namespace App\Adapters\Light;

/**
 * Which triangles become part of which area: triangles in a row that are alike stand as one. A list of all would be made, copied
 * and packed anew with every act.
 */
final readonly class TriangleRuns
{
    /** Stands for no area among those that are laid over others. */
    private const NONE = -1;

    /**
     * @param  list<int>  $runs  first triangle, count and area, again and again, in order: flat, as triangles in no order have a run for
     *                           nearly each of them
     */
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
                if ($end > $from) {
                    $runs[] = $from;
                    $runs[] = $end - $from;
                    $runs[] = $area;
                }
                $from = $t;
                $area = $own;
            }
            $end = $t + 1;
        }
        if ($end > $from) {
            array_push($runs, $from, $end - $from, $area);
        }

        return new self($runs);
    }

    /** @param  string  $bytes  area of every triangle, 32 bits each */
    public static function ofBytes(string $bytes): self
    {
        /** @var array<int, int> $areas written by us */
        $areas = unpack('V*', $bytes);

        return self::of(array_values($areas));
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
                        $runs[] = $from;
                        $runs[] = $t - $from;
                        $runs[] = $area;
                    }
                    $from = $t;
                    $area = $own;
                }
                $t++;
            }
        }
        if ($area !== null) {
            array_push($runs, $from, $t - $from, $area);
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
                    $runs[] = $from;
                    $runs[] = $t - $from;
                    $runs[] = $area;
                }
                $from = $t;
                $area = $own;
            }
            $t += $triangles;
        }
        if ($area !== null && $t > $from) {
            array_push($runs, $from, $t - $from, $area);
        }
        $behind = self::led([$rest], $labels)->runs;
        for ($i = 2, $n = count($behind); $i < $n; $i += 3) {
            array_push($runs, $t + $behind[$i - 2], $behind[$i - 1], $behind[$i]);
        }

        return new self($runs);
    }

    /** @param  array<int, int|null>  $others  what some triangles become instead; null for none */
    public function corrected(array $others): self
    {
        $all = self::of(array_map(static fn (?int $area): int => $area ?? self::NONE, $others))->over($this)->runs;
        if (! in_array(null, $others, true)) {
            return new self($all);
        }
        $runs = [];
        for ($i = 2, $n = count($all); $i < $n; $i += 3) {
            if ($all[$i] !== self::NONE) {
                array_push($runs, $all[$i - 2], $all[$i - 1], $all[$i]);
            }
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
        [$own, $other, $runs] = [$this->runs, $said->runs, []];
        for ($i = 2, $k = 0, $n = count($own), $all = count($other); $i < $n; $i += 3) {
            $from = $own[$i - 2];
            $end = $from + $own[$i - 1];
            while ($from >= $other[$k] + $other[$k + 1]) {
                $k += 3;
            }
            for ($j = $k; $j < $all && $other[$j] < $end; $j += 3) {
                if (isset($free[$other[$j + 2]])) {
                    $begin = max($from, $other[$j]);
                    $runs[] = $begin;
                    $runs[] = min($end, $other[$j] + $other[$j + 1]) - $begin;
                    $runs[] = $own[$i];
                }
            }
        }

        return new self($runs);
    }

    /** Laid over others: their triangles become what they are here, where both have one. */
    public function over(self $base): self
    {
        [$top, $under, $runs] = [[...$this->runs, PHP_INT_MAX, 0, 0], $base->runs, []];
        $done = $k = 0;
        for ($i = 2, $n = count($top), $all = count($under); $i < $n; $i += 3) {
            $from = $top[$i - 2];
            while ($k < $all && $under[$k] < $from) {
                $end = $under[$k] + $under[$k + 1];
                $begin = max($done, $under[$k]);
                $stop = min($from, $end);
                if ($stop > $begin) {
                    $runs[] = $begin;
                    $runs[] = $stop - $begin;
                    $runs[] = $under[$k + 2];
                }
                if ($end > $from) {
                    break;
                }
                $k += 3;
            }
            if ($top[$i - 1] > 0) {
                $runs[] = $from;
                $runs[] = $top[$i - 1];
                $runs[] = $top[$i];
                $done = $from + $top[$i - 1];
            }
        }

        return new self($runs);
    }

    /** @return list<int> of all triangles: how many there are in a row, and their area, again and again */
    public function packed(): array
    {
        $runs = $this->runs;
        $packed = [];
        $alike = 0;
        for ($i = 2, $n = count($runs); $i < $n; $i += 3) {
            $alike += $runs[$i - 1];
            if (($runs[$i + 3] ?? null) !== $runs[$i]) {
                $packed[] = $alike;
                $packed[] = $runs[$i];
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
            $runs[] = $from;
            $runs[] = $packed[$i - 1];
            $runs[] = $packed[$i];
            $from += $packed[$i - 1];
        }

        return new self($runs);
    }

    /** @return string 32 bits a triangle; of all triangles */
    public function bytes(): string
    {
        $runs = $this->runs;
        $bytes = '';
        $four = [];
        for ($i = 2, $n = count($runs); $i < $n; $i += 3) {
            $own = $four[$runs[$i]] ??= pack('V', $runs[$i]);
            $bytes .= $runs[$i - 1] === 1 ? $own : str_repeat($own, $runs[$i - 1]);
        }

        return $bytes;
    }

    /** @return array<int, int> area by triangle, in order */
    public function byTriangle(): array
    {
        $runs = $this->runs;
        $areas = [];
        for ($i = 2, $n = count($runs); $i < $n; $i += 3) {
            for ($t = $runs[$i - 2], $end = $t + $runs[$i - 1]; $t < $end; $t++) {
                $areas[$t] = $runs[$i];
            }
        }

        return $areas;
    }
}
