<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The plane that a figure is most alike on both sides of, and which vertex lies across from which.
 */
final readonly class Mirror
{
    /** Vertices that the plane is looked for with, one in so many of them at first, and how many times as many they are held against. */
    private const SAMPLES = 1000;

    private const ROUGHLY = 4;

    private const AGAINST = 9;

    /** Of the size: how far the plane may lie from the middle, and what counts as across. */
    private const AWAY = 0.1;

    private const NEAR = 0.03;

    /** How much finer the cells are in which partners are looked for. */
    private const FINE = 4;

    /** Cells to a row. */
    private const ACROSS = 1_000_003;

    /** Cosine between normals of what lies across. */
    private const ALIKE = 0.3;

    /**
     * @param  array{float, float, float}  $axis  of length 1, across the plane
     * @param  float  $at  mm along it
     * @param  array<int, list<int>>  $cells  of all vertices, a quarter as wide as what is near
     * @param  list<list<float>>  $places  x, y, z
     * @param  array{list<float>, list<float>, list<float>}  $normals
     */
    private function __construct(public array $axis, public float $at, private float $cell, private array $cells, private array $places, private array $normals)
    {
    }

    /** @param  array{float, float, float}  $axis  of length 1, from one side of the figure to the other */
    public static function of(TriangleMesh $mesh, array $axis): self
    {
        return self::best($mesh, [$axis]);
    }

    /**
     * Of the figure and not of how its file happens to face: the axis that it is more alike on both sides of.
     *
     * @param  non-empty-list<array{float, float, float}>  $axes  of length 1
     */
    public static function best(TriangleMesh $mesh, array $axes): self
    {
        $places = $mesh->coordinates();
        [$low, $high] = $mesh->bounds();
        $near = self::NEAR * $mesh->size();
        $step = max(1, intdiv($mesh->vertices(), self::SAMPLES * self::AGAINST));
        $few = [];
        foreach ($places[0] as $v => $x) {
            if ($v % $step === 0) {
                $few[self::key($x, $places[1][$v], $places[2][$v], $near)][] = $v;
            }
        }
        $best = [INF, $axes[0], 0.0];
        foreach ($axes as $axis) {
            $middle = 0.0;
            foreach ([0, 1, 2] as $k) {
                $middle += $axis[$k] * ($low[$k] + $high[$k]) / 2;
            }
            $own = self::closest($places, $few, $near, $axis, $middle, self::AWAY / 10 * $mesh->size(), self::ROUGHLY * $step);
            $best = $own[0] < $best[0] ? $own : $best;
        }
        // Roughly first, then close about the best.
        $best = self::closest($places, $few, $near, $best[1], $best[2], self::AWAY / 100 * $mesh->size(), $step);

        return self::about($mesh, $best[1], $best[2]);
    }

    /**
     * @param  array{float, float, float}  $axis  of length 1
     * @param  float  $at  mm along it
     */
    private static function about(TriangleMesh $mesh, array $axis, float $at): self
    {
        $places = $mesh->coordinates();
        [$x, $y, $z] = $places;
        $cell = self::NEAR * $mesh->size() / self::FINE;
        $cells = [];
        foreach ($x as $v => $vx) {
            $cells[self::key($vx, $y[$v], $z[$v], $cell)][] = $v;
        }
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $mesh->corners());

        return new self($axis, $at, $cell, $cells, $places, [array_values($nx), array_values($ny), array_values($nz)]);
    }

    /**
     * @param  array<int, true>  $vertices
     * @return array<int, true> those that lie across from them, where the figure is alike there
     */
    public function across(array $vertices): array
    {
        return self::acrossOf($this->partners(), $vertices);
    }

    /**
     * With partners as they were found before.
     *
     * @param  list<int|null>  $partners  by vertex
     * @param  array<int, true>  $vertices
     * @return array<int, true>
     */
    public static function acrossOf(array $partners, array $vertices): array
    {
        $found = [];
        foreach ($partners as $v => $partner) {
            if ($partner !== null && isset($vertices[$partner]) && ! isset($vertices[$v])) {
                $found[$v] = true;
            }
        }

        return $found;
    }

    /** @return list<int|null> by vertex: the one that lies across; null where the figure is not alike there */
    public function partners(): array
    {
        [$x, $y, $z] = $this->places;
        $partners = [];
        foreach ($x as $v => $vx) {
            $partners[] = $this->partner($v, ...self::reflected($this->axis, $vx, $y[$v], $z[$v], 2 * $this->at));
        }

        return $partners;
    }

    /** @return int|null nearest vertex to where one would lie across that faces as it would */
    private function partner(int $v, float $px, float $py, float $pz): ?int
    {
        [$x, $y, $z] = $this->places;
        [$nx, $ny, $nz] = $this->normals;
        [$mx, $my, $mz] = self::reflected($this->axis, $nx[$v], $ny[$v], $nz[$v], 0.0);
        // Close by first: what is found there cannot be beaten by what lies farther.
        foreach ([1, self::FINE] as $reach) {
            $least = ($reach * $this->cell) ** 2;
            $nearest = null;
            foreach (self::keys($px, $py, $pz, $this->cell, $reach) as $key) {
                foreach ($this->cells[$key] ?? [] as $w) {
                    $square = ($x[$w] - $px) ** 2 + ($y[$w] - $py) ** 2 + ($z[$w] - $pz) ** 2;
                    if ($square < $least && $nx[$w] * $mx + $ny[$w] * $my + $nz[$w] * $mz >= self::ALIKE) {
                        [$least, $nearest] = [$square, $w];
                    }
                }
            }
            if ($nearest !== null) {
                return $nearest;
            }
        }

        return null;
    }

    /**
     * @param  array{list<float>, list<float>, list<float>}  $places
     * @param  array<int, list<int>>  $cells
     * @param  array{float, float, float}  $axis
     * @param  float  $by  mm between the planes that are tried
     * @return array{float, array{float, float, float}, float} how unlike both sides are, the axis, and where its plane is
     */
    private static function closest(array $places, array $cells, float $near, array $axis, float $about, float $by, int $step): array
    {
        $best = [INF, $axis, $about];
        for ($n = -10; $n <= 10; $n++) {
            $at = $about + $n * $by;
            // The middle where several are as good.
            $unlike = self::unlike($places, $cells, $near, $axis, $at, $step) + 1e-9 * abs($n);
            if ($unlike < $best[0]) {
                $best = [$unlike, $axis, $at];
            }
        }

        return $best;
    }

    /**
     * @param  array{list<float>, list<float>, list<float>}  $places
     * @param  array<int, list<int>>  $cells
     * @param  array{float, float, float}  $axis
     * @return float mean square of how far the other side is from where it should be, mm2, at most that of a cell
     */
    private static function unlike(array $places, array $cells, float $cell, array $axis, float $at, int $step): float
    {
        [$x, $y, $z] = $places;
        $sum = 0.0;
        $count = 0;
        for ($v = 0, $n = count($x); $v < $n; $v += $step * self::AGAINST) {
            [$px, $py, $pz] = self::reflected($axis, $x[$v], $y[$v], $z[$v], 2 * $at);
            $least = $cell ** 2;
            foreach (self::keys($px, $py, $pz, $cell, 1) as $key) {
                foreach ($cells[$key] ?? [] as $w) {
                    $square = ($x[$w] - $px) ** 2 + ($y[$w] - $py) ** 2 + ($z[$w] - $pz) ** 2;
                    $least = $square < $least ? $square : $least;
                }
            }
            $sum += $least;
            $count++;
        }

        return $sum / max(1, $count);
    }

    /**
     * @param  array{float, float, float}  $axis
     * @return array{float, float, float}
     */
    private static function reflected(array $axis, float $x, float $y, float $z, float $twice): array
    {
        [$ax, $ay, $az] = $axis;
        $by = $twice - 2 * ($ax * $x + $ay * $y + $az * $z);

        return [$x + $by * $ax, $y + $by * $ay, $z + $by * $az];
    }

    /** @return list<int> of the cells around a place, so many to each side */
    private static function keys(float $x, float $y, float $z, float $cell, int $reach): array
    {
        $middle = self::key($x, $y, $z, $cell);
        $keys = [];
        for ($i = -$reach; $i <= $reach; $i++) {
            for ($j = -$reach; $j <= $reach; $j++) {
                for ($k = -$reach; $k <= $reach; $k++) {
                    $keys[] = $middle + ($i * self::ACROSS + $j) * self::ACROSS + $k;
                }
            }
        }

        return $keys;
    }

    private static function key(float $x, float $y, float $z, float $cell): int
    {
        return (((int) floor($x / $cell) + 500_000) * self::ACROSS + (int) floor($y / $cell) + 500_000) * self::ACROSS + (int) floor($z / $cell) + 500_000;
    }
}
