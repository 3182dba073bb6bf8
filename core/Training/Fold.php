<?php

declare(strict_types=1);

namespace Hyalin\Training;

use Hyalin\Light\LightStudy;
use Hyalin\Light\SprayCone;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Folds of cloth in profile, under a spray from straight above: where it lands is for the painter to say. The light is that of
 * any print file: the profile is drawn out to a mesh.
 */
final readonly class Fold
{
    /** Pieces that the profile is marked in. */
    public const PIECES = 24;

    private const WIDE = 24.0;

    private const DEEP = 16.0;

    private const ACROSS = 144;

    private const ROWS = 10;

    /** Degrees to each side of straight above. */
    private const CONE = 30.0;

    /** Of the light within that cone. */
    private const DIRECTIONS = 48;

    /** How much longer than usual the edges of the drawn-out profile may be: its rows lie far apart. */
    private const COARSER = 5.0;

    /** From this on a piece is called lit: own estimate. A slope of 40 degrees that nothing shades is just about. */
    private const LIT = 0.74;

    /** @param  list<float>  $heights  mm, from left to right */
    private function __construct(public array $heights)
    {
    }

    public static function of(int $seed): self
    {
        $random = new Randomizer(new Mt19937($seed));
        $any = static fn (float $from, float $to): float => $from + ($to - $from) * $random->getInt(0, 10_000) / 10_000;
        $waves = [[$any(2.0, 3.2), $any(1.4, 2.2), $any(0, 6.3)], [$any(0.8, 1.6), $any(3.0, 4.6), $any(0, 6.3)], [$any(0.2, 0.5), $any(6.5, 9.0), $any(0, 6.3)]];
        $heights = [];
        for ($i = 0; $i <= self::ACROSS; $i++) {
            $heights[] = array_sum(array_map(static fn (array $w): float => $w[0] * sin($w[1] * 2 * M_PI * $i / self::ACROSS + $w[2]), $waves));
        }

        return new self($heights);
    }

    /** @return list<float> light of each piece, 0..1, from a spray straight above with a cone of 30 degrees */
    public function light(): array
    {
        $mesh = $this->mesh();
        $cone = SprayCone::around([0.0, 0.0, 1.0], self::CONE, self::DIRECTIONS);
        // The profile is fine enough as it is drawn: split as finely as a print file, a question took twenty seconds.
        $study = LightStudy::of($mesh, MeshMeasures::of($mesh), $cone->directions, coarser: self::COARSER);
        [$x, $y] = $study->working->coordinates();
        $sums = array_fill(0, self::PIECES, [0.0, 0]);
        foreach ($study->ofVertices($cone) as $v => $light) {
            // Its ends see past it: the middle third does not.
            if (abs($y[$v]) <= self::DEEP / 6) {
                $piece = (int) max(0, min(self::PIECES - 1, floor(self::PIECES * $x[$v] / self::WIDE)));
                $sums[$piece] = [$sums[$piece][0] + $light, $sums[$piece][1] + 1];
            }
        }

        return array_values(array_map(static fn (array $s): float => $s[0] / max(1, $s[1]), $sums));
    }

    /**
     * @param  list<float>  $light  of all pieces
     * @return list<int> pieces that get the light
     */
    public static function lit(array $light): array
    {
        return array_keys(array_filter($light, static fn (float $l): bool => $l >= self::LIT));
    }

    /**
     * @param  list<int>  $marked  pieces that are said to get the light
     * @param  list<float>  $light  of all pieces
     * @return float 0..1: mean of the shares of lit and of unlit pieces that were told rightly; half for guessing
     */
    public static function score(array $marked, array $light): float
    {
        $lit = self::lit($light);
        $right = $of = [0, 0];
        foreach (array_keys($light) as $piece) {
            $isLit = in_array($piece, $lit, true);
            $of[(int) $isLit]++;
            $right[(int) $isLit] += in_array($piece, $marked, true) === $isLit ? 1 : 0;
        }

        return (($of[0] > 0 ? $right[0] / $of[0] : 1.0) + ($of[1] > 0 ? $right[1] / $of[1] : 1.0)) / 2;
    }

    private function mesh(): TriangleMesh
    {
        $vertices = $triangles = [];
        for ($row = 0; $row <= self::ROWS; $row++) {
            foreach ($this->heights as $i => $height) {
                $vertices[] = [self::WIDE * $i / self::ACROSS, self::DEEP * ($row / self::ROWS - 0.5), $height];
            }
        }
        $wide = self::ACROSS + 1;
        for ($row = 0; $row < self::ROWS; $row++) {
            for ($i = 0; $i < self::ACROSS; $i++) {
                $a = $row * $wide + $i;
                array_push($triangles, [$a, $a + 1, $a + $wide + 1], [$a, $a + $wide + 1, $a + $wide]);
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }
}
