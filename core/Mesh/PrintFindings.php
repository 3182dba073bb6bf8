<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Looks through a print file for what is not the figure: supports and rafts, inner walls of a hollow print, doubled and
 * inside-out pieces, parts that lie beside each other on a plate. Nothing is taken out here: it is named.
 *
 * @phpstan-type Shell array{area: float, volume: float, low: array{float, float, float}, high: array{float, float, float}, triangles: int}
 */
final class PrintFindings
{
    /** mm: a support is hardly thicker, and longer than this. */
    private const THICK = 2.6;

    private const SHORT = 2.0;

    /** Length of a support, of its thickness. */
    private const SLENDER = 2.5;

    /** mm of a raft. */
    private const RAFT = 3.5;

    /** Columns from which they are supports, not legs and spears. */
    private const FEW = 3;

    private const FEW_GROWN = 6;

    /** mm2 of the section of a column that has grown into the figure. */
    private const SECTION = 6.0;

    /** mm that supports stand at most above the lowest point of the print, and where they are cut to be counted. */
    private const BED = 0.6;

    private const CUT = 2.0;

    /** Of the whole surface: what is smaller is no part by itself. */
    private const PART = 0.02;

    /** mm that parts of a plate stand at different heights where some are lifted on supports: own choice. */
    private const LIFTED = 15.0;

    /** mm between parts on a plate. */
    private const GAP = 0.4;

    private const MOST_PARTS = 40;

    /**
     * @param  float  $unitMm  of one unit of the file
     * @param  bool  $hadSupports  they were left out of it
     * @return list<Finding>
     */
    public static function of(TriangleMesh $mesh, MeshMeasures $measures, float $unitMm, bool $hadSupports = false): array
    {
        $shells = self::shells($mesh, $measures);
        $found = [];
        $doubles = self::doubles($shells);
        $left = array_diff_key($shells, array_fill_keys($doubles, true));
        $found[] = self::finding(FindingKind::Doubles, $doubles, $shells);
        // A print that is inside out as a whole has outer walls like inner ones.
        $isInsideOut = $measures->openEdges === 0 && $measures->volumeMm3 < 0.0;
        if ($isInsideOut) {
            $found[] = new Finding(FindingKind::InsideOut, [array_keys($left)], count($left), $measures->areaMm2);
        }
        $inner = self::inner($left, $isInsideOut ? -1.0 : 1.0);
        $found[] = self::finding(FindingKind::InnerWalls, $inner, $shells);
        $left = array_diff_key($left, array_fill_keys($inner, true));
        $supports = self::supports($left, $unitMm);
        $found[] = self::finding(FindingKind::Supports, $supports, $shells);
        $left = array_diff_key($left, array_fill_keys($supports, true));
        $columns = $supports === [] ? self::columns($mesh, $measures, $unitMm, self::CUT) : 0;
        if ($columns >= self::FEW_GROWN) {
            // Bumps of an underside are thin in one cut; a column is in the next one, too.
            $columns = min($columns, self::columns($mesh, $measures, $unitMm, 2 * self::CUT));
        }
        if ($columns >= self::FEW_GROWN) {
            $found[] = new Finding(FindingKind::GrownSupports, [], $columns, 0.0);
        }
        $parts = self::parts($left, $unitMm, $hadSupports || $supports !== [] ? self::LIFTED : self::BED + self::RAFT);
        if (count($parts) > 1 && count($parts) <= self::MOST_PARTS) {
            $found[] = new Finding(FindingKind::SideBySide, self::withRest($parts, $shells), count($parts), $measures->areaMm2);
        }

        return array_values(array_filter($found, static fn (Finding $f): bool => $f->count > 0));
    }

    /**
     * The mesh without some of its shells, or with its faces turned round.
     *
     * @param  list<int>  $without  shells
     * @return array{TriangleMesh, list<int>} and the triangle of the old mesh by triangle of the new one
     */
    public static function mended(TriangleMesh $mesh, MeshMeasures $measures, array $without, bool $isTurnedRound): array
    {
        $gone = array_fill_keys($without, true);
        $bytes = '';
        $from = [];
        $t = 0;
        foreach ($mesh->chunks() as $c) {
            $own = [];
            for ($i = 1, $n = \count($c); $i < $n; $i += 3, $t++) {
                if (! isset($gone[$measures->shellOf[$c[$i]]])) {
                    $from[] = $t;
                    \array_push($own, $c[$i], ...$isTurnedRound ? [$c[$i + 2], $c[$i + 1]] : [$c[$i + 1], $c[$i + 2]]);
                }
            }
            $bytes .= \pack('V*', ...$own);
        }

        return [$mesh->only($bytes), $from];
    }

    /** @return array<int, Shell> by number */
    private static function shells(TriangleMesh $mesh, MeshMeasures $measures): array
    {
        [$x, $y, $z] = $mesh->coordinates();
        $shellOf = $measures->shellOf;
        $mm2 = $mesh->areas();
        $t = 0;
        // Flat lists by shell: one pass over every triangle.
        $area = $volume = $count = $lx = $ly = $lz = $hx = $hy = $hz = [];
        foreach ($mesh->chunks() as $c) {
            for ($i = 1, $n = \count($c); $i < $n; $i += 3, $t++) {
                [$a, $b, $d] = [$c[$i], $c[$i + 1], $c[$i + 2]];
                $s = $shellOf[$a];
                $area[$s] = ($area[$s] ?? 0.0) + $mm2[$t];
                $volume[$s] = ($volume[$s] ?? 0.0)
                    + ($x[$a] * ($y[$b] * $z[$d] - $z[$b] * $y[$d]) + $y[$a] * ($z[$b] * $x[$d] - $x[$b] * $z[$d]) + $z[$a] * ($x[$b] * $y[$d] - $y[$b] * $x[$d])) / 6;
                $count[$s] = ($count[$s] ?? 0) + 1;
            }
        }
        foreach ($shellOf as $v => $s) {
            if (! isset($lx[$s])) {
                $lx[$s] = $hx[$s] = $x[$v];
                $ly[$s] = $hy[$s] = $y[$v];
                $lz[$s] = $hz[$s] = $z[$v];

                continue;
            }
            $lx[$s] = \min($lx[$s], $x[$v]);
            $ly[$s] = \min($ly[$s], $y[$v]);
            $lz[$s] = \min($lz[$s], $z[$v]);
            $hx[$s] = \max($hx[$s], $x[$v]);
            $hy[$s] = \max($hy[$s], $y[$v]);
            $hz[$s] = \max($hz[$s], $z[$v]);
        }
        $shells = [];
        foreach ($area as $s => $mm2) {
            $shells[$s] = ['area' => $mm2, 'volume' => $volume[$s], 'low' => [$lx[$s], $ly[$s], $lz[$s]], 'high' => [$hx[$s], $hy[$s], $hz[$s]], 'triangles' => $count[$s]];
        }

        return $shells;
    }

    /**
     * @param  list<int>  $numbers
     * @param  array<int, Shell>  $shells
     */
    private static function finding(FindingKind $kind, array $numbers, array $shells): Finding
    {
        return new Finding($kind, [$numbers], count($numbers), array_sum(array_map(static fn (int $s): float => $shells[$s]['area'], $numbers)));
    }

    /**
     * @param  array<int, Shell>  $shells
     * @return list<int> every one after the first of its like
     */
    private static function doubles(array $shells): array
    {
        $known = $doubles = [];
        foreach ($shells as $s => $shell) {
            $key = vsprintf('%d %.5g %.5g %.5g %.5g %.5g %.5g %.5g', [$shell['triangles'], $shell['area'], ...$shell['low'], ...$shell['high']]);
            if (isset($known[$key])) {
                $doubles[] = $s;
            }
            $known[$key] = true;
        }

        return $doubles;
    }

    /**
     * @param  array<int, Shell>  $shells
     * @param  float  $outer  sign of the volume of outer walls
     * @return list<int> shells whose faces look the other way, each within another
     */
    private static function inner(array $shells, float $outer): array
    {
        $walls = array_filter($shells, static fn (array $s): bool => $outer * $s['volume'] > 0.0);
        $inner = [];
        foreach ($shells as $n => $shell) {
            if ($outer * $shell['volume'] >= 0.0) {
                continue;
            }
            foreach ($walls as $wall) {
                if (abs($shell['volume']) < abs($wall['volume']) && self::contains($wall, $shell)) {
                    $inner[] = $n;
                    break;
                }
            }
        }

        return $inner;
    }

    /**
     * @param  Shell  $one
     * @param  Shell  $other
     */
    private static function contains(array $one, array $other): bool
    {
        foreach ([0, 1, 2] as $k) {
            if ($other['low'][$k] < $one['low'][$k] || $other['high'][$k] > $one['high'][$k]) {
                return false;
            }
        }

        return true;
    }

    /**
     * Slender pieces that stand on the plate or on a raft, and the raft.
     *
     * @param  array<int, Shell>  $shells
     * @return list<int>
     */
    private static function supports(array $shells, float $unitMm): array
    {
        $best = [];
        // Slicers stand prints along z; some programs that draw them, along y.
        foreach ([2, 1] as $up) {
            $bed = min(INF, ...array_map(static fn (array $s): float => $s['low'][$up], array_values($shells)));
            $columns = $rafts = [];
            foreach ($shells as $n => $shell) {
                $high = ($shell['high'][$up] - $shell['low'][$up]) * $unitMm;
                $stands = ($shell['low'][$up] - $bed) * $unitMm;
                $thick = $high > 0.0 ? 2 * sqrt(abs($shell['volume']) * $unitMm ** 3 / (M_PI * $high)) : INF;
                if ($stands <= self::BED + self::RAFT && $high >= self::SHORT && $thick <= self::THICK && $high >= self::SLENDER * $thick) {
                    $columns[] = $n;
                } elseif ($stands <= self::BED && $high <= self::RAFT) {
                    $rafts[] = $n;
                }
            }
            $across = $up === 2 ? [0, 1] : [0, 2];
            $under = array_filter($rafts, static function (int $raft) use ($shells, $columns, $across): bool {
                $on = array_filter($columns, static fn (int $c): bool => self::isOver($shells[$c], $shells[$raft], $across));

                return count($on) >= self::FEW || (count($on) >= 1 && $shells[$raft]['area'] < 0.05 * array_sum(array_column($shells, 'area')));
            });
            if (count($columns) >= self::FEW && count($columns) + count($under) > count($best)) {
                $best = [...$columns, ...array_values($under)];
            }
        }

        return $best;
    }

    /**
     * @param  Shell  $one
     * @param  Shell  $other
     * @param  array{int, int}  $across
     */
    private static function isOver(array $one, array $other, array $across): bool
    {
        foreach ($across as $k) {
            $middle = ($one['low'][$k] + $one['high'][$k]) / 2;
            if ($middle < $other['low'][$k] || $middle > $other['high'][$k]) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  float  $up  mm above the lowest point
     * @return int thin columns that a cut there goes through
     */
    private static function columns(TriangleMesh $mesh, MeshMeasures $measures, float $unitMm, float $up): int
    {
        [$x, $y, $z] = $mesh->coordinates();
        // Off any layer of vertices: a cut through them would fall apart.
        $at = $measures->boundsMm[0][2] + ($up + 0.0137) / $unitMm;
        $parent = $sum = [];
        foreach ($mesh->chunks() as $c) {
            for ($i = 1, $n = \count($c); $i < $n; $i += 3) {
                $ends = [];
                for ($k = 0; $k < 3; $k++) {
                    $p = $c[$i + $k];
                    $q = $c[$i + ($k + 1) % 3];
                    if (($z[$p] > $at) !== ($z[$q] > $at)) {
                        $f = ($at - $z[$p]) / ($z[$q] - $z[$p]);
                        // Up through the edge or down: the cut runs from one to the other, counter-clockwise about the solid.
                        $ends[$z[$p] > $at ? 1 : 0] = [$p < $q ? ($p << 32) | $q : ($q << 32) | $p, $x[$p] + $f * ($x[$q] - $x[$p]), $y[$p] + $f * ($y[$q] - $y[$p])];
                    }
                }
                if (! isset($ends[0], $ends[1])) {
                    continue;
                }
                [$one, $px, $py] = $ends[0];
                [$two, $qx, $qy] = $ends[1];
                $parent[$one] ??= $one;
                $parent[$two] ??= $two;
                while ($parent[$one] !== $one) {
                    $one = $parent[$one] = $parent[$parent[$one]];
                }
                while ($parent[$two] !== $two) {
                    $two = $parent[$two] = $parent[$parent[$two]];
                }
                $parent[$two] = $one;
                $sum[$one] = ($sum[$one] ?? 0.0) + ($one === $two ? 0.0 : ($sum[$two] ?? 0.0)) + ($px * $qy - $qx * $py) / 2;
                if ($one !== $two) {
                    unset($sum[$two]);
                }
            }
        }

        return count(array_filter($sum, static fn (float $area): bool => abs($area) * $unitMm ** 2 < self::SECTION && abs($area) > 0.0));
    }

    /**
     * Shells whose boxes overlap seen from above belong together; each that is large enough is a part.
     *
     * @param  array<int, Shell>  $shells
     * @param  float  $level  mm that they may stand at different heights
     * @return list<list<int>>
     */
    private static function parts(array $shells, float $unitMm, float $level): array
    {
        $whole = array_sum(array_column($shells, 'area'));
        $large = array_filter($shells, static fn (array $s): bool => $s['area'] >= self::PART * $whole);
        $groups = [];
        foreach ($large as $n => $shell) {
            $joined = [$n];
            $box = $shell;
            // A box that has grown may reach another: looked at until none is left.
            do {
                $before = count($groups);
                foreach ($groups as $g => [$numbers, $other]) {
                    if (self::overlap($box, $other, self::GAP / $unitMm)) {
                        $joined = [...$numbers, ...$joined];
                        $box = self::around($box, $other);
                        unset($groups[$g]);
                    }
                }
            } while (count($groups) < $before);
            $groups[] = [$joined, $box];
        }
        $groups = array_values($groups);
        // On a plate all stand as low, but for what supports lift.
        $low = array_map(static fn (array $g): float => $g[1]['low'][2] * $unitMm, $groups);
        if ($low === [] || max($low) - min($low) > $level) {
            return [];
        }

        return array_map(static fn (array $g): array => $g[0], $groups);
    }

    /**
     * @param  Shell  $one
     * @param  Shell  $other
     */
    private static function overlap(array $one, array $other, float $gap): bool
    {
        foreach ([0, 1] as $k) {
            if ($one['low'][$k] > $other['high'][$k] + $gap || $other['low'][$k] > $one['high'][$k] + $gap) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  Shell  $one
     * @param  Shell  $other
     * @return Shell
     */
    private static function around(array $one, array $other): array
    {
        foreach ([0, 1, 2] as $k) {
            $one['low'][$k] = min($one['low'][$k], $other['low'][$k]);
            $one['high'][$k] = max($one['high'][$k], $other['high'][$k]);
        }

        return $one;
    }

    /**
     * What is no part by itself goes with the part whose middle is nearest.
     *
     * @param  list<list<int>>  $parts
     * @param  array<int, Shell>  $shells
     * @return list<list<int>>
     */
    private static function withRest(array $parts, array $shells): array
    {
        $boxes = [];
        foreach ($parts as $p => $numbers) {
            $boxes[$p] = array_reduce($numbers, static fn (?array $box, int $n): array => $box === null ? $shells[$n] : self::around($box, $shells[$n]));
        }
        $known = array_fill_keys(array_merge(...$parts), true);
        foreach ($shells as $n => $shell) {
            if (isset($known[$n])) {
                continue;
            }
            $far = [];
            foreach ($boxes as $p => $box) {
                $far[$p] = $box === null ? INF : self::apart($shell, $box);
            }
            $parts[(int) array_search(min(INF, ...$far), $far, true)][] = $n;
        }

        return array_map(static function (array $numbers): array {
            sort($numbers);

            return $numbers;
        }, array_values($parts));
    }

    /**
     * @param  Shell  $one
     * @param  Shell  $box
     */
    private static function apart(array $one, array $box): float
    {
        $sum = 0.0;
        foreach ([0, 1] as $k) {
            $middle = ($one['low'][$k] + $one['high'][$k]) / 2;
            $sum += max(0.0, $box['low'][$k] - $middle, $middle - $box['high'][$k]) ** 2;
        }

        return $sum;
    }
}
