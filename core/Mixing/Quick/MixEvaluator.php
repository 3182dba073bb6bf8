<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

use Hyalin\Colour\Bands;
use Hyalin\Colour\Ciede2000;
use Hyalin\Colour\CieLab;
use Hyalin\Colour\SpectralSum;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Optics\KubelkaMunk;
use Hyalin\Optics\PaintOptics;

/**
 * The exact colour of a mix for one task. This is the hot loop of the search: everything is a flat list of floats,
 * and the formulas of Optics\KubelkaMunk and Optics\Surface stand here once more in the form that runs fastest. The
 * tests hold the two to each other within 1e-9.
 */
final class MixEvaluator
{
    /** K is kept above this, so that no film divides by zero; it changes no colour by 1e-6. */
    public const LEAST_K = 1e-9;

    /** @var list<list<float>> by paint, 36 values */
    public readonly array $k;

    /** @var list<list<float>> */
    public readonly array $s;

    /** @var list<list<float>> K by paint on 12 bands of 30 nm, for choosing only */
    public readonly array $wideK;

    /** @var list<list<float>> */
    public readonly array $wideS;

    /** @var list<float> weights of X, Y, Z, already divided by the white */
    public readonly array $wx;

    /** @var list<float> */
    public readonly array $wy;

    /** @var list<float> */
    public readonly array $wz;

    /** @var list<float>|null */
    public readonly ?array $undercoat;

    /**
     * What happens to the reflectance afterwards, in order: R' = (1 - f) R + f (a R + b) / (c R + d), with a, b, c, d
     * by band. A film over R is such a fraction of R, and so is the surface.
     *
     * @var list<array{float, list<float>, list<float>, list<float>, list<float>}>
     */
    public readonly array $after;

    private int $evaluations = 0;

    /** @param  list<PaintOptics>  $paints */
    public function __construct(array $paints, public readonly MixTask $task)
    {
        $k = $s = [];
        foreach ($paints as $paint) {
            $k[] = array_map(static fn (float $v): float => max(self::LEAST_K, $v), $paint->k);
            $s[] = $paint->withScattering($task->placement->scattering)->s;
        }
        $this->k = $k;
        $this->s = $s;
        $this->wideK = array_map(self::widened(...), $k);
        $this->wideS = array_map(self::widened(...), $s);
        $sum = SpectralSum::under($task->target->white);
        [$xn, $yn, $zn] = $sum->white();
        $this->wx = array_map(static fn (float $w): float => $w / $xn, $sum->x);
        $this->wy = array_map(static fn (float $w): float => $w / $yn, $sum->y);
        $this->wz = array_map(static fn (float $w): float => $w / $zn, $sum->z);
        $this->undercoat = $task->placement->undercoat?->values;
        $this->after = self::fractionsAfter($task);
    }

    /**
     * @param  list<float>  $bands
     * @return list<float> means of three bands each
     */
    private static function widened(array $bands): array
    {
        return array_map(static fn (array $three): float => array_sum($three) / 3, array_chunk($bands, 3));
    }

    /** @return list<array{float, list<float>, list<float>, list<float>, list<float>}> */
    private static function fractionsAfter(MixTask $task): array
    {
        $after = [];
        foreach ($task->later as $layer) {
            $a = $b = $c = $d = [];
            foreach ($layer->mix->k as $band => $k) {
                $s = $layer->mix->s[$band];
                $t = KubelkaMunk::filmFactor($k, $s, $layer->thickness->coats);
                $a[] = 1 - $t * ($s + $k);
                $b[] = $t * $s;
                $c[] = -$t * $s;
                $d[] = 1 + $t * ($s + $k);
            }
            $after[] = [$layer->coverage, $a, $b, $c, $d];
        }
        $surface = $task->surface;
        if ($surface->gain !== 1.0 || $surface->internal !== 0.0 || $surface->veil !== 0.0) {
            $flat = static fn (float $v): array => array_fill(0, Bands::COUNT, $v);
            $after[] = [
                1.0,
                $flat($surface->gain - $surface->veil * $surface->internal),
                $flat($surface->veil),
                $flat(-$surface->internal),
                $flat(1.0),
            ];
        }

        return $after;
    }

    /**
     * The K with which a mix of scattering $s ends at a reflectance in one band, as it lies in the task.
     *
     * @return float within the range of paints, 1e-6 to 1e3, when none reaches it exactly
     */
    public function absorptionFor(float $reflectance, float $s, int $band): float
    {
        $low = 1e-6;
        $high = 1e3;
        // More absorption always ends darker: halved in the logarithm, 24 steps leave a millionth.
        for ($step = 0; $step < 24; $step++) {
            $middle = sqrt($low * $high);
            if ($this->ends($middle, $s, $band) > $reflectance) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $high;
    }

    /** @return float reflectance seen in the end in one band, by the plain formulas */
    private function ends(float $k, float $s, int $band): float
    {
        $value = KubelkaMunk::masstone($k, $s);
        if ($this->undercoat !== null) {
            $placement = $this->task->placement;
            $value = $this->undercoat[$band];
            for ($coat = 0; $coat < $placement->coats; $coat++) {
                $film = KubelkaMunk::film($k, $s, $placement->thickness, $value);
                $value = $placement->coverage * $film + (1 - $placement->coverage) * $value;
            }
        }
        foreach ($this->after as [$coverage, $a, $b, $c, $d]) {
            $value = (1 - $coverage) * $value + $coverage * ($a[$band] * $value + $b[$band]) / ($c[$band] * $value + $d[$band]);
        }

        return $value;
    }

    /** @return int paints it can mix */
    public function count(): int
    {
        return count($this->k);
    }

    /** @return int mixes computed so far */
    public function evaluations(): int
    {
        return $this->evaluations;
    }

    /**
     * @param  list<int>  $paints  one to three places on the shelf
     * @param  list<int>  $drops
     * @return array{float, float, float} L*, a*, b* seen in the end
     */
    public function lab(array $paints, array $drops): array
    {
        $total = (float) array_sum($drops);
        $fractions = [$drops[0] / $total, ($drops[1] ?? 0) / $total, ($drops[2] ?? 0) / $total];

        return $this->labOf($paints[0], $paints[1] ?? $paints[0], $paints[2] ?? $paints[0], ...$fractions);
    }

    /**
     * @param  float  $p  volume fraction of paint $i; $p + $q + $r = 1
     * @return array{float, float, float}
     */
    public function labOf(int $i, int $j, int $m, float $p, float $q, float $r): array
    {
        $this->evaluations++;
        if ($this->after === []) {
            if ($this->undercoat === null) {
                return $this->masstoneLab($i, $j, $m, $p, $q, $r);
            }
            if ($this->task->placement->coverage >= 1.0) {
                return $this->filmLab($i, $j, $m, $p, $q, $r, $this->undercoat);
            }
        }
        $values = $this->undercoat === null
            ? $this->masstones($i, $j, $m, $p, $q, $r)
            : $this->films($i, $j, $m, $p, $q, $r, $this->undercoat);
        foreach ($this->after as [$coverage, $a, $b, $c, $d]) {
            $values = self::afterwards($values, $coverage, $a, $b, $c, $d);
        }

        return $this->toLab($values);
    }

    /** @param  array{float, float, float}  $lab */
    public function difference(array $lab): float
    {
        $target = $this->task->target;

        return Ciede2000::between($target->lightness, $target->a, $target->b, $lab[0], $lab[1], $lab[2]);
    }

    /**
     * Masstone and its sums in one pass, where nothing follows: most evaluations of a search are these.
     *
     * @return array{float, float, float}
     */
    private function masstoneLab(int $i, int $j, int $m, float $p, float $q, float $r): array
    {
        $ka = $this->k[$i];
        $kb = $this->k[$j];
        $kc = $this->k[$m];
        $sa = $this->s[$i];
        $sb = $this->s[$j];
        $sc = $this->s[$m];
        $wx = $this->wx;
        $wy = $this->wy;
        $wz = $this->wz;
        $x = $y = $z = 0.0;
        for ($l = 0; $l < 36; $l++) {
            $k = $p * $ka[$l] + $q * $kb[$l] + $r * $kc[$l];
            $s = $p * $sa[$l] + $q * $sb[$l] + $r * $sc[$l];
            $v = $s / ($s + $k + \sqrt($k * ($k + $s + $s)));
            $x += $wx[$l] * $v;
            $y += $wy[$l] * $v;
            $z += $wz[$l] * $v;
        }

        return CieLab::fromRatios($x, $y, $z);
    }

    /**
     * A full film and its sums in one pass, where nothing follows.
     *
     * @param  list<float>  $undercoat
     * @return array{float, float, float}
     */
    private function filmLab(int $i, int $j, int $m, float $p, float $q, float $r, array $undercoat): array
    {
        $ka = $this->k[$i];
        $kb = $this->k[$j];
        $kc = $this->k[$m];
        $sa = $this->s[$i];
        $sb = $this->s[$j];
        $sc = $this->s[$m];
        $wx = $this->wx;
        $wy = $this->wy;
        $wz = $this->wz;
        $x = $y = $z = 0.0;
        $twice = -2 * $this->task->placement->thickness;
        for ($l = 0; $l < 36; $l++) {
            $k = $p * $ka[$l] + $q * $kb[$l] + $r * $kc[$l];
            $s = $p * $sa[$l] + $q * $sb[$l] + $r * $sc[$l];
            $sum = $s + $k;
            $b = \sqrt($k * ($sum + $s));
            $e = \exp($twice * $b);
            // The fraction of the film with its divisor (1 + e) b taken above and below: one division less.
            $t = 1 - $e;
            $d = (1 + $e) * $b;
            $below = $undercoat[$l];
            $v = ($d * $below + $t * ($s - $sum * $below)) / ($d + $t * ($sum - $s * $below));
            $x += $wx[$l] * $v;
            $y += $wy[$l] * $v;
            $z += $wz[$l] * $v;
        }

        return CieLab::fromRatios($x, $y, $z);
    }

    /** @return list<float> */
    private function masstones(int $i, int $j, int $m, float $p, float $q, float $r): array
    {
        $ka = $this->k[$i];
        $kb = $this->k[$j];
        $kc = $this->k[$m];
        $sa = $this->s[$i];
        $sb = $this->s[$j];
        $sc = $this->s[$m];
        $values = [];
        for ($l = 0; $l < 36; $l++) {
            $k = $p * $ka[$l] + $q * $kb[$l] + $r * $kc[$l];
            $s = $p * $sa[$l] + $q * $sb[$l] + $r * $sc[$l];
            $values[] = $s / ($s + $k + \sqrt($k * ($k + $s + $s)));
        }

        return $values;
    }

    /**
     * @param  list<float>  $undercoat
     * @return list<float>
     */
    private function films(int $i, int $j, int $m, float $p, float $q, float $r, array $undercoat): array
    {
        $ka = $this->k[$i];
        $kb = $this->k[$j];
        $kc = $this->k[$m];
        $sa = $this->s[$i];
        $sb = $this->s[$j];
        $sc = $this->s[$m];
        $thickness = $this->task->placement->thickness;
        $coverage = $this->task->placement->coverage;
        $coats = $this->task->placement->coats;
        $values = [];
        for ($l = 0; $l < 36; $l++) {
            $k = $p * $ka[$l] + $q * $kb[$l] + $r * $kc[$l];
            $s = $p * $sa[$l] + $q * $sb[$l] + $r * $sc[$l];
            $b = \sqrt($k * ($k + $s + $s));
            $e = \exp(-2 * $b * $thickness);
            $t = (1 - $e) / ((1 + $e) * $b);
            $sum = $s + $k;
            $below = $undercoat[$l];
            $value = ($below + $t * ($s - $sum * $below)) / (1 + $t * ($sum - $s * $below));
            if ($coverage < 1.0) {
                $value = $coverage * $value + (1 - $coverage) * $below;
                for ($coat = 1; $coat < $coats; $coat++) {
                    $film = ($value + $t * ($s - $sum * $value)) / (1 + $t * ($sum - $s * $value));
                    $value = $coverage * $film + (1 - $coverage) * $value;
                }
            }
            $values[] = $value;
        }

        return $values;
    }

    /**
     * @param  list<float>  $values
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @param  list<float>  $c
     * @param  list<float>  $d
     * @return list<float>
     */
    private static function afterwards(array $values, float $f, array $a, array $b, array $c, array $d): array
    {
        $bare = 1 - $f;
        $seen = [];
        for ($l = 0; $l < 36; $l++) {
            $v = $values[$l];
            $seen[] = $bare * $v + $f * ($a[$l] * $v + $b[$l]) / ($c[$l] * $v + $d[$l]);
        }

        return $seen;
    }

    /**
     * @param  list<float>  $values
     * @return array{float, float, float}
     */
    private function toLab(array $values): array
    {
        $wx = $this->wx;
        $wy = $this->wy;
        $wz = $this->wz;
        $x = $y = $z = 0.0;
        for ($l = 0; $l < 36; $l++) {
            $v = $values[$l];
            $x += $wx[$l] * $v;
            $y += $wy[$l] * $v;
            $z += $wz[$l] * $v;
        }

        return CieLab::fromRatios($x, $y, $z);
    }
}
