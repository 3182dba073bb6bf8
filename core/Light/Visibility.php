<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\Normals;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * Which directions reach which vertices of a mesh: one bit a direction. For every direction the mesh is drawn into a depth
 * buffer as seen from there (L. Williams, Casting curved shadows on curved surfaces, 1978), and every vertex is compared
 * with it. Any spray within these directions is then a weighing without new shadows.
 */
final readonly class Visibility
{
    /** Pixels along the longer side of a depth buffer. */
    public const RESOLUTION = 256;

    /**
     * Depth by which a surface may lie behind another before it is in its shadow, in pixels. Larger lets light leak in where
     * surfaces meet, smaller lets them shade themselves: here total paint is within 0.5 % of exact rays (tests/Core/Light).
     */
    private const BIAS = 1.0;

    /** A surface turned further away than this gets nothing: cosine. */
    private const AWAY = -0.6;

    private const SLOPE = 4.0;

    /**
     * @param  list<array{float, float, float}>  $directions
     * @param  list<array<int, int>>  $bits  64 directions in each list: by vertex
     */
    private function __construct(public array $directions, public array $bits)
    {
    }

    /**
     * A visibility that was computed before.
     *
     * @param  list<array{float, float, float}>  $directions
     * @param  list<array<int, int>>  $bits
     */
    public static function known(array $directions, array $bits): self
    {
        return new self($directions, $bits);
    }

    /**
     * @param  list<array{float, float, float}>  $directions  to the light, of length 1
     * @param  int  $from  direction with which it begins, and before which it ends: the bits of the others stay 0
     * @param  bool  $isClosed  the mesh has no open edge and its faces look outwards: half of them need not be drawn
     *
     * @throws InvalidLight when it was stopped
     */
    public static function of(TriangleMesh $mesh, array $directions, ?Progress $progress = null, int $resolution = self::RESOLUTION, bool $isClosed = false, int $from = 0, ?int $before = null): self
    {
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $corners);
        $box = [[\min(\INF, ...$x), \max(-\INF, ...$x)], [\min(\INF, ...$y), \max(-\INF, ...$y)], [\min(\INF, ...$z), \max(-\INF, ...$z)]];
        $bits = \array_fill(0, \intdiv(\count($directions) + 63, 64), \array_fill(0, \count($x), 0));
        for ($k = $from, $before ??= \count($directions); $k < $before; $k++) {
            $d = $directions[$k];
            Stopped::unless($progress, ($k - $from) / ($before - $from));
            $word = intdiv($k, 64);
            [$u, $v] = SprayCone::across($d);
            [$pu, $pv, $pw, $width, $height] = self::projected($x, $y, $z, $d, $u, $v, $box, $resolution);
            $buffer = self::drawn($corners, $pu, $pv, $pw, $width, $height, $isClosed);
            $bits[$word] = self::compared($bits[$word], 1 << ($k % 64), $buffer, $width, [$pu, $pv, $pw], [$nx, $ny, $nz], [$d, $u, $v]);
        }

        return new self($directions, array_values($bits));
    }

    /**
     * This visibility and another of the same mesh and directions together.
     *
     * @param  list<array<int, int>>  $bits  of the other
     */
    public function with(array $bits): self
    {
        $all = $this->bits;
        foreach ($bits as $word => $own) {
            foreach ($own as $v => $bit) {
                $all[$word][$v] |= $bit;
            }
        }

        return new self($this->directions, array_values($all));
    }

    /**
     * @param  list<array{float, float}>  $box
     * @param  array{float, float, float}  $along
     * @return array{float, float} least and greatest place of its corners along a direction
     */
    private static function reach(array $box, array $along): array
    {
        $low = $high = 0.0;
        foreach ($box as $axis => [$from, $to]) {
            $low += \min($from * $along[$axis], $to * $along[$axis]);
            $high += \max($from * $along[$axis], $to * $along[$axis]);
        }

        return [$low, $high];
    }

    /**
     * Places in pixels across the direction, and depths along it in the same unit, nearer to the light larger.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  array{float, float, float}  $d
     * @param  array{float, float, float}  $u
     * @param  array{float, float, float}  $v
     * @param  list<array{float, float}>  $box  least and greatest x, y, z
     * @return array{array<int, float>, array<int, float>, array<int, float>, int, int} by vertex; and the size of the buffer
     */
    private static function projected(array $x, array $y, array $z, array $d, array $u, array $v, array $box, int $resolution): array
    {
        [$dx, $dy, $dz] = $d;
        [$ux, $uy, $uz] = $u;
        [$vx, $vy, $vz] = $v;
        // How far the box of the mesh reaches across the direction: no point reaches farther.
        [$lowU, $highU] = self::reach($box, $u);
        [$lowV, $highV] = self::reach($box, $v);
        $scale = ($resolution - 4) / \max(1e-9, $highU - $lowU, $highV - $lowV);
        $ux *= $scale;
        $uy *= $scale;
        $uz *= $scale;
        $vx *= $scale;
        $vy *= $scale;
        $vz *= $scale;
        $dx *= $scale;
        $dy *= $scale;
        $dz *= $scale;
        $offU = 2.0 - $lowU * $scale;
        $offV = 2.0 - $lowV * $scale;
        $pu = $pv = $pw = [];
        foreach ($x as $i => $px) {
            $py = $y[$i];
            $pz = $z[$i];
            $pu[] = $px * $ux + $py * $uy + $pz * $uz + $offU;
            $pv[] = $px * $vx + $py * $vy + $pz * $vz + $offV;
            $pw[] = $px * $dx + $py * $dy + $pz * $dz;
        }

        return [$pu, $pv, $pw, (int) \ceil(($highU - $lowU) * $scale) + 5, (int) \ceil(($highV - $lowV) * $scale) + 5];
    }

    /**
     * @param  list<int>  $corners
     * @param  array<int, float>  $pu
     * @param  array<int, float>  $pv
     * @param  array<int, float>  $pw
     * @return list<float> depth by pixel, row after row
     */
    private static function drawn(array $corners, array $pu, array $pv, array $pw, int $width, int $height, bool $isClosed): array
    {
        $buffer = \array_fill(0, $width * $height, -1e30);
        for ($t = 0, $n = \count($corners); $t < $n; $t += 3) {
            $a = $corners[$t];
            $b = $corners[$t + 1];
            $c = $corners[$t + 2];
            $e1 = $pu[$b] - $pu[$a];
            $f1 = $pv[$b] - $pv[$a];
            $e2 = $pu[$c] - $pu[$a];
            $f2 = $pv[$c] - $pv[$a];
            // Of a closed body what faces the light lies before what faces away.
            if ($isClosed && $e1 * $f2 <= $e2 * $f1) {
                continue;
            }
            // From the lowest row to the highest.
            if ($pv[$b] < $pv[$a]) {
                $s = $a;
                $a = $b;
                $b = $s;
            }
            if ($pv[$c] < $pv[$a]) {
                $s = $a;
                $a = $c;
                $c = $s;
            }
            if ($pv[$c] < $pv[$b]) {
                $s = $b;
                $b = $c;
                $c = $s;
            }
            $va = $pv[$a];
            $vc = $pv[$c];
            $row = (int) \ceil($va);
            $last = (int) \floor($vc);
            if ($row > $last) {
                continue;
            }
            $ua = $pu[$a];
            $ub = $pu[$b];
            $uc = $pu[$c];
            $vb = $pv[$b];
            $e1 = $ub - $ua;
            $f1 = $vb - $va;
            $e2 = $uc - $ua;
            $f2 = $vc - $va;
            $det = $e1 * $f2 - $e2 * $f1;
            if ($det > -1e-12 && $det < 1e-12) {
                continue;
            }
            $w1 = $pw[$b] - $pw[$a];
            $w2 = $pw[$c] - $pw[$a];
            $perU = ($w1 * $f2 - $w2 * $f1) / $det;
            $perV = ($w2 * $e1 - $w1 * $e2) / $det;
            $wa = $pw[$a];
            for (; $row <= $last; $row++) {
                $s = $row - $va;
                $long = $ua + $e2 * $s / $f2;
                if ($row < $vb) {
                    $short = $ua + $e1 * $s / $f1;
                } elseif ($vc > $vb) {
                    $short = $ub + ($uc - $ub) * ($row - $vb) / ($vc - $vb);
                } else {
                    $short = $ub;
                }
                if ($long < $short) {
                    $from = (int) \ceil($long);
                    $to = (int) \floor($short);
                } else {
                    $from = (int) \ceil($short);
                    $to = (int) \floor($long);
                }
                $w = $wa + $perV * $s + $perU * ($from - $ua);
                for ($at = $row * $width + $from, $end = $row * $width + $to; $at <= $end; $at++) {
                    if ($w > $buffer[$at]) {
                        $buffer[$at] = $w;
                    }
                    $w += $perU;
                }
            }
        }

        return $buffer;
    }

    /**
     * Four pixels around a vertex are compared with the plane of its own surface there; it is lit when at least half of
     * them, by nearness, are not nearer to the light.
     *
     * @param  array<int, int>  $bits
     * @param  list<float>  $buffer
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $places  as projected() gives them
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $normals  x, y, z by vertex
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $axes  to the light, and the two across
     * @return array<int, int>
     */
    private static function compared(array $bits, int $bit, array $buffer, int $width, array $places, array $normals, array $axes): array
    {
        [$pu, $pv, $pw] = $places;
        [$nx, $ny, $nz] = $normals;
        [[$dx, $dy, $dz], [$ux, $uy, $uz], [$vx, $vy, $vz]] = $axes;
        foreach ($pu as $i => $a) {
            $x = $nx[$i];
            $y = $ny[$i];
            $z = $nz[$i];
            $facing = $x * $dx + $y * $dy + $z * $dz;
            if ($facing < self::AWAY) {
                continue;
            }
            if ($facing > 1e-6 || $facing < -1e-6) {
                $gu = -($x * $ux + $y * $uy + $z * $uz) / $facing;
                $gv = -($x * $vx + $y * $vy + $z * $vz) / $facing;
                $gu = $gu > self::SLOPE ? self::SLOPE : ($gu < -self::SLOPE ? -self::SLOPE : $gu);
                $gv = $gv > self::SLOPE ? self::SLOPE : ($gv < -self::SLOPE ? -self::SLOPE : $gv);
            } else {
                $gu = $gv = 0.0;
            }
            $b = $pv[$i];
            $iu = (int) $a;
            $iv = (int) $b;
            $fu = $a - $iu;
            $fv = $b - $iv;
            $at = $iv * $width + $iu;
            $w = $pw[$i] + self::BIAS - $gu * $fu - $gv * $fv;
            $lit = 0.0;
            if ($buffer[$at] <= $w) {
                $lit += (1 - $fu) * (1 - $fv);
            }
            if ($buffer[$at + 1] <= $w + $gu) {
                $lit += $fu * (1 - $fv);
            }
            if ($buffer[$at + $width] <= $w + $gv) {
                $lit += (1 - $fu) * $fv;
            }
            if ($buffer[$at + $width + 1] <= $w + $gu + $gv) {
                $lit += $fu * $fv;
            }
            if ($lit >= 0.5) {
                $bits[$i] |= $bit;
            }
        }

        return $bits;
    }
}
