<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * How long the borders between regions are. A chain of edges runs zigzag over a smooth surface and is up to 1.7 times too
 * long: chains are joined to lines and smoothed twice by (a + 2b + c) / 4 before they are measured, corners kept.
 */
final readonly class Borders
{
    private const PASSES = 2;

    /** A line that turns by more than this at a point has a corner there, degrees. */
    private const CORNER = 60.0;

    /** Steps back and forth over which a turn is looked at: zigzag evens out within them. */
    private const SPAN = 3;

    /** Turn of a line from end to end, against its length, from which on it is curved: degrees for 10 mm. */
    private const CURVED = 20.0;

    /**
     * @return list<array{int, int, float, bool}> two regions, mm, whether it is curved; each pair once
     */
    public static function of(TriangleMesh $mesh, Adjacency $edges, Regions $regions): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $chains = [];
        foreach ($edges->angle as $e => $_) {
            [$one, $two] = $edges->triangles($e);
            [$p, $q] = [$regions->of[$one], $regions->of[$two]];
            if ($p !== $q) {
                $chains[\min($p, $q).' '.\max($p, $q)][] = $edges->ends($e);
            }
        }
        $borders = [];
        foreach ($chains as $pair => $pieces) {
            [$a, $b] = \array_map(intval(...), \explode(' ', (string) $pair));
            $mm = $turn = 0.0;
            foreach (self::lines($pieces) as $line) {
                $points = self::smoothed(\array_map(static fn (int $v): array => [$x[$v], $y[$v], $z[$v]], $line), $line[0] === $line[\count($line) - 1]);
                $mm += self::length($points);
                $turn += self::turned($points);
            }
            $borders[] = [$a, $b, $mm, $turn > self::CURVED * $mm / 10];
        }

        return $borders;
    }

    /**
     * The same of a large mesh without all its edges: a border lies only where a vertex is of two regions.
     *
     * @param  list<int>  $regions  by triangle
     * @return list<array{int, int, float, bool}>
     */
    public static function between(TriangleMesh $mesh, array $regions): array
    {
        $first = $several = [];
        $t = 0;
        foreach ($mesh->chunks() as $c) {
            for ($i = 1, $n = \count($c); $i < $n; $i += 3, $t++) {
                $region = $regions[$t];
                for ($k = $i; $k < $i + 3; $k++) {
                    if (($first[$c[$k]] ??= $region) !== $region) {
                        $several[$c[$k]] = true;
                    }
                }
            }
        }
        unset($first);
        $indices = '';
        $own = [];
        $t = 0;
        foreach ($several === [] ? [] : $mesh->chunks() as $c) {
            for ($i = 1, $n = \count($c); $i < $n; $i += 3, $t++) {
                if (isset($several[$c[$i]]) + isset($several[$c[$i + 1]]) + isset($several[$c[$i + 2]]) > 1) {
                    $indices .= \pack('V3', $c[$i], $c[$i + 1], $c[$i + 2]);
                    $own[] = $regions[$t];
                }
            }
        }
        if ($own === []) {
            return [];
        }
        $strip = $mesh->only($indices);

        return self::of($strip, Adjacency::of($strip), Regions::given($own));
    }

    /**
     * Edges joined end to end; where three or more meet, a line ends.
     *
     * @param  list<array{int, int}>  $pieces
     * @return list<non-empty-list<int>>
     */
    private static function lines(array $pieces): array
    {
        $at = [];
        foreach ($pieces as $n => [$p, $q]) {
            $at[$p][] = $n;
            $at[$q][] = $n;
        }
        $used = $lines = [];
        // From ends and crossings first, what is left are rings.
        $starts = \array_keys(\array_filter($at, static fn (array $here): bool => \count($here) !== 2));
        foreach ([...$starts, ...\array_keys($at)] as $start) {
            foreach ($at[$start] as $n) {
                if (isset($used[$n])) {
                    continue;
                }
                $line = [$start];
                $v = $start;
                $next = $n;
                while ($next !== null) {
                    $used[$next] = true;
                    $v = $pieces[$next][0] === $v ? $pieces[$next][1] : $pieces[$next][0];
                    $line[] = $v;
                    $next = null;
                    if (\count($at[$v]) === 2) {
                        foreach ($at[$v] as $m) {
                            $next = isset($used[$m]) ? $next : $m;
                        }
                    }
                }
                $lines[] = $line;
            }
        }

        return $lines;
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @return list<array{float, float, float}>
     */
    private static function smoothed(array $points, bool $isRing): array
    {
        // Corners are looked for on the line without its zigzag.
        $smooth = self::pass(self::pass($points, [], $isRing), [], $isRing);
        $fixed = [];
        foreach ($points as $i => $_) {
            $fixed[$i] = self::isCorner($smooth, $points, $i, $isRing);
        }
        for ($pass = 0; $pass < self::PASSES; $pass++) {
            $points = self::pass($points, $fixed, $isRing);
        }

        return $points;
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @param  array<int, bool>  $fixed  points that stay
     * @return list<array{float, float, float}>
     */
    private static function pass(array $points, array $fixed, bool $isRing): array
    {
        $n = \count($points);
        $next = [];
        foreach ($points as $i => $point) {
            if (($fixed[$i] ?? false) || (! $isRing && ($i === 0 || $i === $n - 1)) || $n < 3) {
                $next[] = $point;

                continue;
            }
            // In a ring the first point stands at both ends.
            $before = $points[$i === 0 ? $n - 2 : $i - 1];
            $after = $points[$i === $n - 1 ? 1 : $i + 1];
            $next[] = [($before[0] + 2 * $point[0] + $after[0]) / 4, ($before[1] + 2 * $point[1] + $after[1]) / 4, ($before[2] + 2 * $point[2] + $after[2]) / 4];
        }

        return $next;
    }

    /**
     * @param  list<array{float, float, float}>  $smooth
     * @param  list<array{float, float, float}>  $points
     */
    private static function isCorner(array $smooth, array $points, int $i, bool $isRing): bool
    {
        $n = \count($points);
        $span = self::SPAN;
        if ($n <= 2 * $span || (! $isRing && ($i < $span || $i >= $n - $span))) {
            // Too short to tell: only a plain corner of a few long edges is one.
            return $n > 2 && $i > 0 && $i < $n - 1 && $n <= 6 && self::angle($points[$i - 1], $points[$i], $points[$i + 1]) > self::CORNER;
        }
        $m = $n - 1;
        $at = static fn (int $j): array => $smooth[(($j % $m) + $m) % $m];

        return self::angle($at($i - $span), $smooth[$i], $at($i + $span)) > self::CORNER;
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @return float degrees by which the way from a to b turns towards c
     */
    private static function angle(array $a, array $b, array $c): float
    {
        $u = [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]];
        $v = [$c[0] - $b[0], $c[1] - $b[1], $c[2] - $b[2]];
        $lengths = \sqrt(($u[0] ** 2 + $u[1] ** 2 + $u[2] ** 2) * ($v[0] ** 2 + $v[1] ** 2 + $v[2] ** 2));

        return $lengths < 1e-20 ? 0.0 : \rad2deg(\acos(\max(-1.0, \min(1.0, ($u[0] * $v[0] + $u[1] * $v[1] + $u[2] * $v[2]) / $lengths))));
    }

    /** @param  list<array{float, float, float}>  $points */
    private static function length(array $points): float
    {
        $mm = 0.0;
        for ($i = 1, $n = \count($points); $i < $n; $i++) {
            $mm += \sqrt(($points[$i][0] - $points[$i - 1][0]) ** 2 + ($points[$i][1] - $points[$i - 1][1]) ** 2 + ($points[$i][2] - $points[$i - 1][2]) ** 2);
        }

        return $mm;
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @return float degrees turned in all, corners left out: two straight sides are no curve
     */
    private static function turned(array $points): float
    {
        $turn = 0.0;
        for ($i = self::SPAN, $n = \count($points); $i < $n - self::SPAN; $i += self::SPAN) {
            $here = self::angle($points[$i - self::SPAN], $points[$i], $points[$i + self::SPAN]);
            $turn += $here < self::CORNER ? $here : 0.0;
        }

        return $turn;
    }
}
