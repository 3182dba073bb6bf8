<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * The plane that a figure is most alike on both sides of, and which vertex lies across from which.
 */
final readonly class Mirror
{
    /** Vertices that the plane is looked for with. */
    private const SAMPLES = 1500;

    /** Of the size: how far the plane may lie from the middle, and what counts as across. */
    private const AWAY = 0.1;

    private const NEAR = 0.03;

    /** Cosine between normals of what lies across. */
    private const ALIKE = 0.3;

    /**
     * @param  array{float, float, float}  $axis  of length 1, across the plane
     * @param  float  $at  mm along it
     * @param  array<int, list<int>>  $cells
     * @param  list<list<float>>  $places  x, y, z
     * @param  array{list<float>, list<float>, list<float>}  $normals
     */
    private function __construct(private array $axis, public float $at, private float $cell, private array $cells, private array $places, private array $normals)
    {
    }

    /** @param  array{float, float, float}  $axis  of length 1, from one side of the figure to the other */
    public static function of(TriangleMesh $mesh, array $axis): self
    {
        $places = $mesh->coordinates();
        [$x, $y, $z] = $places;
        $measures = MeshMeasures::of($mesh);
        $size = $measures->size();
        $cell = self::NEAR * $size;
        $cells = [];
        foreach ($x as $v => $_) {
            $cells[self::key($x[$v], $y[$v], $z[$v], $cell)][] = $v;
        }
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $mesh->corners());
        $normals = [array_values($nx), array_values($ny), array_values($nz)];
        $middle = 0.0;
        foreach ([0, 1, 2] as $k) {
            $middle += $axis[$k] * ($measures->boundsMm[0][$k] + $measures->boundsMm[1][$k]) / 2;
        }
        $best = new self($axis, $middle, $cell, $cells, $places, $normals);
        // Coarse first, then close about the best.
        foreach ([self::AWAY / 10, self::AWAY / 100] as $step) {
            $from = $best->at;
            $least = INF;
            for ($n = -10; $n <= 10; $n++) {
                $try = new self($axis, $from + $n * $step * $size, $cell, $cells, $places, $normals);
                $unlike = $try->unlike();
                // The middle where several are as good.
                if ($unlike + 1e-9 * abs($n) < $least) {
                    [$least, $best] = [$unlike + 1e-9 * abs($n), $try];
                }
            }
        }

        return $best;
    }

    /**
     * Of the figure and not of how its file happens to face: the axis that it is more alike on both sides of.
     *
     * @param  list<array{float, float, float}>  $axes  of length 1, one at least
     */
    public static function best(TriangleMesh $mesh, array $axes): self
    {
        $planes = array_map(static fn (array $axis): self => self::of($mesh, $axis), $axes);
        usort($planes, static fn (self $a, self $b): int => $a->unlike() <=> $b->unlike());

        return $planes[0];
    }

    /**
     * @param  array<int, true>  $vertices
     * @return array<int, true> those that lie across from them, where the figure is alike there
     */
    public function across(array $vertices): array
    {
        $found = [];
        foreach ($this->places[0] as $v => $_) {
            if (isset($vertices[$v])) {
                continue;
            }
            $other = $this->partner($v);
            if ($other !== null && isset($vertices[$other])) {
                $found[$v] = true;
            }
        }

        return $found;
    }

    private function partner(int $v): ?int
    {
        [$x, $y, $z] = $this->places;
        [$nx, $ny, $nz] = $this->normals;
        [$px, $py, $pz] = $this->reflected($x[$v], $y[$v], $z[$v], 2 * $this->at);
        [$mx, $my, $mz] = $this->reflected($nx[$v], $ny[$v], $nz[$v], 0.0);
        $least = $this->cell ** 2;
        $nearest = null;
        foreach ($this->around($px, $py, $pz) as $w) {
            $square = ($x[$w] - $px) ** 2 + ($y[$w] - $py) ** 2 + ($z[$w] - $pz) ** 2;
            if ($square < $least && $nx[$w] * $mx + $ny[$w] * $my + $nz[$w] * $mz >= self::ALIKE) {
                [$least, $nearest] = [$square, $w];
            }
        }

        return $nearest;
    }

    /** @return float mean square of how far the other side is from where it should be, mm2, at most that of a cell */
    private function unlike(): float
    {
        [$x, $y, $z] = $this->places;
        $step = max(1, intdiv(count($x), self::SAMPLES));
        $sum = 0.0;
        $count = 0;
        for ($v = 0, $n = count($x); $v < $n; $v += $step) {
            [$px, $py, $pz] = $this->reflected($x[$v], $y[$v], $z[$v], 2 * $this->at);
            $least = $this->cell ** 2;
            foreach ($this->around($px, $py, $pz) as $w) {
                $least = min($least, ($x[$w] - $px) ** 2 + ($y[$w] - $py) ** 2 + ($z[$w] - $pz) ** 2);
            }
            $sum += $least;
            $count++;
        }

        return $sum / max(1, $count);
    }

    /** @return array{float, float, float} */
    private function reflected(float $x, float $y, float $z, float $twice): array
    {
        [$ax, $ay, $az] = $this->axis;
        $by = $twice - 2 * ($ax * $x + $ay * $y + $az * $z);

        return [$x + $by * $ax, $y + $by * $ay, $z + $by * $az];
    }

    /** @return iterable<int> vertices in the cells around a place */
    private function around(float $x, float $y, float $z): iterable
    {
        foreach ([-1, 0, 1] as $i) {
            foreach ([-1, 0, 1] as $j) {
                foreach ([-1, 0, 1] as $k) {
                    yield from $this->cells[self::key($x + $i * $this->cell, $y + $j * $this->cell, $z + $k * $this->cell, $this->cell)] ?? [];
                }
            }
        }
    }

    private static function key(float $x, float $y, float $z, float $cell): int
    {
        return (((int) floor($x / $cell) + 500_000) * 1_000_003 + (int) floor($y / $cell) + 500_000) * 1_000_003 + (int) floor($z / $cell) + 500_000;
    }
}
