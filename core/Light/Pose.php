<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\FlatFace;
use Hyalin\Mesh\Plug;
use Hyalin\Mesh\TriangleMesh;

/**
 * How a part stands on the finished figure: scaled and mirrored across x, then turned, then moved. Rotations are unit
 * quaternions (B. K. P. Horn, Closed-form solution of absolute orientation using unit quaternions, 1987).
 */
final readonly class Pose
{
    private const AS_IT_IS = [0.0, 0.0, 0.0, 1.0];

    /** Vertices packed at a time. */
    private const CHUNK = 2048;

    /**
     * @param  array{float, float, float, float}  $rotation  x, y, z, w; of length 1
     * @param  array{float, float, float}  $move  mm
     */
    private function __construct(public array $rotation, public array $move, public bool $mirrored, public float $scale)
    {
    }

    /**
     * @param  array{float, float, float}  $move  mm
     * @param  array{float, float, float, float}  $rotation  x, y, z, w, of any length but 0
     * @param  float  $scale  mm of a unit of the file, above 0
     *
     * @throws InvalidLight when a number is not finite, or the rotation is none
     */
    public static function of(array $move = [0.0, 0.0, 0.0], array $rotation = self::AS_IT_IS, bool $mirrored = false, float $scale = 1.0): self
    {
        $length = sqrt($rotation[0] ** 2 + $rotation[1] ** 2 + $rotation[2] ** 2 + $rotation[3] ** 2);
        if (! ($length > 1e-9) || ! is_finite($length + $move[0] + $move[1] + $move[2] + $scale) || $scale <= 0.0) {
            throw InvalidLight::pose();
        }

        return new self([$rotation[0] / $length, $rotation[1] / $length, $rotation[2] / $length, $rotation[3] / $length], $move, $mirrored, $scale);
    }

    /**
     * Turned further about an axis through the origin, before it is moved.
     *
     * @param  array{float, float, float}  $axis  of length 1
     */
    public function turned(array $axis, float $degrees): self
    {
        $half = deg2rad($degrees) / 2;

        return new self(self::times([$axis[0] * sin($half), $axis[1] * sin($half), $axis[2] * sin($half), cos($half)], $this->rotation), $this->move, $this->mirrored, $this->scale);
    }

    /**
     * Set so that a face of this part meets a face of another: middle on middle, looking at each other, by the least turn.
     *
     * @param  FlatFace  $own  as it stands in this pose
     * @param  FlatFace  $onto  of the other part
     */
    public function joined(FlatFace $own, FlatFace $onto): self
    {
        $by = self::from($own->normal, [-$onto->normal[0], -$onto->normal[1], -$onto->normal[2]]);
        // The whole part turns about the origin: where its face lands says how far it must go.
        $centre = self::rotated($by, $own->centre);
        $move = self::rotated($by, $this->move);

        return new self(
            self::times($by, $this->rotation),
            [$move[0] + $onto->centre[0] - $centre[0], $move[1] + $onto->centre[1] - $centre[1], $move[2] + $onto->centre[2] - $centre[2]],
            $this->mirrored,
            $this->scale,
        );
    }

    /**
     * Turned where it stands, about a line through a point: a head on its neck.
     *
     * @param  array{float, float, float}  $at  mm
     * @param  array{float, float, float}  $axis  of length 1
     */
    public function turnedAt(array $at, array $axis, float $degrees): self
    {
        $half = deg2rad($degrees) / 2;
        $by = [$axis[0] * sin($half), $axis[1] * sin($half), $axis[2] * sin($half), cos($half)];
        $arm = self::rotated($by, [$this->move[0] - $at[0], $this->move[1] - $at[1], $this->move[2] - $at[2]]);

        return new self(self::times($by, $this->rotation), [$at[0] + $arm[0], $at[1] + $arm[1], $at[2] + $arm[2]], $this->mirrored, $this->scale);
    }

    /**
     * The other hand of it, about one of its own points.
     *
     * @param  array{float, float, float}  $middle  that stays, in units of the file
     */
    public function mirroredAt(array $middle): self
    {
        $other = new self($this->rotation, $this->move, ! $this->mirrored, $this->scale);
        [$was, $is] = [$this->place($middle), $other->place($middle)];

        return new self($this->rotation, [$this->move[0] + $was[0] - $is[0], $this->move[1] + $was[1] - $is[1], $this->move[2] + $was[2] - $is[2]], ! $this->mirrored, $this->scale);
    }

    /**
     * @param  array{float, float, float}  $point  in units of the file
     * @return array{float, float, float} mm, on the finished figure
     */
    public function place(array $point): array
    {
        $p = self::rotated($this->rotation, [($this->mirrored ? -1 : 1) * $this->scale * $point[0], $this->scale * $point[1], $this->scale * $point[2]]);

        return [$p[0] + $this->move[0], $p[1] + $this->move[1], $p[2] + $this->move[2]];
    }

    /**
     * @param  array{float, float, float}  $direction  on the finished figure
     * @return array{float, float, float} the same as the file has it
     */
    public function inFile(array $direction): array
    {
        [$x, $y, $z, $w] = $this->rotation;
        $d = self::rotated([-$x, -$y, -$z, $w], $direction);

        return [($this->mirrored ? -1 : 1) * $d[0], $d[1], $d[2]];
    }

    /**
     * A part that stands on another moves with it.
     *
     * @param  self  $before  of the other part
     */
    public function following(self $before, self $after): self
    {
        [$x, $y, $z, $w] = $before->rotation;
        $by = self::times($after->rotation, [-$x, -$y, -$z, $w]);
        $arm = self::rotated($by, [$this->move[0] - $before->move[0], $this->move[1] - $before->move[1], $this->move[2] - $before->move[2]]);

        return new self(self::times($by, $this->rotation), [$after->move[0] + $arm[0], $after->move[1] + $arm[1], $after->move[2] + $arm[2]], $this->mirrored, $this->scale);
    }

    /**
     * @param  array{float, float, float}  $direction  as the file has it
     * @return array{float, float, float} on the finished figure
     */
    public function onFigure(array $direction): array
    {
        return self::rotated($this->rotation, [($this->mirrored ? -1 : 1) * $direction[0], $direction[1], $direction[2]]);
    }

    /** @param  Plug  $plug  in mm, as the file has it */
    public function plug(Plug $plug): Plug
    {
        $place = (new self($this->rotation, $this->move, $this->mirrored, 1.0))->place(...);

        return new Plug($plug->isSocket, $place($plug->centre), $this->onFigure($plug->axis), $plug->radius, $plug->depth, array_map(static fn (array $t): array => [$place($t[0]), $place($t[1]), $place($t[2])], $plug->face));
    }

    public function applied(TriangleMesh $mesh): TriangleMesh
    {
        [$x, $y, $z] = $mesh->coordinates();
        // The rotation as a matrix: one product a vertex.
        $columns = [$this->turnedFile([1.0, 0.0, 0.0]), $this->turnedFile([0.0, 1.0, 0.0]), $this->turnedFile([0.0, 0.0, 1.0])];
        [[$ax, $ay, $az], [$bx, $by, $bz], [$cx, $cy, $cz]] = $columns;
        [$mx, $my, $mz] = $this->move;
        $bytes = '';
        $out = [];
        foreach ($x as $v => $px) {
            [$py, $pz] = [$y[$v], $z[$v]];
            $out[] = $ax * $px + $bx * $py + $cx * $pz + $mx;
            $out[] = $ay * $px + $by * $py + $cy * $pz + $my;
            $out[] = $az * $px + $bz * $py + $cz * $pz + $mz;
            if (\count($out) >= 3 * self::CHUNK) {
                $bytes .= \pack('g*', ...$out);
                $out = [];
            }
        }
        $bytes .= \pack('g*', ...$out);
        if (! $this->mirrored) {
            return TriangleMesh::of($bytes, $mesh->indices);
        }
        // Mirrored, corners run the other way round.
        $indices = '';
        foreach ($mesh->chunks() as $corners) {
            $out = [];
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                \array_push($out, $corners[$i], $corners[$i + 2], $corners[$i + 1]);
            }
            $indices .= \pack('V*', ...$out);
        }

        return TriangleMesh::of($bytes, $indices);
    }

    /**
     * @param  array{float, float, float}  $up  of length 1
     * @return bool whether it stands as in its file, turned about up at most
     */
    public function isUpright(array $up): bool
    {
        $there = $this->inFile($up);

        return 1 - 1e-9 < $there[0] * $up[0] + $there[1] * $up[1] + $there[2] * $up[2];
    }

    /**
     * How much of the light on a part would sit on its wrong side, were it sprayed standing as in its file: of what faces
     * up there, the share that does not on the finished figure. Shadows are left out.
     *
     * @param  TriangleMesh  $mesh  as in the file
     * @param  array{float, float, float}  $up  of length 1
     * @return float 0..1 of the lit area
     */
    public function lightOnWrongSide(TriangleMesh $mesh, array $up): float
    {
        [$x, $y, $z] = $mesh->coordinates();
        $then = $this->inFile($up);
        $lit = $wrong = 0.0;
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                [$a, $b, $c] = [$corners[$i], $corners[$i + 1], $corners[$i + 2]];
                $u = [$x[$b] - $x[$a], $y[$b] - $y[$a], $z[$b] - $z[$a]];
                $v = [$x[$c] - $x[$a], $y[$c] - $y[$a], $z[$c] - $z[$a]];
                $normal = [$u[1] * $v[2] - $u[2] * $v[1], $u[2] * $v[0] - $u[0] * $v[2], $u[0] * $v[1] - $u[1] * $v[0]];
                $now = $normal[0] * $up[0] + $normal[1] * $up[1] + $normal[2] * $up[2];
                if ($now > 0) {
                    // By how much light it is: a face that hardly looks up hardly counts.
                    $lit += $now;
                    $wrong += $normal[0] * $then[0] + $normal[1] * $then[1] + $normal[2] * $then[2] > 0 ? 0.0 : $now;
                }
            }
        }

        return $lit > 0.0 ? $wrong / $lit : 0.0;
    }

    /**
     * @param  array{float, float, float}  $p
     * @return array{float, float, float}
     */
    private function turnedFile(array $p): array
    {
        return self::rotated($this->rotation, [($this->mirrored ? -1 : 1) * $this->scale * $p[0], $this->scale * $p[1], $this->scale * $p[2]]);
    }

    /**
     * The least turn of one direction into another.
     *
     * @param  array{float, float, float}  $a  of length 1
     * @param  array{float, float, float}  $b  of length 1
     * @return array{float, float, float, float}
     */
    private static function from(array $a, array $b): array
    {
        $w = 1 + $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
        if ($w < 1e-9) {
            // Right the other way round: any axis across will do.
            [$across] = SprayCone::across($a);

            return [$across[0], $across[1], $across[2], 0.0];
        }
        $q = [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0], $w];
        $length = sqrt($q[0] ** 2 + $q[1] ** 2 + $q[2] ** 2 + $w * $w);

        return [$q[0] / $length, $q[1] / $length, $q[2] / $length, $w / $length];
    }

    /**
     * @param  array{float, float, float, float}  $q
     * @param  array{float, float, float}  $p
     * @return array{float, float, float}
     */
    private static function rotated(array $q, array $p): array
    {
        [$x, $y, $z, $w] = $q;
        $t = [2 * ($y * $p[2] - $z * $p[1]), 2 * ($z * $p[0] - $x * $p[2]), 2 * ($x * $p[1] - $y * $p[0])];

        return [$p[0] + $w * $t[0] + $y * $t[2] - $z * $t[1], $p[1] + $w * $t[1] + $z * $t[0] - $x * $t[2], $p[2] + $w * $t[2] + $x * $t[1] - $y * $t[0]];
    }

    /**
     * @param  array{float, float, float, float}  $q  done after
     * @param  array{float, float, float, float}  $r  done first
     * @return array{float, float, float, float}
     */
    private static function times(array $q, array $r): array
    {
        return [
            $q[3] * $r[0] + $q[0] * $r[3] + $q[1] * $r[2] - $q[2] * $r[1],
            $q[3] * $r[1] + $q[1] * $r[3] + $q[2] * $r[0] - $q[0] * $r[2],
            $q[3] * $r[2] + $q[2] * $r[3] + $q[0] * $r[1] - $q[1] * $r[0],
            $q[3] * $r[3] - $q[0] * $r[0] - $q[1] * $r[1] - $q[2] * $r[2],
        ];
    }
}
