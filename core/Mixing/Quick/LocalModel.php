<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

use Hyalin\Colour\CieLab;
use Hyalin\Colour\ColourMetric;
use Hyalin\Colour\InvalidSpectrum;
use Hyalin\Colour\SpectralRecovery;

/**
 * Kubelka-Munk mixing made linear around one base mix. Each paint i becomes a point p_i around the target, in the
 * space of ColourMetric, and a weight t_i, its scattering beside that of the base: a mix with the fractions c_i then
 * lies at sum w_i p_i with w_i = c_i t_i / sum c_j t_j. What is left out is the second order in K/S away from the
 * base; unequal tinting strength is not left out.
 *
 * Flat lists throughout: a search makes hundreds of these.
 */
final class LocalModel
{
    /** @var list<float> 3 x 36: movement of the point for one unit of K in a band */
    private array $perK = [];

    /** @var list<float> 3 x 36 */
    private array $perS = [];

    /** @var array{float, float, float} the base itself, relative to the target */
    public array $origin = [0.0, 0.0, 0.0];

    /** CIEDE2000 of the base to the target. */
    public float $difference = 0.0;

    /** @var array{float, float, float} */
    public array $lab = [0.0, 0.0, 0.0];

    /**
     * @param  list<float>  $k  36 values
     * @param  list<float>  $s
     */
    private function __construct(private readonly MixEvaluator $evaluator, private readonly array $k, private readonly array $s)
    {
        $this->differentiate();
    }

    /**
     * @param  list<int>  $paints
     * @param  list<float>  $fractions  adding up to 1
     */
    public static function around(MixEvaluator $evaluator, array $paints, array $fractions): self
    {
        $ks = $ss = [];
        for ($l = 0; $l < 36; $l++) {
            $k = $s = 0.0;
            foreach ($paints as $n => $i) {
                $k += $fractions[$n] * $evaluator->k[$i][$l];
                $s += $fractions[$n] * $evaluator->s[$i][$l];
            }
            $ks[] = $k;
            $ss[] = $s;
        }

        return new self($evaluator, $ks, $ss);
    }

    /**
     * Around a mix that nobody owns: the smoothest spectrum of the target's colour, from paint that scatters like the
     * middle of the shelf. It is near every mix that could be right, and far from none.
     *
     * @return self|null null when no surface has the target's colour
     */
    public static function aroundTarget(MixEvaluator $evaluator): ?self
    {
        try {
            $wanted = SpectralRecovery::of($evaluator->task->target->toXyz())->values;
        } catch (InvalidSpectrum) {
            return null;
        }
        $ks = $ss = [];
        foreach ($wanted as $l => $reflectance) {
            $scattering = array_map(static fn (array $s): float => $s[$l], $evaluator->s);
            sort($scattering);
            $s = max(1e-3, $scattering[intdiv(count($scattering), 2)]);
            $ss[] = $s;
            $ks[] = $evaluator->absorptionFor($reflectance, $s, $l);
        }

        return new self($evaluator, $ks, $ss);
    }

    private function differentiate(): void
    {
        [$r, $rk, $rs] = $this->evaluator->undercoat === null
            ? self::masstones($this->k, $this->s)
            : self::films(
                $this->k,
                $this->s,
                $this->evaluator->undercoat,
                $this->evaluator->task->placement->thickness,
                $this->evaluator->task->placement->coverage,
                $this->evaluator->task->placement->coats,
            );
        foreach ($this->evaluator->after as [$f, $a, $b, $c, $d]) {
            for ($l = 0; $l < 36; $l++) {
                $denominator = $c[$l] * $r[$l] + $d[$l];
                $slope = 1 - $f + $f * ($a[$l] * $d[$l] - $b[$l] * $c[$l]) / ($denominator * $denominator);
                $r[$l] = (1 - $f) * $r[$l] + $f * ($a[$l] * $r[$l] + $b[$l]) / $denominator;
                $rk[$l] *= $slope;
                $rs[$l] *= $slope;
            }
        }
        $wx = $this->evaluator->wx;
        $wy = $this->evaluator->wy;
        $wz = $this->evaluator->wz;
        $x = $y = $z = 0.0;
        for ($l = 0; $l < 36; $l++) {
            $x += $wx[$l] * $r[$l];
            $y += $wy[$l] * $r[$l];
            $z += $wz[$l] * $r[$l];
        }
        $this->lab = CieLab::fromRatios($x, $y, $z);
        $target = $this->evaluator->task->target;
        $this->difference = $this->evaluator->difference($this->lab);
        // Far from the target the metric half-way between is the better one.
        $share = $this->difference > 2 ? 0.5 : 0.0;
        $metric = ColourMetric::at(
            $target->lightness + $share * ($this->lab[0] - $target->lightness),
            $target->a + $share * ($this->lab[1] - $target->a),
            $target->b + $share * ($this->lab[2] - $target->b),
        );
        $this->origin = $metric->of([
            $this->lab[0] - $target->lightness,
            $this->lab[1] - $target->a,
            $this->lab[2] - $target->b,
        ]);
        // dLab/dXYZ: L* hangs on Y, a* on X and Y, b* on Y and Z.
        $fx = self::slopeOfF($x);
        $fy = self::slopeOfF($y);
        $fz = self::slopeOfF($z);
        $perK = $perS = [];
        foreach ($metric->rows as [$ml, $ma, $mb]) {
            $jx = 500 * $fx * $ma;
            $jy = 116 * $fy * $ml - 500 * $fy * $ma + 200 * $fy * $mb;
            $jz = -200 * $fz * $mb;
            for ($l = 0; $l < 36; $l++) {
                $j = $jx * $wx[$l] + $jy * $wy[$l] + $jz * $wz[$l];
                $perK[] = $j * $rk[$l];
                $perS[] = $j * $rs[$l];
            }
        }
        $this->perK = $perK;
        $this->perS = $perS;
    }

    /**
     * The points of the whole shelf on bands three times as wide: good enough to choose by, at a third of the time.
     */
    public function everything(): PaintPoints
    {
        $perK = $perS = $k = $s = $scattering = [];
        for ($g = 0; $g < 12; $g++) {
            $l = 3 * $g;
            $k[] = ($this->k[$l] + $this->k[$l + 1] + $this->k[$l + 2]) / 3;
            $s[] = ($this->s[$l] + $this->s[$l + 1] + $this->s[$l + 2]) / 3;
            $w = $this->evaluator->wy;
            $scattering[] = ($w[$l] + $w[$l + 1] + $w[$l + 2]) / \max(1e-12, $s[$g]);
        }
        for ($g = 0; $g < 36; $g++) {
            $l = 3 * $g;
            $perK[] = $this->perK[$l] + $this->perK[$l + 1] + $this->perK[$l + 2];
            $perS[] = $this->perS[$l] + $this->perS[$l + 1] + $this->perS[$l + 2];
        }

        return self::widePoints(
            $this->evaluator->wideK, $this->evaluator->wideS, $k, $s, $perK, $perS, $scattering, $this->origin,
        );
    }

    /**
     * @param  list<list<float>>  $ks  by paint, 12 bands
     * @param  list<list<float>>  $ss
     * @param  list<float>  $k
     * @param  list<float>  $s
     * @param  list<float>  $perK  3 x 12
     * @param  list<float>  $perS
     * @param  list<float>  $scattering
     * @param  array{float, float, float}  $origin
     */
    private static function widePoints(
        array $ks, array $ss, array $k, array $s, array $perK, array $perS, array $scattering, array $origin,
    ): PaintPoints {
        $px = $py = $pz = $pt = [];
        foreach ($ks as $i => $pk) {
            $ps = $ss[$i];
            $x = $y = $z = $t = 0.0;
            for ($g = 0; $g < 12; $g++) {
                $dk = $pk[$g] - $k[$g];
                $ds = $ps[$g] - $s[$g];
                $x += $perK[$g] * $dk + $perS[$g] * $ds;
                $y += $perK[$g + 12] * $dk + $perS[$g + 12] * $ds;
                $z += $perK[$g + 24] * $dk + $perS[$g + 24] * $ds;
                $t += $scattering[$g] * $ps[$g];
            }
            $t = \max(1e-3, $t);
            $px[] = $x / $t + $origin[0];
            $py[] = $y / $t + $origin[1];
            $pz[] = $z / $t + $origin[2];
            $pt[] = $t;
        }

        return new PaintPoints($px, $py, $pz, $pt);
    }

    /**
     * @param  list<int>  $paints
     * @return PaintPoints by place in $paints
     */
    public function points(array $paints): PaintPoints
    {
        $px = $py = $pz = $pt = [];
        [$ox, $oy, $oz] = $this->origin;
        $scattering = [];
        for ($l = 0; $l < 36; $l++) {
            $scattering[] = $this->evaluator->wy[$l] / \max(1e-12, $this->s[$l]);
        }
        foreach ($paints as $i) {
            $point = self::point(
                $this->evaluator->k[$i],
                $this->evaluator->s[$i],
                $this->k,
                $this->s,
                $this->perK,
                $this->perS,
                $scattering,
            );
            $t = $point[3];
            $px[] = $point[0] / $t + $ox;
            $py[] = $point[1] / $t + $oy;
            $pz[] = $point[2] / $t + $oz;
            $pt[] = $t;
        }

        return new PaintPoints($px, $py, $pz, $pt);
    }

    /**
     * @param  list<float>  $pk
     * @param  list<float>  $ps
     * @param  list<float>  $k
     * @param  list<float>  $s
     * @param  list<float>  $perK
     * @param  list<float>  $perS
     * @param  list<float>  $scattering
     * @return array{float, float, float, float}
     */
    private static function point(array $pk, array $ps, array $k, array $s, array $perK, array $perS, array $scattering): array
    {
        $x = $y = $z = $t = 0.0;
        for ($l = 0; $l < 36; $l++) {
            $dk = $pk[$l] - $k[$l];
            $ds = $ps[$l] - $s[$l];
            $x += $perK[$l] * $dk + $perS[$l] * $ds;
            $y += $perK[$l + 36] * $dk + $perS[$l + 36] * $ds;
            $z += $perK[$l + 72] * $dk + $perS[$l + 72] * $ds;
            $t += $scattering[$l] * $ps[$l];
        }

        // A paint that scatters nothing is a pure dye; its weight must not vanish, or its point lies at infinity.
        return [$x, $y, $z, \max(1e-3, $t)];
    }

    /** @return float derivative of the lightness function of ISO/CIE 11664-4 */
    private static function slopeOfF(float $t): float
    {
        return $t > 216 / 24389 ? 1 / (3 * $t ** (2 / 3)) : 24389 / 27 / 116;
    }

    /**
     * @param  list<float>  $ks
     * @param  list<float>  $ss
     * @return array{list<float>, list<float>, list<float>} R, dR/dK, dR/dS
     */
    private static function masstones(array $ks, array $ss): array
    {
        $values = $rk = $rs = [];
        for ($l = 0; $l < 36; $l++) {
            $k = $ks[$l];
            $s = $ss[$l];
            $root = \sqrt($k * ($k + $s + $s));
            $r = $s / ($s + $k + $root);
            $values[] = $r;
            $slope = -$r / $root;
            $rk[] = $slope;
            $rs[] = $s > 0.0 ? -$slope * $k / $s : 1 / (2 * $k);
        }

        return [$values, $rk, $rs];
    }

    /**
     * @param  list<float>  $ks
     * @param  list<float>  $ss
     * @param  list<float>  $undercoat
     * @return array{list<float>, list<float>, list<float>} R, dR/dK, dR/dS
     */
    private static function films(array $ks, array $ss, array $undercoat, float $x, float $coverage, int $coats): array
    {
        $values = $rk = $rs = [];
        for ($l = 0; $l < 36; $l++) {
            $k = $ks[$l];
            $s = $ss[$l];
            $sum = $k + $s;
            $b = \sqrt($k * ($k + $s + $s));
            $e = \exp(-2 * $b * $x);
            $t = (1 - $e) / ((1 + $e) * $b);
            // dt/dB; B itself moves by (K + S)/B a unit of K and K/B a unit of S.
            $tb = ($x * (1 - $b * $b * $t * $t) - $t) / $b;
            $tk = $tb * $sum / $b;
            $ts = $tb * $k / $b;
            $value = $undercoat[$l];
            $vk = $vs = 0.0;
            for ($coat = 0; $coat < $coats; $coat++) {
                $up = $s - $sum * $value;
                $down = $sum - $s * $value;
                $denominator = 1 + $t * $down;
                $film = ($value + $t * $up) / $denominator;
                $fk = ($tk * $up - $t * $value - $film * ($tk * $down + $t)) / $denominator;
                $fs = ($ts * $up + $t * (1 - $value) - $film * ($ts * $down + $t * (1 - $value))) / $denominator;
                $fv = (1 - $t * $sum + $film * $t * $s) / $denominator;
                $vk = $coverage * ($fk + $fv * $vk) + (1 - $coverage) * $vk;
                $vs = $coverage * ($fs + $fv * $vs) + (1 - $coverage) * $vs;
                $value = $coverage * $film + (1 - $coverage) * $value;
            }
            $values[] = $value;
            $rk[] = $vk;
            $rs[] = $vs;
        }

        return [$values, $rk, $rs];
    }
}
